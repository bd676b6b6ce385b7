/** Questions about things: what would answer, what covers a spot, whether one fits between two others. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useState } from "react";
import type { Recipe } from "../../api/pages";
import { answersQuery, coversQuery, findRoom, useThings } from "../../api/things";
import { useUsual } from "../../api/usual";
import { colours } from "../../app/theme";
import { newId, type Part } from "../../parts/kinds";
import { Sentence } from "../../parts/Sentence";
import { Asking } from "../../ui/Asking";
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

export function CoverDialog({ id, page, onAdd, onClose }: Props) {
  const usual = useUsual();
  const [width, setWidth] = useState(usual.wide);
  const [height, setHeight] = useState(usual.wide);
  const { data } = useQuery(coversQuery(page, id, width, height));
  const things = useThings(id);
  return (
    <Asking title="Cover a spot" narrow onClose={onClose}>
      <Sentence>
        a spot of
        <LengthField label="Width of the spot" value={width} onCommit={setWidth} />×
        <LengthField label="Height of the spot" value={height} onCommit={setHeight} />
      </Sentence>
      {data?.length === 0 && "Nothing that is left covers it with 1/8 in round it."}
      <Offers label="What covers it">
        {data?.map(({ name, cover }) => (
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
            {cover.thing && (
              <Button
                size="small"
                variant="outlined"
                onClick={() => {
                  onAdd(aThing(cover.thing ?? "", cover.turned));
                  onClose();
                }}
              >
                Take it
              </Button>
            )}
          </Box>
        ))}
      </Offers>
    </Asking>
  );
}

function aThing(thing: string, turned: boolean): Part {
  return { kind: "thing", id: newId("thing"), thing, angle: turned ? 90 : 0 } as unknown as Part;
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
