/** Where a part lies: on which page, how far from which edge of it or of another part, or on an axis. */
import { recount } from "../api/recipe";
import { NOTHING } from "../page/scale";
import { Choice } from "../ui/Choice";
import { CountField } from "../ui/CountField";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import type { Place } from "./kinds";
import { usePageHere } from "./PageHere";
import { Sentence } from "./Sentence";

interface Props {
  part: string;
  place: Place;
  pages: number;
  /** An answer that took its time says of which place it was `asked`: what was edited since stays. */
  onChange: (what: string, place: Place, group?: string, asked?: Place) => void;
}

type Edge<Way extends "across" | "down"> = Place[Way]["edge"];
type Options<Way extends "across" | "down"> = readonly (readonly [Edge<Way>, string])[];

const ACROSS: Options<"across"> = [
  ["left", "from the left"],
  ["right", "from the right"],
  ["centre", "right of the centre"],
];
const DOWN: Options<"down"> = [
  ["top", "from the top"],
  ["bottom", "from the bottom"],
  ["centre", "below the centre"],
];
const CLEAR_ACROSS: Options<"across"> = [
  ["before", "clear of it, to its left"],
  ["after", "clear of it, to its right"],
];
const CLEAR_DOWN: Options<"down"> = [
  ["above", "clear of it, above"],
  ["below", "clear of it, below"],
];
const INSIDE = { before: "left", after: "right", above: "top", below: "bottom" } as const;

export function PlaceFields({ part, place, pages, onChange }: Props) {
  const { across, down, stand } = place;
  const here = usePageHere();
  const others = (here?.evaluated?.parts ?? []).filter((p) => p.id !== part && p.box);
  const axes = (here?.page.parts ?? []).filter((p) => p.kind === "axis" && p.id !== part);
  const name = (id: string) => others.find((p) => p.id === id)?.name ?? "an axis";

  function countFrom(way: "across" | "down", of: string | null): void {
    const held = place[way];
    const edge = of === null && held.edge in INSIDE ? INSIDE[held.edge as keyof typeof INSIDE] : held.edge;
    const next = { edge, by: of === held.of ? held.by : NOTHING, of };
    void stay("changed what it is placed from", { ...place, [way]: next } as Place);
  }

  /** What a distance counts from is another thing then; the part stays where it lies. */
  async function stay(what: string, wanted: Place): Promise<void> {
    if (!here) {
      onChange(what, wanted);
      return;
    }
    try {
      onChange(what, await recount({ page: here.page, id: here.id, part, place: wanted }), undefined, place);
    } catch {
      onChange(what, wanted);
    }
  }

  const from = (way: "across" | "down") => (
    <Choice
      short
      label={way === "across" ? "Counted across from" : "Counted down from"}
      value={place[way].of ?? ""}
      options={[
        ["", "of the page"],
        ...others.map((p) => [p.id, `of ${p.name}`] as const),
        ...(place[way].of && !others.some((p) => p.id === place[way].of)
          ? [[place[way].of ?? "", "of a part that is gone"] as const]
          : []),
      ]}
      onChange={(of) => countFrom(way, of || null)}
    />
  );

  return (
    <>
      {(pages === 2 || axes.length > 0 || stand) && (
        <Sentence>
          on the
          <Choice
            label="Page"
            value={stand ? `axis ${stand.of}` : place.on}
            options={[
              ["left", pages === 2 ? "left page" : "page"],
              ...(pages === 2
                ? ([
                    ["right", "right page"],
                    ["spread", "spread, over the gutter"],
                  ] as const)
                : []),
              ...axes.map((axis) => [`axis ${axis.id}`, name(axis.id).replace(/^the /, "")] as const),
              ...(stand && !axes.some((axis) => axis.id === stand.of)
                ? [[`axis ${stand.of}`, "axis that is gone"] as const]
                : []),
            ]}
            onChange={(on) =>
              on.startsWith("axis ")
                ? onChange("stood it on an axis", { ...place, stand: { of: on.slice(5), share: 0.5 } })
                : onChange("changed the page it is on", { ...place, on: on as Place["on"], stand: null })
            }
          />
          {stand && (
            <>
              <CountField
                label="Along the axis, in percent"
                least={0}
                most={100}
                value={Math.round(stand.share * 100)}
                onCommit={(share) =>
                  onChange("moved it along", { ...place, stand: { ...stand, share: share / 100 } }, "along")
                }
              />
              % along
            </>
          )}
        </Sentence>
      )}
      {!stand && (
        <>
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
              options={across.of ? [...ACROSS, ...CLEAR_ACROSS] : ACROSS}
              onChange={(edge) =>
                void stay("changed where it is measured from", { ...place, across: { ...across, edge } })
              }
            />
            {(others.length > 0 || across.of) && from("across")}
            <IconAction
              icon="across"
              small
              name="Centre across"
              pressed={across.edge === "centre" && across.by === NOTHING}
              onClick={() =>
                onChange("centred across", { ...place, across: { ...across, edge: "centre", by: NOTHING } })
              }
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
              options={down.of ? [...DOWN, ...CLEAR_DOWN] : DOWN}
              onChange={(edge) =>
                void stay("changed where it is measured from", { ...place, down: { ...down, edge } })
              }
            />
            {(others.length > 0 || down.of) && from("down")}
            <IconAction
              icon="downwards"
              small
              name="Centre down"
              pressed={down.edge === "centre" && down.by === NOTHING}
              onClick={() => onChange("centred down", { ...place, down: { ...down, edge: "centre", by: NOTHING } })}
            />
          </Sentence>
        </>
      )}
    </>
  );
}
