/** How one side of a paper looks: pattern, colours, busy, direction, scale, or a photograph of the sheet. */

import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { patternsQuery, type Side } from "../../api/kits";
import { DAY, colours as ink } from "../../app/theme";
import { NOTHING } from "../../page/scale";
import { Sentence } from "../../parts/Sentence";
import { Choice } from "../../ui/Choice";
import { IconAction } from "../../ui/IconAction";
import { LengthField } from "../../ui/LengthField";
import { Swatch } from "../../ui/Swatch";
import { Colours } from "./Colours";
import { BUSY, common, DIRECTIONS, type SideProps } from "./papers";
import { SheetPhoto } from "./SheetPhoto";

export function SideEditor({ face, papers, palette, onChange }: SideProps) {
  const sides = papers.map((paper) => (face === "A" ? paper.a : paper.b));
  const first = sides[0];
  const [photographing, setPhotographing] = useState(false);
  const { data: patterns = [] } = useQuery(patternsQuery(first?.colours ?? ["#ffffff"]));
  if (!first) return null;
  const pattern = common(sides, (s) => s.pattern);
  const chosen = patterns.find((p) => p.name === pattern) ?? null;
  const name = `${face} side`;
  const picture = common(sides, (s) => s.picture);
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, p: 0, pt: 1 }}>
      <Box component="legend" sx={{ fontWeight: 700, p: 0 }}>
        {name}
      </Box>
      <Sentence>
        <PatternPicker
          label={`${name}: pattern`}
          patterns={patterns}
          named={pattern}
          onChange={(p) =>
            onChange(`made a side ${p.name}`, (side) => ({
              ...side,
              pattern: p.name,
              busy: p.busy,
              direction: p.direction,
              scale: NOTHING,
              picture: null,
              colours: fitting(side.colours, p.name),
            }))
          }
        />
        {picture && (
          <>
            shown as its photograph
            <IconAction
              small
              icon="bin"
              name="Show the drawn pattern again"
              onClick={() => onChange("took the photograph off", (side) => ({ ...side, picture: null }))}
            />
          </>
        )}
      </Sentence>
      {common(sides, (s) => s.colours.join(" ")) === null ? (
        <Button
          size="small"
          onClick={() => onChange("gave all the same colours", (side) => ({ ...side, colours: first.colours }))}
        >
          Several colours: give all those of {papers[0]?.name}
        </Button>
      ) : (
        <Colours name={name} face={face} colours={first.colours} palette={palette} onChange={onChange} />
      )}
      <Sentence>
        <Choice
          label={`${name}: busy`}
          value={String(common(sides, (s) => s.busy) ?? "")}
          options={several(
            BUSY,
            common(sides, (s) => s.busy),
          )}
          onChange={(busy) =>
            busy && onChange("changed how busy it is", (side) => ({ ...side, busy: Number(busy) }))
          }
        />
        <Choice
          label={`${name}: direction`}
          value={common(sides, (s) => s.direction) ?? ""}
          options={several(
            DIRECTIONS,
            common(sides, (s) => s.direction),
          )}
          onChange={(direction) =>
            direction &&
            onChange("changed its direction", (side) => ({ ...side, direction: direction as Side["direction"] }))
          }
        />
        {pattern !== "plain" && (
          <>
            repeats every
            <LengthField
              label={`${name}: scale`}
              range="gap"
              value={first.scale === NOTHING ? (chosen?.scale ?? null) : common(sides, (s) => s.scale)}
              onCommit={(scale) => onChange("changed its scale", (side) => ({ ...side, scale }), `${face} scale`)}
            />
          </>
        )}
      </Sentence>
      {papers.length === 1 && (
        <Button size="small" onClick={() => setPhotographing(true)}>
          Use a photograph of the sheet
        </Button>
      )}
      {photographing && papers[0] && (
        <SheetPhoto
          paper={papers[0]}
          onClose={() => setPhotographing(false)}
          onDone={(id) => onChange("took a photograph of the sheet", (side) => ({ ...side, picture: id }))}
        />
      )}
    </Box>
  );
}

/** Choices with a word for "they differ" in front where they do. */
export function several<V extends string>(
  options: readonly (readonly [V, string])[],
  value: unknown,
): readonly (readonly [V | "", string])[] {
  return value === null ? [["", "several"], ...options] : options;
}

/** A pattern wants a second colour to be seen at all. */
function fitting(colours: string[], pattern: string): string[] {
  return pattern !== "plain" && colours.length === 1 ? [colours[0] ?? "#ffffff", DAY.verdigris] : colours;
}

function PatternPicker(props: {
  label: string;
  patterns: Schemas["PatternOut"][];
  /** What it is called now, or null where several differ. */
  named: string | null;
  onChange: (pattern: Schemas["PatternOut"]) => void;
}) {
  return (
    <Autocomplete
      size="small"
      options={props.patterns}
      // Known by its name alone: patterns that come late must not take away what was typed meanwhile.
      value={(props.named === null ? null : { name: props.named }) as Schemas["PatternOut"]}
      disableClearable
      autoHighlight
      openOnFocus
      getOptionLabel={(p) => p.name}
      isOptionEqualToValue={(a, b) => a.name === b.name}
      onChange={(_, pattern) => pattern && props.onChange(pattern)}
      noOptionsText="No pattern is called so."
      slotProps={{ listbox: { style: { maxHeight: 380 } } }}
      renderOption={({ key, ...rest }, p) => (
        <Box component="li" key={key} {...rest} sx={{ gap: 1.5, minHeight: 44 }}>
          <Swatch tile={p.tile} width={52} height={36} inches={3} />
          {p.name}
        </Box>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          variant="standard"
          placeholder="pattern"
          slotProps={{
            ...params.slotProps,
            htmlInput: { ...params.slotProps?.htmlInput, "aria-label": props.label },
          }}
        />
      )}
      sx={{ width: 170, "& .MuiInputBase-root": { background: ink.tint, borderRadius: "3px 3px 0 0" } }}
    />
  );
}
