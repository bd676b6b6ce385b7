/** The things of a kit that are stuck on: kind, count, and a length where it is ribbon, twine or tape. */

import Box from "@mui/material/Box";
import type { Thing } from "../../api/kits";
import { useUsual } from "../../api/usual";
import { colours } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { IconAction } from "../../ui/IconAction";
import { aName, InlineText, wholeNumber } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";
import { cutTo } from "../../ui/letters";
import { NextName } from "./NextName";
import { newThing, THING_KINDS } from "./papers";

interface Props {
  things: Thing[];
  onChange: (what: string, things: Thing[], group?: string) => void;
}

const BY_LENGTH: readonly Thing["kind"][] = ["ribbon", "twine", "tape"];

export function ThingList({ things, onChange }: Props) {
  const usual = useUsual();
  const replace = (id: string, change: Partial<Thing>) =>
    things.map((t) => (t.id === id ? { ...t, ...change } : t));
  return (
    <Box>
      {things.map((thing) => (
        <Box
          key={thing.id}
          role="group"
          aria-label={thing.name}
          sx={{
            display: "grid",
            gridTemplateColumns: "minmax(140px, 1.2fr) 150px 70px 130px minmax(120px, 1fr) 40px",
            gap: 1,
            alignItems: "center",
            px: 1.5,
            py: 0.75,
            borderBottom: `1px solid ${colours.line}`,
          }}
        >
          <InlineText
            label={`Name of ${thing.name}`}
            value={thing.name}
            width="100%"
            check={aName}
            onCommit={(name) => onChange("named a thing", replace(thing.id, { name: name.trim() }))}
          />
          <Choice
            label={`Kind of ${thing.name}`}
            value={thing.kind}
            options={THING_KINDS.map((kind) => [kind, kind] as const)}
            onChange={(kind) => onChange("changed a thing’s kind", replace(thing.id, { kind }))}
          />
          <InlineText
            label={`How many of ${thing.name}`}
            value={String(thing.count)}
            align="right"
            numeric
            width="6ch"
            check={wholeNumber(0)}
            onCommit={(count) => onChange("changed a count", replace(thing.id, { count: Number(count.trim()) }))}
          />
          <span>
            {BY_LENGTH.includes(thing.kind) && (
              <>
                {"each "}
                <LengthField
                  label={`Length of ${thing.name}`}
                  unit
                  range="supply"
                  value={thing.length}
                  onCommit={(length) =>
                    onChange("changed a length", replace(thing.id, { length }), `length ${thing.id}`)
                  }
                />
              </>
            )}
          </span>
          <InlineText
            label={`Note on ${thing.name}`}
            value={thing.note}
            width="100%"
            placeholder="note"
            onCommit={(note) => onChange("wrote a note", replace(thing.id, { note: cutTo(note, 500) }))}
          />
          <IconAction
            small
            icon="bin"
            name={`Take ${thing.name} out`}
            onClick={() =>
              onChange(
                "took a thing out",
                things.filter((t) => t.id !== thing.id),
              )
            }
          />
        </Box>
      ))}
      <NextName
        label="Name of the next thing"
        onAdd={(name) => onChange("added a thing", [...things, newThing(usual, name, things.at(-1))])}
      />
    </Box>
  );
}
