/** An arrangement on the table, traced: places are drawn over its photograph, each with a role, and kept as a sketch. */

import Box from "@mui/material/Box";
import { useEffect, useMemo, useState } from "react";
import { placeInSketch, type Sketch, type SketchPlace } from "../../api/drafts";
import type { Recipe } from "../../api/pages";
import { useFrame } from "../../app/FrameContext";
import { inches } from "../../page/scale";
import { Sentence } from "../../parts/Sentence";
import { Asking } from "../../ui/Asking";
import { Choice } from "../../ui/Choice";
import { type Corner, DrawnOver } from "../../ui/DrawnOver";
import { IconAction } from "../../ui/IconAction";
import { InlineText } from "../../ui/InlineText";

interface Props {
  file: File;
  format: Recipe["format"];
  onClose: () => void;
  onKeep: (sketch: Sketch) => void;
}

type Role = SketchPlace["role"];

const ROLES: readonly (readonly [Role, string])[] = [
  ["photo", "a photo"],
  ["panel", "a panel"],
  ["strip", "a strip"],
  ["title", "the title"],
  ["words", "words"],
  ["cluster", "a cluster"],
];

export function TracedSketch({ file, format, onClose, onKeep }: Props) {
  const address = useMemo(() => URL.createObjectURL(file), [file]);
  useEffect(() => () => URL.revokeObjectURL(address), [address]);
  const [role, setRole] = useState<Role>("photo");
  const [name, setName] = useState("From the table");
  const [places, setPlaces] = useState<SketchPlace[]>([]);
  const { say } = useFrame();
  const proportion = inches(format.width) / inches(format.height);

  async function put(a: Corner, b: Corner): Promise<void> {
    try {
      const place = await placeInSketch({
        role,
        left: a.x,
        top: a.y,
        right: b.x,
        bottom: b.y,
        pages: format.pages === 2 ? 2 : 1,
        proportion,
      });
      setPlaces((all) => [...all, place]);
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Asking
      title="Trace an arrangement"
      onClose={onClose}
      act={places.length ? "Keep the sketch" : undefined}
      onAct={() => onKeep({ name: name.trim() || "From the table", pages: format.pages, proportion, places })}
    >
      <Sentence>
        Draw over the picture where
        <Choice label="Role of the next place" value={role} options={ROLES} onChange={setRole} />
        goes; the picture is taken for the whole {format.pages === 2 ? "spread" : "page"}.
      </Sentence>
      <DrawnOver
        label="Where places are drawn"
        boxes={places.map((place) => corners(place, format.pages))}
        onDrawn={(one, other) => void put(one, other)}
      >
        <img
          src={address}
          alt="The arrangement"
          draggable={false}
          style={{ width: "100%", maxWidth: 560, display: "block" }}
        />
      </DrawnOver>
      <Box component="ol" aria-label="Places drawn" sx={{ m: 0, pl: 3 }}>
        {places.map((place, k) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a place is its place in the pile
          <li key={k}>
            {ROLES.find(([one]) => one === place.role)?.[1]}
            {place.role === "photo" && `, ${place.shaped}`}
            <IconAction
              small
              icon="bin"
              name={`Take place ${k + 1} away`}
              onClick={() => setPlaces(places.filter((_, n) => n !== k))}
            />
          </li>
        ))}
      </Box>
      <Sentence>
        called
        <InlineText label="Name of the sketch" value={name} width="20ch" onCommit={setName} />
      </Sentence>
    </Asking>
  );
}

const corners = (place: SketchPlace, pages: number): readonly [Corner, Corner] => [
  { x: place.x / pages, y: place.y },
  { x: (place.x + place.width) / pages, y: place.y + place.height },
];
