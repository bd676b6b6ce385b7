import { useUsual } from "../api/usual";
import { NOTHING } from "../page/scale";
import { Choice } from "../ui/Choice";
import { InlineText } from "../ui/InlineText";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import type { PanelPart, PartProps } from "./kinds";
import { MatList } from "./MatList";
import { OpeningFields } from "./OpeningFields";
import { Sentence } from "./Sentence";
import { AngleValue, PlaceOf } from "./values";

export function PanelFields({ part, pages, onChange }: PartProps<PanelPart>) {
  const usual = useUsual();
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
      <Sentence>
        <Choice
          label="In one piece or joined"
          value={part.joined?.way ?? "one"}
          options={[
            ["one", "in one piece"],
            ["side by side", "joined of two, side by side"],
            ["one above the other", "joined of two, one above the other"],
          ]}
          onChange={(way) =>
            onChange("changed how a panel is joined", {
              ...part,
              joined: way === "one" ? null : { seam: null, lap: NOTHING, ...part.joined, way },
            })
          }
        />
        {part.joined && (
          <SeamFields
            joined={part.joined}
            usual={usual.print.height}
            onChange={(what, joined, group) => onChange(what, { ...part, joined }, group)}
          />
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

type Joined = NonNullable<PanelPart["joined"]>;

interface SeamProps {
  joined: Joined;
  /** Where a seam begins that is put somewhere of its own. */
  usual: string;
  onChange: (what: string, joined: Joined, group?: string) => void;
}

function SeamFields({ joined, usual, onChange }: SeamProps) {
  const edge = joined.way === "side by side" ? "left" : "top";
  return (
    <>
      the seam
      <Choice
        label="Where the seam is"
        value={joined.seam === null ? "middle" : "own"}
        options={[
          ["middle", "in the middle"],
          ["own", `from the ${edge}`],
        ]}
        onChange={(way) => onChange("moved the seam", { ...joined, seam: way === "middle" ? null : usual })}
      />
      {joined.seam !== null && (
        <LengthField
          label={`Seam from the ${edge}`}
          value={joined.seam}
          onCommit={(seam) => onChange("moved the seam", { ...joined, seam }, "seam")}
        />
      )}
      lapped by
      <LengthField
        label="Lap at the seam"
        range="gap"
        value={joined.lap}
        onCommit={(lap) => onChange("changed the lap", { ...joined, lap }, "seam lap")}
      />
    </>
  );
}
