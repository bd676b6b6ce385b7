/** Grounds of several papers, mitred borders, torn strips, stitching. */

import { CountField } from "../ui/CountField";
import type { MitredPart, PaperedPart, PartProps, StitchingPart, TornPart } from "./kinds";
import { hasLength } from "./kinds";
import { Sentence } from "./Sentence";
import { CountValue, LengthValue, PapersValue, PaperValue, PlaceOf, SeedButton, WordValue } from "./values";

export function PaperedFields(of: PartProps<PaperedPart>) {
  const { part } = of;
  return (
    <>
      <Sentence>
        Papered
        <WordValue
          of={of}
          field="along"
          label="Way"
          options={[
            ["row", "side by side"],
            ["column", "one above the other"],
          ]}
        />
        <LengthValue of={of} field="border" label="Border" range="gap" />
        left all round
      </Sentence>
      <PapersValue of={of} />
      <Sentence>
        shared
        {part.papers.map((_, k) => (
          <CountField
            // biome-ignore lint/suspicious/noArrayIndexKey: a share is its place in the row
            key={k}
            label={`Share of paper ${k + 1}`}
            value={part.shares[k] ?? 1}
            most={100}
            onCommit={(share) => {
              const shares = part.papers.map((_, n) => (n === k ? share : (part.shares[n] ?? 1)));
              of.onChange("changed the shares", { ...part, shares }, "shares");
            }}
          />
        ))}
      </Sentence>
      <Sentence>
        seams under a strip of
        <LengthValue of={of} field="strip" label="Strip over seams" range="gap" />
        {hasLength(part.strip) && <PaperValue of={of} field="strip_choice" label="Paper of the strip" />}
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

export function MitredFields(of: PartProps<MitredPart>) {
  return (
    <>
      <Sentence>
        Mitred border, shows
        <LengthValue of={of} field="shows" label="Border that shows" />
        and
        <LengthValue of={of} field="under" label="Overlap" range="gap" />
        more under what lies on it
      </Sentence>
      <Sentence>
        from
        <PaperValue of={of} field="choice" label="Border paper" />
        stripes
        <WordValue
          of={of}
          field="stripes"
          label="Stripes"
          options={[
            ["along", "along the strips"],
            ["across", "across the strips"],
          ]}
        />
      </Sentence>
      <Sentence>
        <LengthValue of={of} field="trim" label="Inside the edge" range="gap" />
        inside the edge
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

export function TornFields(of: PartProps<TornPart>) {
  return (
    <>
      <Sentence>
        <CountValue of={of} field="layers" label="Layers" />
        torn
        <LengthValue of={of} field="width" label="Torn width" />×
        <LengthValue of={of} field="length" label="Torn length" />
        {of.part.layers > 1 && (
          <>
            , each
            <LengthValue of={of} field="step" label="Step" range="gap" />
            further
          </>
        )}
      </Sentence>
      <Sentence>
        torn at the
        <WordValue
          of={of}
          field="edge"
          label="Torn edge"
          options={[
            ["bottom", "bottom"],
            ["top", "top"],
            ["left", "left"],
            ["right", "right"],
            ["top and bottom", "top and the bottom"],
            ["left and right", "left and the right"],
          ]}
        />
        in a hill
        <LengthValue of={of} field="rise" label="Height of the hill" range="gap" />
        high
      </Sentence>
      <Sentence>
        cut
        <LengthValue of={of} field="allowance" label="Tear allowance" range="gap" />
        wider, core
        <WordValue
          of={of}
          field="core_side"
          label="Core"
          options={[
            ["seen", "seen"],
            ["hidden", "hidden"],
          ]}
        />
        <SeedButton of={of} words="Tear it another way" />
      </Sentence>
      <PapersValue of={of} />
      <PlaceOf of={of} />
    </>
  );
}

export function StitchingFields(of: PartProps<StitchingPart>) {
  return (
    <>
      <Sentence>
        Stitched
        <WordValue
          of={of}
          field="sides"
          label="Sides"
          options={(
            ["all round", "top", "bottom", "left", "right", "top and bottom", "left and right"] as const
          ).map((side) => [side, side] as const)}
        />
        <LengthValue of={of} field="inset" label="Inside the edge" range="gap" />
        inside the edge
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}
