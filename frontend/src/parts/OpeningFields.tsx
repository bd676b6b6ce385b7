/** The opening of a panel or a card, and the photo behind it. */
import Button from "@mui/material/Button";
import { Choice } from "../ui/Choice";
import { LengthField } from "../ui/LengthField";
import { type PanelPart, type PartProps, PLAIN_PRINT, USUAL } from "./kinds";
import { PrintFields } from "./PrintFields";
import { Sentence } from "./Sentence";
import { FIGURES } from "./values";

export type Opening = NonNullable<PanelPart["opening"]>;

export function OpeningFields<P extends { opening: Opening | null }>({ part, onChange }: PartProps<P>) {
  const opening = part.opening;
  if (!opening) {
    const fresh: Opening = {
      figure: "circle",
      rim: null,
      width: "3 in",
      height: "3 in",
      across: "0 in",
      down: "0 in",
      lap: USUAL.in.narrow,
      print: null,
    };
    return (
      <Button size="small" onClick={() => onChange("cut an opening", { ...part, opening: fresh })}>
        An opening in it
      </Button>
    );
  }
  const put = (what: string, change: Partial<Opening>, group?: string, asked?: Partial<Opening>) => {
    const made = (by: Partial<Opening>) => ({ ...part, opening: { ...opening, ...by } });
    onChange(what, made(change), group, asked && made(asked));
  };
  return (
    <>
      <Sentence>
        opening:
        <Choice
          label="Shape of the opening"
          value={opening.figure}
          options={FIGURES}
          onChange={(figure) => put("changed the opening", { figure })}
        />
        <Choice
          label="How the opening is sized"
          value={opening.rim === null ? "size" : "rim"}
          options={[
            ["size", "of"],
            ["rim", "that leaves all round"],
          ]}
          onChange={(way) => put("changed the opening", { rim: way === "rim" ? USUAL.in.wide : null })}
        />
        {opening.rim !== null ? (
          <LengthField
            label="Rim of the opening"
            range="gap"
            value={opening.rim}
            onCommit={(rim) => put("changed the opening", { rim }, "rim")}
          />
        ) : (
          <>
            <LengthField
              label="Opening width"
              value={opening.width}
              onCommit={(width) => put("changed the opening", { width }, "opening width")}
            />
            ×
            <LengthField
              label="Opening height"
              value={opening.height}
              onCommit={(height) => put("changed the opening", { height }, "opening height")}
            />
          </>
        )}
        <Button size="small" onClick={() => onChange("closed the opening", { ...part, opening: null })}>
          No opening
        </Button>
      </Sentence>
      <Sentence inset>
        <LengthField
          label="Opening right of the middle"
          range="offset"
          value={opening.across}
          onCommit={(across) => put("moved the opening", { across }, "opening across")}
        />
        right of and
        <LengthField
          label="Opening below the middle"
          range="offset"
          value={opening.down}
          onCommit={(down) => put("moved the opening", { down }, "opening down")}
        />
        below the middle
      </Sentence>
      {opening.print ? (
        <>
          <PrintFields
            print={opening.print}
            label="Photo behind it"
            onChange={(what, print, group, asked) => put(what, { print }, group, asked && { print: asked })}
            onRemove={() => put("took the photo away", { print: null })}
          />
          <Sentence inset>
            held by a lap of
            <LengthField
              label="Lap"
              range="gap"
              value={opening.lap}
              onCommit={(lap) => put("changed the lap", { lap }, "opening lap")}
            />
          </Sentence>
        </>
      ) : (
        <Button size="small" onClick={() => put("put a photo behind", { print: PLAIN_PRINT })}>
          A photo behind it
        </Button>
      )}
    </>
  );
}
