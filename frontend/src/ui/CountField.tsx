/** A whole number in a sentence: counts on leaving the field or Enter, the arrow keys step it, Escape takes it back. */
import Box from "@mui/material/Box";
import { useId, useRef, useState } from "react";
import { Complaint } from "./Complaint";
import { fieldStyle } from "./LengthField";

interface Props {
  label: string;
  value: number;
  least?: number;
  most?: number;
  onCommit: (value: number) => void;
}

export function CountField({ label, value, least = 1, most = 100_000, onCommit }: Props) {
  const [draft, setDraft] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const errorId = useId();
  const text = draft ?? String(value);
  const read = /^\s*[-−]?\d{1,7}(\.\d+)?\s*$/.test(text) ? Number(text.replace("−", "-")) : Number.NaN;
  const whole = Number.isInteger(read);
  const wrong = draft !== null && !(whole && read >= least && read <= most);

  function put(next: number): void {
    setDraft(null);
    if (next !== value) onCommit(next);
  }

  function step(by: number): void {
    const from = whole ? read : value;
    put(Math.min(most, Math.max(least, from + by)));
  }

  return (
    <Box component="span" sx={{ display: "inline-flex" }}>
      <Box
        component="input"
        ref={field}
        type="text"
        inputMode="numeric"
        aria-label={label}
        aria-invalid={wrong}
        aria-describedby={wrong ? errorId : undefined}
        data-typing={draft !== null || undefined}
        autoComplete="off"
        value={text}
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => setDraft(event.target.value)}
        onFocus={(event: React.FocusEvent<HTMLInputElement>) => event.target.select()}
        onBlur={() => draft !== null && !wrong && put(read)}
        onKeyDown={(event: React.KeyboardEvent) => {
          if (event.key === "Enter" && draft !== null && !wrong) put(read);
          else if (event.key === "Escape" && draft !== null) {
            event.stopPropagation();
            setDraft(null);
          } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
            event.preventDefault();
            event.stopPropagation();
            step((event.key === "ArrowUp" ? 1 : -1) * (event.shiftKey ? 4 : 1));
          }
        }}
        sx={{ ...fieldStyle(wrong), width: `${Math.max(3.4, text.length + 1.6)}ch` }}
      />
      {wrong && (
        <Complaint field={field.current} id={errorId}>
          {`“${text}” is no whole number from ${least} to ${most}`}
        </Complaint>
      )}
    </Box>
  );
}
