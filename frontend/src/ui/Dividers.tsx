/** Dividers as in a box of cards: the one in front is of a piece with what lies below it. */
import Box from "@mui/material/Box";
import { colours } from "../app/theme";
import { arrow } from "./arrows";

interface Props<Value extends string> {
  label: string;
  value: Value;
  /** What is behind each, in words: "4 papers". */
  options: readonly (readonly [Value, string])[];
  onChange: (value: Value) => void;
}

export function Dividers<Value extends string>({ label, value, options, onChange }: Props<Value>) {
  function onKeyDown(event: React.KeyboardEvent): void {
    const step = arrow(event.key)?.[0];
    const next = step && options[options.findIndex(([one]) => one === value) + step];
    if (!next) return;
    event.preventDefault();
    onChange(next[0]);
    const list = event.currentTarget;
    requestAnimationFrame(() => list.querySelector<HTMLElement>("[aria-selected=true]")?.focus());
  }

  return (
    <Box
      role="tablist"
      aria-label={label}
      onKeyDown={onKeyDown}
      sx={{ display: "flex", gap: 0.5, px: 2, borderBottom: `1px solid ${colours.line}` }}
    >
      {options.map(([one, words]) => {
        const front = one === value;
        return (
          <Box
            key={one}
            component="button"
            type="button"
            role="tab"
            aria-selected={front}
            tabIndex={front ? 0 : -1}
            onClick={() => onChange(one)}
            sx={{
              font: "inherit",
              fontWeight: front ? 700 : 400,
              color: front ? colours.ink : colours.soft,
              background: front ? colours.paper : colours.faint,
              border: `1px solid ${colours.line}`,
              borderBottom: 0,
              borderRadius: "10px 10px 0 0",
              mb: "-1px",
              px: 2.25,
              minHeight: front ? 44 : 38,
              "@media (pointer: coarse)": { minHeight: 44 },
              alignSelf: "flex-end",
              cursor: "pointer",
            }}
          >
            {words}
          </Box>
        );
      })}
    </Box>
  );
}
