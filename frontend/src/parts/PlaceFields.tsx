/** Where a part lies: on which page, how far from which edge, or centred. */
import { Choice } from "../ui/Choice";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import type { Place } from "./kinds";
import { Sentence } from "./Sentence";

interface Props {
  place: Place;
  pages: number;
  onChange: (what: string, place: Place, group?: string) => void;
}

export function PlaceFields({ place, pages, onChange }: Props) {
  const { across, down } = place;
  return (
    <>
      <Sentence>
        {pages === 2 && (
          <>
            on the
            <Choice
              label="Page"
              value={place.on}
              options={[
                ["left", "left page"],
                ["right", "right page"],
                ["spread", "spread, over the gutter"],
              ]}
              onChange={(on) => onChange("changed the page it is on", { ...place, on })}
            />
          </>
        )}
      </Sentence>
      <Sentence>
        <LengthField
          label="Distance across"
          range="offset"
          value={across.by}
          onCommit={(by) => onChange("moved across", { ...place, across: { ...across, by } }, "across")}
        />
        <Choice
          label="From which edge across"
          value={across.edge}
          options={[
            ["left", "from the left"],
            ["right", "from the right"],
            ["centre", "right of the centre"],
          ]}
          onChange={(edge) =>
            onChange("changed where it is measured from", {
              ...place,
              across: { edge, by: edge === "centre" ? "0 in" : across.by },
            })
          }
        />
        <IconAction
          icon="across"
          small
          name="Centre across"
          pressed={across.edge === "centre" && across.by === "0 in"}
          onClick={() => onChange("centred across", { ...place, across: { edge: "centre", by: "0 in" } })}
        />
      </Sentence>
      <Sentence>
        <LengthField
          label="Distance down"
          range="offset"
          value={down.by}
          onCommit={(by) => onChange("moved down", { ...place, down: { ...down, by } }, "down")}
        />
        <Choice
          label="From which edge down"
          value={down.edge}
          options={[
            ["top", "from the top"],
            ["bottom", "from the bottom"],
            ["centre", "below the centre"],
          ]}
          onChange={(edge) =>
            onChange("changed where it is measured from", {
              ...place,
              down: { edge, by: edge === "centre" ? "0 in" : down.by },
            })
          }
        />
        <IconAction
          icon="downwards"
          small
          name="Centre down"
          pressed={down.edge === "centre" && down.by === "0 in"}
          onClick={() => onChange("centred down", { ...place, down: { edge: "centre", by: "0 in" } })}
        />
      </Sentence>
    </>
  );
}
