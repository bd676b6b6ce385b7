/** A strip whose one edge is whole scallops. */
import type { Part, PartProps } from "./kinds";
import { Sentence } from "./Sentence";
import { LengthValue, PaperValue, PlaceOf, WordValue } from "./values";

export function EdgingFields(of: PartProps<Extract<Part, { kind: "edging" }>>) {
  return (
    <>
      <Sentence>
        Edging
        <LengthValue of={of} field="length" label="Edging length" />×
        <LengthValue of={of} field="depth" label="Edging depth" />, scallops about
        <LengthValue of={of} field="scallop" label="Scallop width" />
        wide at its
        <WordValue
          of={of}
          field="edge"
          label="Scalloped edge"
          options={[
            ["bottom", "bottom"],
            ["top", "top"],
          ]}
        />
      </Sentence>
      <PaperValue of={of} field="choice" label="Edging paper" />
      <PlaceOf of={of} />
    </>
  );
}
