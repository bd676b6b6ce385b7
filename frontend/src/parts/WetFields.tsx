/** Wet work: with what, in which colour, how thick, over which region. */
import { useUsual } from "../api/usual";
import { colours } from "../app/theme";
import { InlineText } from "../ui/InlineText";
import type { PartProps, WetPart } from "./kinds";
import { OwnLength } from "./OwnLength";
import { Sentence } from "./Sentence";
import { EitherValue, LengthValue, PlaceOf, WordValue } from "./values";

export function WetFields(of: PartProps<WetPart>) {
  const { part, onChange } = of;
  const { narrow, wide } = useUsual();
  return (
    <>
      <Sentence>
        <WordValue
          of={of}
          field="medium"
          label="With what"
          options={[
            ["wash", "a wash"],
            ["gesso", "gesso"],
            ["mist", "mist"],
            ["spatter", "spatter"],
            ["paste", "paste through a stencil"],
            ["powder", "ink and powder"],
          ]}
        />
        <input
          type="color"
          aria-label="Its colour"
          value={part.colour}
          onChange={(event) => onChange("changed the colour", { ...part, colour: event.target.value }, "colour")}
          style={{ width: 44, height: 36, border: `1px solid ${colours.line}`, background: "none" }}
        />
        called
        <InlineText
          label="What the colour is called"
          value={part.name}
          width="12ch"
          onCommit={(name) => onChange("named the colour", { ...part, name: name.trim() })}
        />
        <EitherValue of={of} field="thick" label="Coat" yes="a thick coat" no="a thin coat" />
      </Sentence>
      <Sentence>
        {part.trim === null && (
          <>
            over
            <LengthValue of={of} field="width" label="Width" />×
            <LengthValue of={of} field="height" label="Height" />
          </>
        )}
        <OwnLength
          label="Rim left free"
          value={part.trim}
          without="Over all that it lies on"
          begins={narrow}
          before="over all of it but a rim of"
          leave="Over a size of its own"
          onChange={(what, trim, group) => onChange(what, { ...part, trim }, group)}
        />
      </Sentence>
      <Sentence>
        <OwnLength
          label="How far in it is wet"
          value={part.spared}
          without="Leave its middle free"
          begins={wide}
          before="its middle free, wet for"
          after="from its edge"
          leave="All of it wet"
          onChange={(what, spared, group) => onChange(what, { ...part, spared }, group)}
        />
      </Sentence>
      {part.trim === null && <PlaceOf of={of} />}
    </>
  );
}
