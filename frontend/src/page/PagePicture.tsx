/** A page as it will look, at a given scale, without rulers or handles. */

import { type ReactNode, useId } from "react";
import type { ShelfPaper } from "../api/kits";
import type { Evaluated } from "../api/recipe";
import { daylight } from "../app/theme";
import { TilePattern } from "../ui/Swatch";
import { byPart, DrawnLine, Pieces, usePatterns } from "./Drawing";
import { inches } from "./scale";

interface Props {
  name: string;
  page: Evaluated;
  shelf: ShelfPaper[];
  /** Pixels to an inch. */
  scale: number;
  /** Drawn over it, in inches. */
  children?: ReactNode;
}

export function PagePicture({ name, page, shelf, scale, children }: Props) {
  const id = useId().replace(/\W/g, "");
  const patterns = usePatterns(page, shelf, id);
  const width = inches(page.format.width) * page.format.pages;
  const height = inches(page.format.height);
  return (
    <svg
      role="img"
      aria-label={`${name}, as it will look`}
      viewBox={`0 0 ${width} ${height}`}
      width={width * scale}
      height={height * scale}
      style={{
        ...daylight,
        display: "block",
        maxWidth: "100%",
        height: "auto",
        background: "#fffdf8",
        boxShadow: "2px 3px 8px rgba(42, 34, 22, 0.25)",
      }}
    >
      <defs>
        {patterns.list.map(({ id, tile }) => (
          <TilePattern key={id} id={id} tile={tile} />
        ))}
      </defs>
      {byPart(page).map(({ part, pieces, lines }) => (
        <g key={part}>
          <Pieces pieces={pieces} patternOf={patterns.of} flat />
          {lines.map(
            (line) =>
              line.kind !== "axis" && (
                <DrawnLine key={`${line.path} ${line.written?.y}`} line={line} pixel={1 / scale} />
              ),
          )}
        </g>
      ))}
      {page.format.pages === 2 && (
        <path d={`M${width / 2} 0V${height}`} stroke="#000" strokeOpacity={0.35} strokeWidth={0.02} />
      )}
      {children}
    </svg>
  );
}
