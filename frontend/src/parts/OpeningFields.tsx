/** The openings of a panel or a card: the photo behind each, and the ring mat round it. */

import Button from "@mui/material/Button";
import { useUsual } from "../api/usual";
import { NOTHING } from "../page/scale";
import { Choice } from "../ui/Choice";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import { hasLength, type Opening, oneMoreOpening, type PartProps } from "./kinds";
import { PrintFields } from "./PrintFields";
import { Sentence } from "./Sentence";
import { FIGURES } from "./values";

const MOST = 24;

export function OpeningFields<P extends { openings: Opening[] }>({ part, onChange }: PartProps<P>) {
  const usual = useUsual();
  const { openings } = part;
  const put = (next: Opening[]) => ({ ...part, openings: next });
  return (
    <>
      {openings.map((opening, k) => (
        <OneOpening
          // biome-ignore lint/suspicious/noArrayIndexKey: an opening is its place in the list
          key={k}
          name={openings.length > 1 ? `Opening ${k + 1}` : "Opening"}
          opening={opening}
          onChange={(what, change, group, asked) => {
            const made = (by: Partial<Opening>) =>
              put(openings.map((old, n) => (n === k ? { ...old, ...by } : old)));
            onChange(what, made(change), group && `${group} ${k}`, asked && made(asked));
          }}
          onRemove={() => onChange("closed the opening", put(openings.filter((_, n) => n !== k)))}
        />
      ))}
      {openings.length < MOST && (
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() => onChange("cut an opening", put([...openings, oneMoreOpening(usual, openings.at(-1))]))}
        >
          {openings.length ? "Another opening" : "An opening in it"}
        </Button>
      )}
    </>
  );
}

interface OneProps {
  name: string;
  opening: Opening;
  onChange: (what: string, change: Partial<Opening>, group?: string, asked?: Partial<Opening>) => void;
  onRemove: () => void;
}

function OneOpening({ name, opening, onChange, onRemove }: OneProps) {
  const usual = useUsual();
  return (
    <>
      <Sentence>
        {name.toLowerCase()}:
        <Choice
          label={name === "Opening" ? "Shape of the opening" : `${name}: shape`}
          value={opening.figure}
          options={FIGURES}
          onChange={(figure) => onChange("changed the opening", { figure })}
        />
        <Choice
          label={`How the ${name.toLowerCase()} is sized`}
          value={opening.rim === null ? "size" : "rim"}
          options={[
            ["size", "of"],
            ["rim", "that leaves all round"],
          ]}
          onChange={(way) => onChange("changed the opening", { rim: way === "rim" ? usual.wide : null })}
        />
        {opening.rim !== null ? (
          <LengthField
            label={`Rim of the ${name.toLowerCase()}`}
            range="gap"
            value={opening.rim}
            onCommit={(rim) => onChange("changed the opening", { rim }, "rim")}
          />
        ) : (
          <>
            <LengthField
              label={`${name} width`}
              value={opening.width}
              onCommit={(width) => onChange("changed the opening", { width }, "opening width")}
            />
            ×
            <LengthField
              label={`${name} height`}
              value={opening.height}
              onCommit={(height) => onChange("changed the opening", { height }, "opening height")}
            />
          </>
        )}
        <IconAction small icon="bin" name={`Close ${name.toLowerCase()}`} onClick={onRemove} />
      </Sentence>
      <Sentence inset>
        <LengthField
          label={`${name} right of the middle`}
          range="offset"
          value={opening.across}
          onCommit={(across) => onChange("moved the opening", { across }, "opening across")}
        />
        right of and
        <LengthField
          label={`${name} below the middle`}
          range="offset"
          value={opening.down}
          onCommit={(down) => onChange("moved the opening", { down }, "opening down")}
        />
        below the middle
      </Sentence>
      <Sentence inset>
        {hasLength(opening.ring) ? (
          <>
            a ring of
            <LengthField
              label={`${name}: width of the ring`}
              range="gap"
              value={opening.ring}
              onCommit={(ring) => onChange("changed the ring", { ring }, "opening ring")}
            />
            round it from
            <PaperPicker
              label={`${name}: paper of the ring`}
              value={opening.ring_choice}
              onChange={(ring_choice, paper) => onChange(`chose ${paper}`, { ring_choice })}
            />
            <Button size="small" onClick={() => onChange("took the ring away", { ring: NOTHING })}>
              No ring
            </Button>
          </>
        ) : (
          <Button size="small" onClick={() => onChange("put a ring round it", { ring: usual.border })}>
            A ring round it
          </Button>
        )}
        {!opening.print && (
          <Button size="small" onClick={() => onChange("put a photo behind", { print: usual.print })}>
            A photo behind it
          </Button>
        )}
      </Sentence>
      {opening.print && (
        <>
          <PrintFields
            print={opening.print}
            label={name === "Opening" ? "Photo behind it" : `Photo behind ${name.toLowerCase()}`}
            onChange={(what, print, group, asked) => onChange(what, { print }, group, asked && { print: asked })}
            onRemove={() => onChange("took the photo away", { print: null })}
          />
          <Sentence inset>
            held by a lap of
            <LengthField
              label={name === "Opening" ? "Lap" : `${name}: lap`}
              range="gap"
              value={opening.lap}
              onCommit={(lap) => onChange("changed the lap", { lap }, "opening lap")}
            />
          </Sentence>
        </>
      )}
    </>
  );
}
