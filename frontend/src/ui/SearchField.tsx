/** A field in which one types what is looked for; what fits is shown at once. */
import Box from "@mui/material/Box";
import { colours } from "../app/theme";

interface Props {
  label: string;
  placeholder: string;
  value: string;
  onChange: (typed: string) => void;
}

export function SearchField({ label, placeholder, value, onChange }: Props) {
  return (
    <Box
      component="input"
      type="search"
      aria-label={label}
      placeholder={placeholder}
      value={value}
      onChange={(event: React.ChangeEvent<HTMLInputElement>) => onChange(event.target.value)}
      sx={{
        font: "inherit",
        color: "inherit",
        background: colours.ground,
        border: 0,
        borderBottom: `2px solid ${colours.soft}`,
        minHeight: 36,
        px: 1,
        width: "100%",
        "@media (pointer: coarse)": { minHeight: 44 },
      }}
    />
  );
}
