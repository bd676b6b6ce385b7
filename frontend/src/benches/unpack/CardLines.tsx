/** The lines that a card is printed with, measured on it once: words on it stand on those from then on. */
import Button from "@mui/material/Button";
import type { Schemas } from "../../api/client";
import { useUsual } from "../../api/usual";
import { Sentence } from "../../parts/Sentence";
import { IconAction } from "../../ui/IconAction";
import { LengthField } from "../../ui/LengthField";

type Lines = Schemas["CardLines"];

interface Props {
  label: string;
  lines: Lines | null;
  onChange: (what: string, lines: Lines | null, group?: string) => void;
}

const FIELDS = [
  ["first", "the first from the top", "size"],
  ["apart", "apart", "size"],
  ["left", "free on the left", "gap"],
  ["right", "free on the right", "gap"],
] as const;

export function CardLines({ label, lines, onChange }: Props) {
  const usual = useUsual();
  if (!lines) {
    return (
      <Button size="small" onClick={() => onChange("measured a card’s lines", usual.card_lines)}>
        It has lines to write on
      </Button>
    );
  }
  return (
    <Sentence inset>
      lines to write on:
      {FIELDS.map(([field, words, range]) => (
        <span key={field} style={{ whiteSpace: "nowrap" }}>
          <LengthField
            label={`${label}: lines ${words}`}
            range={range}
            value={lines[field]}
            onCommit={(value) => onChange("measured a card’s lines", { ...lines, [field]: value }, field)}
          />{" "}
          {words}
        </span>
      ))}
      <IconAction
        small
        icon="bin"
        name={`${label}: no lines`}
        onClick={() => onChange("took a card’s lines away", null)}
      />
    </Sentence>
  );
}
