import Button from "@mui/material/Button";
import { HandFields } from "./HandFields";
import type { PartProps, WordStripsPart } from "./kinds";
import { PartText } from "./PartText";
import { Sentence } from "./Sentence";
import { LengthValue, PapersValue, PlaceOf, WordValue } from "./values";
import { WordsPrint } from "./WordsPrint";

const LONGEST = 4_000;

export function WordStripsFields(of: PartProps<WordStripsPart>) {
  const { part, onChange } = of;
  return (
    <>
      <PartText
        label="What the strips say"
        placeholder="A line a strip; what is too long goes on to the next"
        rows={3}
        most={LONGEST}
        value={part.text}
        onChange={(text) => onChange("wrote words", { ...part, text, parted: [] }, "text")}
      />
      <HandFields value={part.hand} onChoose={(hand, name) => onChange(`wrote in ${name}`, { ...part, hand })} />
      <Sentence>
        strips
        <LengthValue of={of} field="height" label="Height of the strips" /> high,
        <LengthValue of={of} field="apart" label="Gap between the strips" range="gap" /> apart, at most
        <LengthValue of={of} field="width" label="Longest strip" /> long,
      </Sentence>
      <Sentence>
        cut
        <WordValue
          of={of}
          field="cut"
          label="How the strips are cut"
          options={[
            ["close", "close to their words"],
            ["alike", "as long as the longest"],
          ]}
        />
        with
        <LengthValue of={of} field="ends" label="Left at the ends" range="gap" /> at the ends, each
        <LengthValue of={of} field="step" label="Step of the strips" range="offset" /> further right
      </Sentence>
      {part.parted.length > 0 && (
        <Sentence inset>
          {part.parted.map((one) => `strip ${one.strip} in two after word ${one.after}`).join(", ")}
          <Button size="small" onClick={() => onChange("left the strips whole", { ...part, parted: [] })}>
            All in one
          </Button>
        </Sentence>
      )}
      <PapersValue of={of} />
      <WordsPrint part={part.id} strip={false} />
      <PlaceOf of={of} />
    </>
  );
}
