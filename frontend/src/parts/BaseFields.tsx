import { Choice } from "../ui/Choice";
import { PaperPicker } from "../ui/PaperPicker";
import type { BasePart, PartProps } from "./kinds";
import { Sentence } from "./Sentence";

export function BaseFields({ part, pages, onChange }: PartProps<BasePart>) {
  return (
    <Sentence>
      Base
      {pages === 2 && (
        <>
          of the
          <Choice
            label="Page"
            value={part.on}
            options={[
              ["left", "left page"],
              ["right", "right page"],
            ]}
            onChange={(on) => onChange("changed the page it is on", { ...part, on })}
          />
        </>
      )}
      <PaperPicker
        label="Base paper"
        value={part.choice}
        onChange={(choice, name) => onChange(`chose ${name}`, { ...part, choice })}
      />
    </Sentence>
  );
}
