/** How a thing looks and is fixed: its figure, colours, style, words, the way it points; and one of them cut in two. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Thing } from "../../api/kits";
import { useUsual } from "../../api/usual";
import { OwnLength } from "../../parts/OwnLength";
import { Sentence } from "../../parts/Sentence";
import { FIGURES } from "../../parts/values";
import { Choice } from "../../ui/Choice";
import { CountField } from "../../ui/CountField";
import { Icon } from "../../ui/Icon";
import { IconAction } from "../../ui/IconAction";
import { InlineText } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";

interface Props {
  thing: Thing;
  onChange: (what: string, change: Partial<Thing>, group?: string) => void;
  onCut: (upright: boolean, at: string | null) => void;
}

const SAYS = 120;
const MOST_COLOURS = 5;

export function ThingLooks({ thing, onChange, onCut }: Props) {
  const usual = useUsual();
  const [at, setAt] = useState<string | null>(null);
  const put = (list: string[], group?: string) => onChange("changed a thing’s colours", { colours: list }, group);
  return (
    <Box sx={{ pl: 6 }}>
      <Sentence>
        {thing.outline.length > 0 ? (
          <>
            of its own outline
            <Button size="small" onClick={() => onChange("took its outline away", { outline: [] })}>
              A figure instead
            </Button>
          </>
        ) : (
          <Choice
            label={`Figure of ${thing.name}`}
            value={thing.figure}
            options={[["", "the usual figure"], ...FIGURES]}
            onChange={(figure) => onChange("changed a figure", { figure })}
          />
        )}
        <Choice
          label={`Style of ${thing.name}`}
          value={thing.drawn}
          options={[
            ["", "of no style"],
            ["plain", "plain"],
            ["outlined", "outlined"],
            ["painted", "painted"],
            ["photographic", "photographic"],
          ]}
          onChange={(drawn) => onChange("changed a style", { drawn })}
        />
        in
        {thing.colours.map((colour, k) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a colour is its place in the list
          <span key={k} style={{ display: "inline-flex", alignItems: "center" }}>
            <input
              type="color"
              aria-label={`Colour ${k + 1} of ${thing.name}`}
              value={colour}
              style={{ width: 34, height: 28, border: 0, padding: 0, background: "none" }}
              onChange={(event) =>
                put(
                  thing.colours.map((old, n) => (n === k ? event.target.value : old)),
                  `colour ${k}`,
                )
              }
            />
            <IconAction
              small
              icon="bin"
              name={`Take colour ${k + 1} of ${thing.name} away`}
              onClick={() => put(thing.colours.filter((_, n) => n !== k))}
            />
          </span>
        ))}
        {thing.colours.length < MOST_COLOURS && (
          <Button
            size="small"
            startIcon={<Icon name="add" size={16} />}
            onClick={() => put([...thing.colours, thing.colours.at(-1) ?? "#cfc4ae"])}
          >
            Colour
          </Button>
        )}
      </Sentence>
      <Sentence>
        says
        <InlineText
          label={`Words on ${thing.name}`}
          placeholder="nothing"
          value={thing.says}
          width="18ch"
          onCommit={(says) => onChange("wrote what it says", { says: says.trim().slice(0, SAYS) })}
        />
        <Choice
          label={`Way of ${thing.name}`}
          value={thing.points}
          options={[
            ["", "points no way"],
            ["up", "points or looks up"],
            ["right", "points or looks right"],
            ["down", "points or looks down"],
            ["left", "points or looks left"],
          ]}
          onChange={(points) => onChange("changed the way it points", { points })}
        />
        <Choice
          label={`Fixing of ${thing.name}`}
          value={thing.fixing}
          options={[
            ["own adhesive", "with adhesive of its own"],
            ["glue", "glued"],
            ["foam squares", "on foam squares"],
            ["pierced", "pierced"],
            ["clipped on", "clipped on"],
          ]}
          onChange={(fixing) => onChange("changed how it is fixed", { fixing })}
        />
      </Sentence>
      <Sentence>
        <LengthField
          label={`Thickness of ${thing.name}`}
          range="gap"
          value={thing.thickness}
          onCommit={(thickness) => onChange("measured a thing", { thickness }, "thickness")}
        />
        thick,
        <Choice
          label={`Ground of ${thing.name}`}
          value={thing.clear ? "clear" : thing.rim ? "rim" : "plain"}
          options={[
            ["plain", "opaque"],
            ["clear", "clear: what is under it is seen"],
            ["rim", "with a white rim"],
          ]}
          onChange={(ground) =>
            onChange("changed its ground", { clear: ground === "clear", rim: ground === "rim" })
          }
        />
        {thing.kind === "strip of gems" && (
          <>
            <CountField
              label={`How many on one strip of ${thing.name}`}
              value={thing.each}
              most={1000}
              onCommit={(each) => onChange("counted a strip", { each })}
            />
            on one strip
          </>
        )}
        {thing.width === null && (
          <Button
            size="small"
            onClick={() => onChange("began to measure", { width: usual.apart, height: usual.apart })}
          >
            Measure it
          </Button>
        )}
      </Sentence>
      <Sentence>
        <Button size="small" disabled={!thing.count} onClick={() => onCut(true, at)}>
          {at ? "Cut one from its left" : "Cut one down the middle"}
        </Button>
        <Button size="small" disabled={!thing.count} onClick={() => onCut(false, at)}>
          {at ? "Cut one from its top" : "Cut one across"}
        </Button>
        <OwnLength
          label={`Where ${thing.name} is cut`}
          value={at}
          without="in the middle"
          begins={usual.border}
          before="at"
          leave="In the middle"
          onChange={(_, length) => setAt(length)}
        />
      </Sentence>
    </Box>
  );
}
