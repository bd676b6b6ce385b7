/** What a part says, in the serif that words are written in here; each letter counts at once. */
import Box from "@mui/material/Box";
import { colours, words } from "../app/theme";
import { cutTo } from "../ui/letters";

interface Props {
  label: string;
  placeholder?: string;
  value: string;
  /** So many characters at most. */
  most: number;
  rows: number;
  onChange: (text: string) => void;
}

export function PartText({ label, placeholder, value, most, rows, onChange }: Props) {
  return (
    <Box
      component="textarea"
      aria-label={label}
      placeholder={placeholder}
      rows={rows}
      value={value}
      onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) => onChange(cutTo(event.target.value, most))}
      sx={{
        width: "100%",
        ...words,
        fontSize: "1.05rem",
        color: "inherit",
        background: colours.paper,
        border: 0,
        borderBottom: `2px solid ${colours.soft}`,
        p: 0.75,
        resize: "vertical",
      }}
    />
  );
}
