import Button from "@mui/material/Button";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { Icon } from "../ui/Icon";
import { LengthField } from "../ui/LengthField";
import type { JointPart, PartProps, Print } from "./kinds";
import { MatList } from "./MatList";
import { PrintFields } from "./PrintFields";
import { Sentence } from "./Sentence";
import { PlaceOf } from "./values";

const MOST = 12;

export function JointFields({ part, pages, onChange }: PartProps<JointPart>) {
  const usual = useUsual();
  const { prints } = part;
  return (
    <>
      {prints.map((print, k) => (
        <PrintFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a print is its place in the row
          key={k}
          print={print}
          label={`Photo ${k + 1}`}
          onChange={(what, next, group, asked) => {
            const put = (print: Print) => ({ ...part, prints: prints.map((old, n) => (n === k ? print : old)) });
            onChange(what, put(next), group, asked && put(asked));
          }}
          onRemove={
            prints.length > 1
              ? () => onChange("took a photo away", { ...part, prints: prints.filter((_, n) => n !== k) })
              : undefined
          }
        />
      ))}
      <Sentence>
        together in a
        <Choice
          label="Row or column"
          value={part.along}
          options={[
            ["row", "row"],
            ["column", "column"],
          ]}
          onChange={(along) => onChange("changed row or column", { ...part, along })}
        />
        with
        <LengthField
          label="Gap"
          range="gap"
          value={part.gap}
          onCommit={(gap) => onChange("changed the gap", { ...part, gap }, "gap")}
        />
        between
        {prints.length < MOST && (
          <Button
            size="small"
            startIcon={<Icon name="add" size={16} />}
            onClick={() =>
              onChange("added a photo", {
                ...part,
                prints: [...prints, { ...(prints.at(-1) ?? usual.print), photo: null }],
              })
            }
          >
            Photo
          </Button>
        )}
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
