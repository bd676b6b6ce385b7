/** One of a few words, in a sentence. */
import Box from "@mui/material/Box";
import { fieldStyle } from "./LengthField";

interface Props<Value extends string> {
  label: string;
  value: Value;
  options: readonly (readonly [Value, string])[];
  onChange: (value: Value) => void;
  /** For names, which are longer than words. */
  wide?: boolean;
  /** For one of several in a line. */
  short?: boolean;
}

export function Choice<Value extends string>({ label, value, options, onChange, wide, short }: Props<Value>) {
  return (
    <Box
      component="select"
      aria-label={label}
      value={value}
      onChange={(event: React.ChangeEvent<HTMLSelectElement>) => onChange(event.target.value as Value)}
      sx={{
        ...fieldStyle(),
        fontWeight: 400,
        // As wide as what is chosen, not as the longest that could be: a sentence keeps to its lines.
        fieldSizing: "content",
        maxWidth: wide ? "40ch" : short ? "15ch" : "24ch",
        textAlign: "left",
        cursor: "pointer",
      }}
    >
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </Box>
  );
}
