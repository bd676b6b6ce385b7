/** A name or a count in a sentence or a list: it counts on leaving the field or Enter, Escape takes it back. */
import Box from "@mui/material/Box";
import { useState } from "react";
import { colours } from "../app/theme";

interface Props {
  label: string;
  value: string;
  onCommit: (value: string) => void;
  /** What is wrong with a text, or null. */
  check?: (value: string) => string | null;
  width?: string | number;
  align?: "left" | "center" | "right";
  placeholder?: string;
  numeric?: boolean;
}

export function InlineText({ label, value, onCommit, check, width, align = "left", placeholder, numeric }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const wrong = draft !== null ? (check?.(draft) ?? null) : null;

  function commit(): void {
    if (draft === null || wrong) return;
    setDraft(null);
    if (draft !== value) onCommit(draft);
  }

  return (
    <Box component="span" sx={{ position: "relative", display: "inline-block", width }}>
      <Box
        component="input"
        aria-label={label}
        aria-invalid={wrong !== null}
        inputMode={numeric ? "numeric" : undefined}
        placeholder={placeholder}
        value={draft ?? value}
        autoComplete="off"
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={(event: React.KeyboardEvent<HTMLInputElement>) => {
          if (event.key === "Enter") commit();
          if (event.key === "Escape" && draft !== null) {
            event.stopPropagation();
            setDraft(null);
          }
        }}
        sx={{
          font: "inherit",
          color: "inherit",
          width: "100%",
          textAlign: align,
          border: "1px solid transparent",
          borderBottomColor: wrong ? colours.madder : colours.line,
          background: "transparent",
          padding: "3px 4px",
          borderRadius: "3px 3px 0 0",
          "&:hover": { background: colours.faint },
          "&:focus": { background: colours.tint, borderBottomColor: colours.verdigris },
          "@media (pointer: coarse)": { minHeight: 44 },
        }}
      />
      {wrong && (
        <Box
          component="span"
          role="alert"
          sx={{
            position: "absolute",
            top: "100%",
            left: 0,
            zIndex: 20,
            px: 1,
            py: 0.5,
            width: "max-content",
            maxWidth: 260,
            background: colours.madder,
            color: "#fff",
            borderRadius: 1,
            fontSize: "0.82rem",
          }}
        >
          {wrong}
        </Box>
      )}
    </Box>
  );
}

/** Refuses what is no whole number from `least` to 10000. */
export function wholeNumber(least: number): (text: string) => string | null {
  return (text) =>
    /^\d{1,5}$/.test(text.trim()) && Number(text) >= least && Number(text) <= 10_000
      ? null
      : `“${text}” is no whole number from ${least} to 10000`;
}

/** Refuses an empty or a very long name. */
export function aName(text: string): string | null {
  if (!text.trim()) return "A name must be there";
  return text.length > 120 ? "At most 120 characters" : null;
}
