/** The things of a kit: what each is, how many, how large, how it looks; a sheet of them taken in from a photograph. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import type { Thing } from "../../api/kits";
import { cutThing, type ThingOut, useThings } from "../../api/things";
import { useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import { colours, narrow } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { FileInput } from "../../ui/FileInput";
import { IconAction } from "../../ui/IconAction";
import { aName, InlineText, wholeNumber } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";
import { cutTo } from "../../ui/letters";
import { ThingPicture } from "../../ui/ThingPicture";
import { NextName } from "./NextName";
import { newThing, THING_KINDS } from "./papers";
import { ThingLooks } from "./ThingLooks";
import { ThingsSheet } from "./ThingsSheet";

interface Props {
  things: Thing[];
  onChange: (what: string, things: Thing[], group?: string) => void;
}

const BY_LENGTH: readonly Thing["kind"][] = ["ribbon", "twine", "tape", "adhesive"];

export function ThingList({ things, onChange }: Props) {
  const usual = useUsual();
  const [sheet, setSheet] = useState<File | null>(null);
  const known = useThings();
  const file = useRef<HTMLInputElement>(null);
  const replace = (id: string, change: Partial<Thing>) =>
    things.map((t) => (t.id === id ? { ...t, ...change } : t));
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 1, px: 1.5, py: 0.75, borderBottom: `1px solid ${colours.line}` }}>
        <Button size="small" onClick={() => file.current?.click()}>
          A sheet of things photographed …
        </Button>
        <FileInput
          label="Photograph of a sheet of things"
          accept="image/jpeg,image/png,image/webp,image/heic,image/heif"
          inputRef={file}
          onFiles={([chosen]) => chosen && setSheet(chosen)}
        />
      </Box>
      {things.map((thing) => (
        <ThingLine
          key={thing.id}
          thing={thing}
          known={known.find((one) => one.thing.id === thing.id)}
          onChange={(what, change, group) =>
            onChange(what, replace(thing.id, change), group && `${group} ${thing.id}`)
          }
          onCut={(three) =>
            onChange(
              "cut a thing in two",
              things.flatMap((t) => (t.id === thing.id ? three : [t])),
            )
          }
          onRemove={() =>
            onChange(
              "took a thing out",
              things.filter((t) => t.id !== thing.id),
            )
          }
        />
      ))}
      <NextName
        label="Name of the next thing"
        onAdd={(name) => onChange("added a thing", [...things, newThing(usual, name, things.at(-1))])}
      />
      {sheet && (
        <ThingsSheet
          file={sheet}
          like={things.at(-1) ?? { ...usual.thing, kind: "sticker" }}
          onClose={() => setSheet(null)}
          onTake={(found) => onChange("took things in from a photograph", [...things, ...found])}
        />
      )}
    </Box>
  );
}

interface LineProps {
  thing: Thing;
  known: ThingOut | undefined;
  onChange: (what: string, change: Partial<Thing>, group?: string) => void;
  onCut: (three: Thing[]) => void;
  onRemove: () => void;
}

function ThingLine({ thing, known, onChange, onCut, onRemove }: LineProps) {
  const [open, setOpen] = useState(false);
  const { say } = useFrame();

  async function cut(upright: boolean, at: string | null): Promise<void> {
    try {
      onCut(await cutThing(thing.id, upright, at));
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Box role="group" aria-label={thing.name} sx={{ borderBottom: `1px solid ${colours.line}`, px: 1.5, py: 0.5 }}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns:
            "44px minmax(130px, 1.2fr) 140px 128px minmax(150px, auto) minmax(90px, 1fr) 44px 40px",
          gap: 1,
          alignItems: "center",
          [narrow]: { display: "flex", flexWrap: "wrap" },
        }}
      >
        <ThingPicture thing={known} size={40} />
        <InlineText
          label={`Name of ${thing.name}`}
          value={thing.name}
          width="100%"
          check={aName}
          onCommit={(name) => onChange("named a thing", { name: name.trim() })}
        />
        <Choice
          label={`Kind of ${thing.name}`}
          value={thing.kind}
          options={THING_KINDS.map((kind) => [kind, kind] as const)}
          onChange={(kind) => onChange("changed a thing’s kind", { kind })}
        />
        <span style={{ whiteSpace: "nowrap" }}>
          <InlineText
            label={`How many of ${thing.name}`}
            value={String(thing.count)}
            align="right"
            numeric
            width="6ch"
            check={wholeNumber(0)}
            onCommit={(count) => onChange("changed a count", { count: Number(count.trim()) })}
          />
          {known && thing.kind !== "stamp" && known.left !== known.thing.count * known.thing.each && (
            <Box component="small" sx={{ color: colours.ochre, pl: 0.5 }}>
              {known.left} left
            </Box>
          )}
        </span>
        <span style={{ whiteSpace: "nowrap" }}>
          {BY_LENGTH.includes(thing.kind) ? (
            <>
              {"each "}
              <LengthField
                label={`Length of ${thing.name}`}
                unit
                range="supply"
                value={thing.length}
                onCommit={(length) => onChange("changed a length", { length }, "length")}
              />
            </>
          ) : (
            <>
              <LengthField
                label={`Width of ${thing.name}`}
                value={thing.width}
                onCommit={(width) => onChange("measured a thing", { width }, "width")}
              />
              {" × "}
              <LengthField
                label={`Height of ${thing.name}`}
                value={thing.height}
                onCommit={(height) => onChange("measured a thing", { height }, "height")}
              />
            </>
          )}
        </span>
        <InlineText
          label={`Note on ${thing.name}`}
          value={thing.note}
          width="100%"
          placeholder="note"
          onCommit={(note) => onChange("wrote a note", { note: cutTo(note, 500) })}
        />
        <Button
          size="small"
          aria-expanded={open}
          aria-label={`How ${thing.name} looks`}
          onClick={() => setOpen(!open)}
          sx={{ minWidth: 40, px: 0.5 }}
        >
          Look
        </Button>
        <IconAction small icon="bin" name={`Take ${thing.name} out`} onClick={onRemove} />
      </Box>
      {open && <ThingLooks thing={thing} onChange={onChange} onCut={(upright, at) => void cut(upright, at)} />}
    </Box>
  );
}
