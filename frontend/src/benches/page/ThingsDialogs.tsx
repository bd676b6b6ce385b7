/** Questions about things: what would answer, what covers a spot, whether one fits between two others. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useState } from "react";
import { useShelf } from "../../api/kits";
import type { Recipe } from "../../api/pages";
import { evaluatedQuery } from "../../api/recipe";
import { answersQuery, coversQuery, findRoom, measureSpot, type Spot, useThings } from "../../api/things";
import { useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { PagePicture } from "../../page/PagePicture";
import { inches } from "../../page/scale";
import type { Part } from "../../parts/kinds";
import { Sentence } from "../../parts/Sentence";
import { Asking } from "../../ui/Asking";
import { type Corner, DrawnOver } from "../../ui/DrawnOver";
import { LengthField } from "../../ui/LengthField";
import { ThingPicture } from "../../ui/ThingPicture";

interface Props {
  id: string;
  page: Recipe;
  onAdd: (part: Part) => void;
  onClose: () => void;
}

function Offers({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box component="ul" aria-label={label} sx={{ listStyle: "none", m: 0, p: 0, display: "grid", gap: 1 }}>
      {children}
    </Box>
  );
}

export function AnswersDialog({ id, page, onAdd, onClose }: Props) {
  const { data } = useQuery(answersQuery(page, id));
  const things = useThings(id);
  return (
    <Asking title="What would answer on the other side" narrow onClose={onClose} not="Done">
      {data?.length === 0 &&
        "Every colour, round shape and raised thing is on both sides, or nothing of it is left."}
      <Offers label="Answers">
        {data?.map((one) => (
          <Box component="li" key={one.why} sx={{ display: "flex", alignItems: "center", gap: 1.5 }}>
            <ThingPicture thing={things.find((t) => t.thing.id === one.part.thing)} size={40} />
            <Box sx={{ flex: 1 }}>{one.why}</Box>
            <Button size="small" variant="outlined" onClick={() => onAdd(one.part)}>
              Add it
            </Button>
          </Box>
        ))}
      </Offers>
    </Asking>
  );
}

/** Pixels: as large as the page is drawn to point at a spot of it. */
const WIDE = 400;

export function CoverDialog({ id, page, onAdd, onClose }: Props) {
  const usual = useUsual();
  const shelf = useShelf();
  const { say } = useFrame();
  const { data: evaluated } = useQuery(evaluatedQuery(id, page));
  const [drawn, setDrawn] = useState<Spot | null>(null);
  const across = inches(page.format.width) * page.format.pages;
  const down = inches(page.format.height);
  const middle: [number, number] = [across / 2, down / 2];
  const { data: first } = useQuery({
    queryKey: ["spot", across, down, usual.wide],
    queryFn: () => measureSpot({ one: middle, other: middle, width: usual.wide, height: usual.wide }),
  });
  const spot = drawn ?? first;
  const { data } = useQuery(coversQuery(page, id, spot));
  const things = useThings(id);

  async function point(one: Corner, other: Corner): Promise<void> {
    if (!spot) return;
    const { width, height } = spot;
    try {
      setDrawn(
        await measureSpot({
          one: [one.x * across, one.y * down],
          other: [other.x * across, other.y * down],
          width,
          height,
        }),
      );
    } catch (error) {
      say((error as Error).message);
    }
  }

  function field(label: string, of: keyof Spot): ReactNode {
    return (
      <LengthField
        label={label}
        value={spot?.[of] ?? null}
        onCommit={(length) => spot && setDrawn({ ...spot, [of]: length })}
      />
    );
  }

  return (
    <Asking title="Cover a spot" narrow onClose={onClose}>
      {evaluated && (
        <DrawnOver
          label="Where the spot is"
          boxes={spot ? [cornersOf(spot, across, down)] : []}
          onDrawn={(one, other) => void point(one, other)}
        >
          <PagePicture
            name={page.name}
            page={evaluated}
            shelf={shelf}
            scale={Math.min(WIDE / across, WIDE / 2 / down)}
          />
        </DrawnOver>
      )}
      <Sentence>
        Press where it is, or draw round it: a spot of {field("Width of the spot", "width")}×
        {field("Height of the spot", "height")}, its middle {field("From the left to its middle", "across")}
        from the left and {field("From the top to its middle", "down")}from the top
      </Sentence>
      {/* As high as several offers, so that the picture stays under the hand when there are fewer. */}
      <Box sx={{ minHeight: 210 }}>
        {data?.length === 0 && "Nothing that is left covers it with 1/8 in round it."}
        <Offers label="What covers it">
          {data?.map(({ name, cover, part }) => (
            <Box
              component="li"
              key={cover.thing ?? cover.paper}
              sx={{ display: "flex", alignItems: "center", gap: 1.5 }}
            >
              {cover.thing && <ThingPicture thing={things.find((t) => t.thing.id === cover.thing)} size={40} />}
              <Box sx={{ flex: 1 }}>
                {name}
                {cover.turned && ", turned a quarter"}
                <Box sx={{ fontSize: "0.85rem", color: colours.soft }}>{cover.why}</Box>
              </Box>
              <Button
                size="small"
                variant="outlined"
                onClick={() => {
                  onAdd(part);
                  onClose();
                }}
              >
                Take it
              </Button>
            </Box>
          ))}
        </Offers>
      </Box>
    </Asking>
  );
}

/** Its corners in shares of the picture. */
function cornersOf(spot: Spot, across: number, down: number): readonly [Corner, Corner] {
  const [x, y, wide, high] = [spot.across, spot.down, spot.width, spot.height].map(inches) as [
    number,
    number,
    number,
    number,
  ];
  return [
    { x: (x - wide / 2) / across, y: (y - high / 2) / down },
    { x: (x + wide / 2) / across, y: (y + high / 2) / down },
  ];
}

interface RoomProps {
  id: string;
  page: Recipe;
  thing: string | null;
  between: string[];
  onClose: () => void;
}

export function RoomDialog({ id, page, thing, between, onClose }: RoomProps) {
  const known = useThings(id).find((one) => one.thing.id === thing);
  const [one = "", other = ""] = between;
  const { data, error } = useQuery({
    queryKey: ["room", id, page, thing, between],
    enabled: known !== undefined,
    queryFn: () => findRoom(page, id, one, other, `${known?.across} in`, `${known?.down} in`),
  });
  return (
    <Asking title={`Does ${known?.thing.name ?? "it"} fit?`} narrow onClose={onClose} not="Done">
      <div role="status">{data?.says ?? error?.message ?? "…"}</div>
    </Asking>
  );
}
