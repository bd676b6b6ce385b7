/** A name or a count in a sentence or a list: it counts on leaving the field or Enter, Escape takes it back. */
import Box from "@mui/material/Box";
import { useId, useRef, useState } from "react";
import { colours } from "../app/theme";
import { Complaint } from "./Complaint";

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
  const field = useRef<HTMLInputElement>(null);
  const errorId = useId();
  const wrong = draft !== null ? (check?.(draft) ?? null) : null;

  function commit(): void {
    if (draft === null || wrong) return;
    setDraft(null);
    if (draft !== value) onCommit(draft);
  }

  return (
    <Box component="span" sx={{ display: "inline-block", width }}>
      <Box
        component="input"
        ref={field}
        aria-label={label}
        aria-invalid={wrong !== null}
        aria-describedby={wrong ? errorId : undefined}
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
        <Complaint field={field.current} id={errorId}>
          {wrong}
        </Complaint>
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
