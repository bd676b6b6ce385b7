/** One of a few words, in a sentence. */
import Box from "@mui/material/Box";
import { colours } from "../app/theme";
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
  /** For one in every line of a list: seen as a field only where one is about to change it. */
  quiet?: boolean;
}

export function Choice<Value extends string>({
  label,
  value,
  options,
  onChange,
  wide,
  short,
  quiet,
}: Props<Value>) {
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
        ...(quiet && {
          fontSize: "0.82rem",
          px: 0,
          color: colours.soft,
          background: "transparent",
          borderBottomColor: "transparent",
          "&:hover": { background: colours.tint },
        }),
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
