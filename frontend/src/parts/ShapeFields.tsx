/** Shapes, pockets, rows and rings, cards, tape, axes. */

import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { kitsQuery } from "../api/kits";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { ThingPicker } from "../ui/ThingPicker";
import { CardChoice } from "./CardChoice";
import type { AxisPart, CardPart, CutoutPart, PartProps, PocketPart, RoundsPart, TapePart } from "./kinds";
import { MatList } from "./MatList";
import { OpeningFields } from "./OpeningFields";
import { usePageHere } from "./PageHere";
import { Sentence } from "./Sentence";
import {
  AngleValue,
  CountValue,
  EitherValue,
  FIGURES,
  LengthValue,
  PapersValue,
  PaperValue,
  PlaceOf,
  WordValue,
} from "./values";

const CUTS: Partial<Record<CutoutPart["figure"], string>> = {
  rounded: "corners rounded by",
  banner: "v cut",
  tag: "corners clipped by",
  scalloped: "scallops about",
  "scalloped round": "scallops about",
};

const HALVES = [
  ["", "whole"],
  ["left", "left half of a"],
  ["right", "right half of a"],
  ["top", "upper half of a"],
  ["bottom", "lower half of a"],
] as const;

export function CutoutFields(of: PartProps<CutoutPart>) {
  const usual = useUsual();
  const { part, onChange } = of;
  const cut = CUTS[part.figure];
  return (
    <>
      <Sentence>
        <WordValue of={of} field="half" label="Whole or half" options={HALVES} />
        <WordValue of={of} field="figure" label="Figure" options={FIGURES} />
        <LengthValue of={of} field="width" label="Shape width" />×
        <LengthValue of={of} field="height" label="Shape height" />
        {cut && (
          <>
            {cut}
            <LengthValue of={of} field="cut" label="Its own measure" range="gap" />
          </>
        )}
      </Sentence>
      <Sentence>
        from
        <PaperValue of={of} field="choice" label="Shape paper" />
        <AngleValue of={of} />
      </Sentence>
      <Sentence>
        <Choice
          label="Hole"
          value={part.hole === null ? "none" : "hole"}
          options={[
            ["none", "no hole"],
            ["hole", "a hole, from the top"],
          ]}
          onChange={(way) =>
            onChange("changed the hole", { ...part, hole: way === "none" ? null : usual.from_edge })
          }
        />
        {part.hole !== null && (
          <>
            <LengthValue of={of} field="hole" label="Hole from the top" range="gap" />
            <EitherValue of={of} field="reinforced" label="Reinforcers" yes="reinforced in" no="not reinforced" />
            {part.reinforced && <PaperValue of={of} field="ring" label="Reinforcer paper" />}
          </>
        )}
      </Sentence>
      <MatList
        part={part.id}
        mats={part.mats}
        onChange={(what, mats, group) => onChange(what, { ...part, mats }, group)}
      />
      <PlaceOf of={of} />
    </>
  );
}

