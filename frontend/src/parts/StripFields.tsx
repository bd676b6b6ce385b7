/** Bands of strips, and pieced work. */

import { Choice } from "../ui/Choice";
import type { BandPart, PartProps, PiecedPart } from "./kinds";
import { Sentence } from "./Sentence";
import {
  CountValue,
  EitherValue,
  LengthValue,
  PapersValue,
  PaperValue,
  PlaceOf,
  SeedButton,
  WordValue,
} from "./values";

export function BandFields(of: PartProps<BandPart>) {
  const { part } = of;
  return (
    <>
      <Sentence>
        <CountValue of={of} field="count" label="Strips" least={0} />
        <EitherValue of={of} field="upright" label="Lie or stand" yes="upright" no="sideways" />
        strips
        <LengthValue of={of} field="width" label="Strip width" />×
        <LengthValue of={of} field="length" label="Strip length" />
      </Sentence>
      <Sentence>
        gap
        <LengthValue of={of} field="gap" label="Gap" range="offset" />
        <WordValue
          of={of}
          field="way"
          label="How the ends lie"
          options={[
            ["flush", "flush"],
            ["staggered", "staggered"],
            ["stepped", "stepped"],
            ["ragged", "ragged"],
          ]}
        />
        {part.way !== "flush" && (
          <>
            by
            <LengthValue of={of} field="by" label="Stagger" range="gap" />
          </>
        )}
      </Sentence>
      <PapersValue of={of} />
      <Sentence>
        <EitherValue of={of} field="drawn" label="Order of papers" yes="in random order" no="in turn" />
        <EitherValue
          of={of}
          field="doubled"
          label="Twice running"
          yes="each twice running"
          no="never twice running"
        />
        {(part.drawn || part.way === "ragged") && <SeedButton of={of} words="Another arrangement" />}
        <OverValue of={of} />
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

export function PiecedFields(of: PartProps<PiecedPart>) {
  const { part } = of;
  return (
    <>
      <Sentence>
        <WordValue
          of={of}
          field="pattern"
          label="Pattern"
          options={[
            ["strips", "strips"],
            ["log cabin", "log cabin"],
            ["pinwheel", "pinwheel"],
            ["herringbone", "herringbone"],
            ["sunburst", "sunburst"],
            ["triangle", "triangle"],
          ]}
        />
        <LengthValue of={of} field="width" label="Block width" />×
        <LengthValue of={of} field="height" label="Block height" />
      </Sentence>
      <Sentence>
        {part.pattern === "sunburst" ? (
          <>
            of
            <CountValue of={of} field="rays" label="Rays" least={0} />
            rays
          </>
        ) : (
          <>
            of strips
            <LengthValue of={of} field="strip" label="Strip width" />
          </>
        )}
        {part.pattern === "triangle" && (
          <>
            at
            <CountValue of={of} field="angle" label="Angle of the strips" least={0} />°
            <WordValue
              of={of}
              field="arms"
              label="Arms"
              options={[
                ["rising", "rising outward"],
                ["falling", "falling outward"],
              ]}
            />
          </>
        )}
        <OverValue of={of} />
      </Sentence>
      <PapersValue of={of} />
      <Sentence>
        papers
        <WordOrSeed of={of} />
      </Sentence>
      <Sentence>
        block
        <CountValue of={of} field="block" label="Which block of its set" />
        of
        <CountValue of={of} field="blocks" label="Blocks of the set" />
        from one set of strips,
        <EitherValue of={of} field="backed" label="Backing" yes="glued on a backing" no="without a backing" />
        {part.backed && <PaperValue of={of} field="backing" label="Backing paper" />}
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

/** Two schools; where nothing is said the house rule decides. */
function OverValue<P extends { over: boolean | null }>({ of }: { of: PartProps<P> }) {
  const { part, onChange } = of;
  const label = "Cut to size or longer";
  return (
    <Choice
      label={label}
      value={part.over === null ? "" : part.over ? "longer" : "exact"}
      options={[
        ["", "cut as the house rule has it"],
        ["exact", "cut exactly"],
        ["longer", "cut 1/4 longer and trimmed"],
      ]}
      onChange={(next) =>
        onChange(`changed the ${label.toLowerCase()}`, { ...part, over: next ? next === "longer" : null })
      }
    />
  );
}

/** In turn, or drawn: a seed that is not there lays them in turn. */
function WordOrSeed({ of }: { of: PartProps<PiecedPart> }) {
  const { part, onChange } = of;
  return (
    <>
      <SeedButton of={of} words={part.seed === null ? "Shuffle them" : "Another arrangement"} />
      {part.seed !== null && (
        <button
          type="button"
          style={{ font: "inherit", background: "none", border: 0, textDecoration: "underline", cursor: "pointer" }}
          onClick={() => onChange("laid the papers in turn", { ...part, seed: null })}
        >
          in turn again
        </button>
      )}
      <EitherValue
        of={of}
        field="doubled"
        label="Twice running"
        yes="each twice running"
        no="never twice running"
      />
    </>
  );
}
