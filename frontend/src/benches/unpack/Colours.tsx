/** The colours of a side, one to five, the leading one first. */
import Box from "@mui/material/Box";
import type { Side } from "../../api/kits";
import { colours as ink } from "../../app/theme";
import { Sentence } from "../../parts/Sentence";
import { IconAction } from "../../ui/IconAction";
import type { SideProps } from "./papers";

const MOST = 5;

export function Colours(
  props: Pick<SideProps, "face" | "palette" | "onChange"> & { name: string; colours: string[] },
) {
  const { name, face, colours, palette, onChange } = props;
  return (
    <Sentence>
      {colours.map((colour, k) => (
        <Colour
          // biome-ignore lint/suspicious/noArrayIndexKey: a colour is its place in the pattern
          key={k}
          label={`${name}: colour ${k + 1}`}
          value={colour}
          palette={palette}
          onChange={(value) =>
            onChange(
              "changed a colour",
              (side) => ({ ...side, colours: side.colours.map((old, n) => (n === k ? value : old)) }),
              `${face} colour ${k}`,
            )
          }
        />
      ))}
      {colours.length < MOST && (
        <IconAction
          small
          icon="add"
          name={`${name}: one more colour`}
          onClick={() =>
            onChange("added a colour", (side) => ({
              ...side,
              colours: [...side.colours, nextColour(side, palette)].slice(0, MOST),
            }))
          }
        />
      )}
      {colours.length > 1 && (
        <IconAction
          small
          icon="bin"
          name={`${name}: one colour less`}
          onClick={() => onChange("took a colour out", (side) => ({ ...side, colours: side.colours.slice(0, -1) }))}
        />
      )}
    </Sentence>
  );
}

function nextColour(side: Side, palette: string[]): string {
  return palette.find((colour) => !side.colours.includes(colour)) ?? ink.ochre;
}

function Colour({
  label,
  value,
  palette,
  onChange,
}: {
  label: string;
  value: string;
  palette: string[];
  onChange: (colour: string) => void;
}) {
  const id = `palette-${label.replace(/\W/g, "")}`;
  return (
    <>
      <Box
        component="input"
        type="color"
        aria-label={label}
        title={value}
        list={id}
        value={value}
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => onChange(event.target.value)}
        sx={{
          width: 40,
          height: 34,
          p: 0,
          border: `1px solid ${ink.line}`,
          borderRadius: 1,
          background: "none",
          cursor: "pointer",
        }}
      />
      <datalist id={id}>
        {palette.map((colour) => (
          <option key={colour} value={colour} />
        ))}
      </datalist>
    </>
  );
}
