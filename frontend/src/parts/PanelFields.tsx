import { useUnit } from "../api/documents";
import { Choice } from "../ui/Choice";
import { InlineText } from "../ui/InlineText";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import { type PanelPart, type PartProps, USUAL } from "./kinds";
import { MatList } from "./MatList";
import { OpeningFields } from "./OpeningFields";
import { Sentence } from "./Sentence";
import { AngleValue, PlaceOf } from "./values";

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
        <Choice
          label="How much of the sheet"
          value={part.as_it_is ? "whole" : "cut"}
          options={[
            ["cut", "cut to size"],
            ["whole", "the whole sheet as it is"],
          ]}
          onChange={(way) => onChange("chose how a panel is cut", { ...part, as_it_is: way === "whole" })}
        />
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
      <OpeningFields part={part} pages={pages} onChange={onChange} />
      <Sentence>
        corners rounded by
        <LengthField
          label="Rounded corners"
          range="gap"
          value={part.corner}
          onCommit={(corner) => onChange("rounded the corners", { ...part, corner }, "corner")}
        />
        <AngleValue of={{ part, pages, onChange }} />
      </Sentence>
      <MatList
        part={part.id}
        mats={part.mats}
        onChange={(what, mats, group) => onChange(what, { ...part, mats }, group)}
      />
      <PlaceOf of={{ part, pages, onChange }} />
    </>
  );
}
