import { useUnit } from "../api/documents";
import { Choice } from "../ui/Choice";
import { InlineText } from "../ui/InlineText";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import { type PanelPart, type PartProps, USUAL } from "./kinds";
import { PlaceFields } from "./PlaceFields";
import { Sentence } from "./Sentence";
import { TurnedChoice } from "./TurnedChoice";

export function PanelFields({ part, pages, onChange }: PartProps<PanelPart>) {
  const usual = USUAL[useUnit()];
  return (
    <>
      <Sentence>
        <InlineText
          label="Panel name"
          value={part.name}
          width="9ch"
          onCommit={(name) => onChange("named a panel", { ...part, name })}
        />
        <Choice
          label="How the panel is sized"
          value={part.trim === null ? "size" : "trim"}
          options={[
            ["trim", "trimmed all round by"],
            ["size", "of"],
          ]}
          onChange={(way) =>
            onChange("changed a panel’s size", { ...part, trim: way === "trim" ? usual.border : null })
          }
        />
        {part.trim !== null ? (
          <LengthField
            label="Trim"
            range="gap"
            value={part.trim}
            onCommit={(trim) => onChange("changed the trim", { ...part, trim }, "trim")}
          />
        ) : (
          <>
            <LengthField
              label="Panel width"
              value={part.width}
              onCommit={(width) => onChange("changed a panel’s width", { ...part, width }, "width")}
            />
            ×
            <LengthField
              label="Panel height"
              value={part.height}
              onCommit={(height) => onChange("changed a panel’s height", { ...part, height }, "height")}
            />
          </>
        )}
      </Sentence>
      <Sentence>
        from
        <PaperPicker
          label="Panel paper"
          value={part.choice}
          onChange={(choice, name) => onChange(`chose ${name}`, { ...part, choice })}
        />
        <TurnedChoice choice={part.choice} onChange={(what, choice) => onChange(what, { ...part, choice })} />
      </Sentence>
      <Sentence>
        <Choice
          label="Panel solid or gutted"
          value={part.gutted ? "gutted" : "solid"}
          options={[
            ["solid", "solid"],
            ["gutted", "gutted"],
          ]}
          onChange={(way) =>
            onChange(way === "gutted" ? "gutted a panel" : "made a panel solid", {
              ...part,
              gutted: way === "gutted",
            })
          }
        />
        {part.gutted && (
          <>
            keeping a rim of
            <LengthField
              label="Rim that stays"
              range="gap"
              value={part.rim}
              onCommit={(rim) => onChange("changed the rim", { ...part, rim }, "rim")}
            />
          </>
        )}
      </Sentence>
      <PlaceFields
        place={part.place}
        pages={pages}
        onChange={(what, place, group) => onChange(what, { ...part, place }, group)}
      />
    </>
  );
}
