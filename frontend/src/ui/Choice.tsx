/** One of a few words, in a sentence. */
import Box from "@mui/material/Box";
import { fieldStyle } from "./LengthField";

interface Props<Value extends string> {
  label: string;
  value: Value;
  options: readonly (readonly [Value, string])[];
  onChange: (value: Value) => void;
}

export function Choice<Value extends string>({ label, value, options, onChange }: Props<Value>) {
  return (
    <Box
      component="select"
      aria-label={label}
      value={value}
      onChange={(event: React.ChangeEvent<HTMLSelectElement>) => onChange(event.target.value as Value)}
      sx={{ ...fieldStyle(), fontWeight: 400, maxWidth: "24ch", textAlign: "left", cursor: "pointer" }}
    >
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </Box>
  );
}
