/** A length that may be left out: a button says how it is then, and pressed gives it one of its own. */
import Button from "@mui/material/Button";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";

interface Props {
  label: string;
  value: string | null;
  /** How it is without one of its own, and with what one begins. */
  without: string;
  begins: string;
  /** What stands before and after it. */
  before?: string;
  after?: string;
  /** What the button that leaves it out again is called. */
  leave: string;
  onChange: (what: string, value: string | null, group?: string) => void;
}

export function OwnLength({ label, value, without, begins, before, after, leave, onChange }: Props) {
  const what = label.toLowerCase();
  if (value === null) {
    return (
      <Button size="small" onClick={() => onChange(`set the ${what}`, begins)}>
        {without}
      </Button>
    );
  }
  return (
    <>
      {before}
      <LengthField label={label} value={value} onCommit={(next) => onChange(`changed the ${what}`, next, label)} />
      {after}
      <IconAction small icon="bin" name={leave} onClick={() => onChange(`left out the ${what}`, null)} />
    </>
  );
}
