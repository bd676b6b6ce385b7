/** A page as it will look, with numbered places on it: pressed, what was found there is looked at. */

import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import type { Found } from "../../api/checks";
import { useShelf } from "../../api/kits";
import type { Recipe } from "../../api/pages";
import { evaluatedQuery } from "../../api/recipe";
import { colours, words } from "../../app/theme";
import { PagePicture } from "../../page/PagePicture";
import { inches } from "../../page/scale";
import { useRoom } from "../../ui/useRoom";

export interface Place {
  found: Found;
  number: number;
  looked: boolean;
}

interface Props {
  id: string;
  name: string;
  page: Recipe;
  places: readonly Place[];
  onPlace?: (found: Found) => void;
  /** Without its name over it. */
  plain?: boolean;
}

export function PageWith({ id, name, page, places, onPlace, plain }: Props) {
  const evaluated = useQuery(evaluatedQuery(id, page)).data;
  const shelf = useShelf();
  const [outer, room] = useRoom<HTMLDivElement>(600);
  const wide = inches(page.format.width) * page.format.pages;
  const high = inches(page.format.height);
  const scale = Math.max(10, Math.min((room - 8) / wide, Math.max(240, window.innerHeight - 190) / high));
  return (
    <Box ref={outer} component="figure" sx={{ m: 0, minWidth: 0 }}>
      {!plain && (
        <Box component="figcaption" sx={{ ...words, fontWeight: 600, pb: 0.5 }}>
          {name}
        </Box>
      )}
      {evaluated && (
        <PagePicture name={name} page={evaluated} shelf={shelf} scale={scale}>
          {places.map((one) => (
            <Marked key={one.number} place={one} pixel={1 / scale} onPlace={onPlace} />
          ))}
        </PagePicture>
      )}
    </Box>
  );
}

function Marked({ place, pixel, onPlace }: { place: Place; pixel: number; onPlace?: (found: Found) => void }) {
  const { found, number, looked } = place;
  const { severity, where } = found.finding;
  const first = where[0];
  if (!first) return null;
  const ink = severity === "stop" ? colours.madder : severity === "warn" ? colours.ochre : colours.verdigris;
  const r = 11 * pixel;
  const x = Math.max(r, inches(first.x)) + (number % 3) * r * 0.5;
  const y = Math.max(r, inches(first.y)) + (number % 4) * r * 0.4;
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the list beside it does the same by keys
    <g data-number={number} onClick={() => onPlace?.(found)} style={{ cursor: "pointer" }}>
      {looked &&
        where.map((one) => (
          <rect
            key={`${one.x} ${one.y} ${one.width}`}
            x={inches(one.x)}
            y={inches(one.y)}
            width={inches(one.width)}
            height={inches(one.height)}
            fill="none"
            stroke={ink}
            strokeWidth={3 * pixel}
            strokeDasharray={`${8 * pixel} ${5 * pixel}`}
          />
        ))}
      <circle cx={x} cy={y} r={r} fill={looked ? ink : "#fffdf8"} stroke={ink} strokeWidth={1.5 * pixel} />
      <text
        x={x}
        y={y + 4 * pixel}
        textAnchor="middle"
        fontSize={12 * pixel}
        fontWeight={700}
        fill={looked ? "#fffdf8" : ink}
      >
        {number}
      </text>
    </g>
  );
}