export function PocketFields(of: PartProps<PocketPart>) {
  const { part, onChange } = of;
  const usual = useUsual();
  return (
    <>
      <Sentence>
        Pocket
        <LengthValue of={of} field="width" label="Pocket width" />×
        <LengthValue of={of} field="height" label="Pocket height" />
        from
        <PaperValue of={of} field="choice" label="Pocket paper" />
      </Sentence>
      <Sentence>
        fixed
        <LengthValue of={of} field="seam" label="Seam" range="gap" />
        inside three edges
      </Sentence>
      <Sentence>
        {part.inside ? (
          <>
            in it
            <CountValue of={of} field="tags" label="How many tags" />
            of
            <PaperValue of={of} field="inside" label="Paper of what goes in" />
            <Choice
              label="Width of what goes in"
              value={part.tag_width === null ? "fits" : "own"}
              options={[
                ["fits", "as wide as fits"],
                ["own", "wide"],
              ]}
              onChange={(way) =>
                onChange("changed what goes in", {
                  ...part,
                  tag_width: way === "fits" ? null : usual.print.width,
                })
              }
            />
            {part.tag_width !== null && <LengthValue of={of} field="tag_width" label="Tag width" />}
            <LengthValue of={of} field="out" label="Out at the top" range="gap" />
            out at the top
            <Button size="small" onClick={() => onChange("took out what goes in", { ...part, inside: null })}>
              Nothing in it
            </Button>
          </>
        ) : (
          <Button size="small" onClick={() => onChange("put something in", { ...part, inside: usual.choice })}>
            Something to go in
          </Button>
        )}
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

export function RoundsFields(of: PartProps<RoundsPart>) {
  const { part, onChange } = of;
  const here = usePageHere();
  return (
    <>
      <Sentence>
        {!part.thing && (
          <>
            <WordValue of={of} field="figure" label="Figure" options={FIGURES} />
            <LengthValue of={of} field="size" label="Size" />
          </>
        )}
        <ThingPicker
          label="Of things"
          value={part.thing}
          page={here?.id}
          onChange={(thing, name) => onChange(thing ? `chose ${name}` : "took the things away", { ...part, thing })}
        />
        in a
        <WordValue
          of={of}
          field="path"
          label="Path"
          options={[
            ["row", "row"],
            ["column", "column"],
            ["ring", "ring"],
            ["round the edge", "round, along an edge"],
          ]}
        />
        of
        <LengthValue of={of} field="length" label="Length" />
        {part.path === "round the edge" && (
          <>
            ×<LengthValue of={of} field="height" label="Height" />
          </>
        )}
      </Sentence>
      <Sentence>
        about
        <LengthValue of={of} field="pitch" label="Pitch" />
        from middle to middle
        {part.path === "ring" && (
          <EitherValue of={of} field="outward" label="Which way up" yes="turned outward" no="all upright" />
        )}
      </Sentence>
      {part.thing ? (
        part.path === "ring" && (
          <Sentence>
            a gap, where there are too few,
            <WordValue
              of={{ ...of, part: { ...part, gap_at: String(part.gap_at) } as never }}
              field="gap_at"
              label="Where the gap is"
              options={[
                ["0", "at the top"],
                ["0.25", "on the right"],
                ["0.5", "at the bottom"],
                ["0.75", "on the left"],
              ]}
            />
          </Sentence>
        )
      ) : (
        <PapersValue of={of} />
      )}
      <PlaceOf of={of} />
    </>
  );
}

export function CardFields(of: PartProps<CardPart>) {
  const { part, onChange } = of;
  return (
    <>
      <Sentence>
        Card
        <CardChoice value={part} onChange={(what, change) => onChange(what, { ...part, ...change })} />
      </Sentence>
      <Sentence>
        cut as a
        <WordValue of={of} field="figure" label="Figure" options={FIGURES} />
        <AngleValue of={of} />, a motif with a rim of
        <LengthValue of={of} field="rim" label="Rim of a motif" range="gap" />
      </Sentence>
      <OpeningFields {...of} />
      <MatList
        part={part.id}
        mats={part.mats}
        onChange={(what, mats, group) => onChange(what, { ...part, mats }, group)}
      />
      <PlaceOf of={of} />
    </>
  );
}

export function TapeFields(of: PartProps<TapePart>) {
  const usual = useUsual();
  const { part, onChange } = of;
  const kits = useQuery(kitsQuery).data ?? [];
  const rolls = kits.flatMap((kit) => kit.kit.things).filter((thing) => thing.kind === "tape");
  return (
    <>
      <Sentence>
        Tape
        <Choice
          label="Roll"
          value={part.thing ?? ""}
          options={[["", "any roll"], ...rolls.map((thing) => [thing.id, thing.name] as const)]}
          onChange={(id) => onChange("chose a roll", { ...part, thing: id || null })}
        />
        <LengthValue of={of} field="width" label="Tape width" />
        wide
        <input
          type="color"
          aria-label="Colour of the tape"
          value={part.colour}
          style={{ width: 34, height: 28, border: 0, padding: 0, background: "none" }}
          onChange={(event) => onChange("changed the colour", { ...part, colour: event.target.value }, "colour")}
        />
      </Sentence>
      <Sentence>
        <EitherValue of={of} field="upright" label="Which way it runs" yes="down" no="across" />
        <Choice
          label="How long"
          value={part.length === null ? "edge" : "own"}
          options={[
            ["edge", "from edge to edge"],
            ["own", "for"],
          ]}
          onChange={(way) =>
            onChange("changed the length", { ...part, length: way === "edge" ? null : usual.print.width })
          }
        />
        {part.length !== null && <LengthValue of={of} field="length" label="Tape length" />}
        <Choice
          label="Wrapped ends"
          value={String(part.wrapped)}
          options={[
            ["0", "no end wrapped"],
            ["1", "one end wrapped"],
            ["2", "both ends wrapped"],
          ]}
          onChange={(ends) => onChange("changed the ends", { ...part, wrapped: Number(ends) })}
        />
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

export function AxisFields(of: PartProps<AxisPart>) {
  const { run } = of.part;
  return (
    <>
      <Sentence>
        A
        <WordValue
          of={of}
          field="run"
          label="Run"
          options={[
            ["horizon", "horizon"],
            ["column", "column"],
            ["falling", "falling diagonal"],
            ["rising", "rising diagonal"],
            ["ring", "ring"],
          ]}
        />
        of
        <LengthValue of={of} field="length" label="Axis length" />
        {run !== "horizon" && run !== "column" && (
          <>
            ×<LengthValue of={of} field="height" label="Axis height" />
          </>
        )}
        to stand parts on
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}
