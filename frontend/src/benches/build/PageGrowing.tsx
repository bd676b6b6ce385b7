/** The page as it stands now: what is glued, and the pieces of this step where they go, with their numbers. */

import Box from "@mui/material/Box";
import { useMemo } from "react";
import type { BuildingOut, BuildStep } from "../../api/building";
import { useShelf } from "../../api/kits";
import { colours } from "../../app/theme";
import { PagePicture } from "../../page/PagePicture";
import { box, inches } from "../../page/scale";
import { useRoom } from "../../ui/useRoom";

interface Props {
  name: string;
  data: BuildingOut;
  step: BuildStep | undefined;
}

export function PageGrowing({ name, data, step }: Props) {
  const shelf = useShelf();
  const { page, steps, done } = data;
  const there = useMemo(() => glued(steps, done), [steps, done]);
  const worked = new Set(steps.filter((one) => done.includes(one.id)).map((one) => one.part));
  const carries = new Set(step?.spots.map((spot) => spot.on));
  const mine = new Set(step?.spots.map((spot) => spot.piece) ?? step?.touches);
  const now = {
    ...page,
    pieces: page.pieces.filter((piece) => there.has(piece.id)),
    lines: page.lines.filter((line) => worked.has(line.part)),
  };
  const width = inches(page.format.width) * page.format.pages;
  const [outer, room] = useRoom<HTMLDivElement>(640);
  const high = Math.max(220, window.innerHeight - 270) / inches(page.format.height);
  const scale = Math.max(8, Math.min(80, (room - 8) / width, high));
  const pixel = 1 / scale;
  return (
    <Box ref={outer} sx={{ minWidth: 0 }}>
      <PagePicture name={`${name}, as it stands`} page={now} shelf={shelf} scale={scale}>
        {page.pieces
          .filter((piece) => carries.has(piece.id))
          .map((piece) => (
            <rect
              key={piece.id}
              {...box(piece.rect)}
              fill="none"
              stroke={colours.soft}
              strokeWidth={1.5 * pixel}
              strokeDasharray={`${6 * pixel} ${4 * pixel}`}
            />
          ))}
        {page.pieces
          .filter((piece) => mine.has(piece.id))
          .map((piece) => {
            const at = box(piece.angle || piece.path ? piece.uncut : piece.rect);
            const number = step?.spots.find((spot) => spot.piece === piece.id)?.number;
            return (
              <g
                key={piece.id}
                transform={`rotate(${piece.angle} ${at.x + at.width / 2} ${at.y + at.height / 2})`}
                fill="none"
                stroke={colours.verdigris}
                strokeWidth={2.5 * pixel}
              >
                {piece.path ? (
                  <path d={piece.path} transform={`translate(${at.x} ${at.y})`} fill="#2f7a6a22" />
                ) : (
                  <rect {...at} fill="#2f7a6a22" />
                )}
                {number != null && (
                  <text
                    x={at.x + at.width / 2}
                    y={at.y + at.height / 2 + 5 * pixel}
                    textAnchor="middle"
                    fontSize={15 * pixel}
                    fontWeight={700}
                    fill={colours.ink}
                    stroke="#fffdf8"
                    strokeWidth={3 * pixel}
                    paintOrder="stroke"
                  >
                    {number}
                  </text>
                )}
              </g>
            );
          })}
        {step &&
          !step.spots.length &&
          step.where.map((one) => (
            <rect
              key={`${one.x} ${one.y} ${one.width}`}
              {...box(one)}
              fill="none"
              stroke={colours.verdigris}
              strokeWidth={2.5 * pixel}
              strokeDasharray={`${8 * pixel} ${5 * pixel}`}
            />
          ))}
      </PagePicture>
    </Box>
  );
}

/** The pieces that are on the page: what was put together comes with what carries it. */
function glued(steps: readonly BuildStep[], done: readonly string[]): Set<string> {
  const there = new Set<string>();
  const carried = new Map<string, string[]>();
  for (const step of steps) {
    if (!done.includes(step.id)) continue;
    for (const spot of step.spots) {
      if (spot.on) carried.set(spot.on, [...(carried.get(spot.on) ?? []), spot.piece]);
      else {
        there.add(spot.piece);
        for (const piece of carried.get(spot.piece) ?? []) there.add(piece);
      }
    }
  }
  return there;
}
