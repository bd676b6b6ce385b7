/** A sheet with what is printed at known places of it and what is cut out of it: each is pressed where it lies. */
import Box from "@mui/material/Box";
import { useId } from "react";
import type { Schemas } from "../api/client";
import { type Paper, useShelf } from "../api/kits";
import { colours } from "../app/theme";
import { box, inches } from "../page/scale";
import { TilePattern } from "./Swatch";

export type Place = { kind: "card" | "hole"; k: number };

interface Props {
  paper: Paper;
  chosen: Place | null;
  onPress: (place: Place) => void;
  /** Where holes can be pressed too. */
  holes?: boolean;
}

/** Both sides of it where there is something on both. */
export function SheetPlaces(props: Props) {
  const { paper } = props;
  const tiles = useShelf().find((one) => one.paper.id === paper.id)?.tiles;
  const sides = (["A", "B"] as const).filter(
    (side) =>
      paper.cards.some((card) => card.side === side) || (side === "A" && props.holes && paper.holes.length > 0),
  );
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, py: 0.75 }}>
      {sides.map((side) => (
        <OneSide key={side} {...props} side={side} tile={side === "A" ? tiles?.a : tiles?.b} />
      ))}
    </Box>
  );
}

interface SideProps extends Props {
  side: "A" | "B";
  tile: Schemas["Tile"] | undefined;
}

function OneSide({ paper, tile, side, chosen, onPress, holes = false }: SideProps) {
  const id = useId();
  const [width, height] = [inches(paper.width), inches(paper.height)];
  const pixel = Math.max(width, height) / 260;
  const is = (kind: Place["kind"], k: number) => chosen?.kind === kind && chosen.k === k;
  const press = (place: Place) => ({
    role: "button",
    tabIndex: 0,
    "aria-pressed": is(place.kind, place.k),
    onClick: () => onPress(place),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      onPress(place);
    },
    stroke: is(place.kind, place.k) ? colours.verdigris : colours.ink,
    strokeWidth: (is(place.kind, place.k) ? 4 : 1.2) * pixel,
    style: { cursor: "pointer" },
  });
  return (
    <Box
      component="svg"
      role="group"
      aria-label={`Places on ${paper.name}, side ${side}`}
      viewBox={`${-2 * pixel} ${-2 * pixel} ${width + 4 * pixel} ${height + 4 * pixel}`}
      sx={{ width: "min(260px, 100%)", display: "block" }}
    >
      <defs>{tile && <TilePattern id={id} tile={tile} />}</defs>
      <rect
        width={width}
        height={height}
        fill={tile ? `url(#${id})` : colours.faint}
        stroke={colours.line}
        strokeWidth={pixel}
      />
      {paper.cards.map((card, k) => {
        if (card.side !== side) return null;
        const at = box(card.at);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a card is its place in the list
          <g key={k}>
            <rect
              {...at}
              fill={colours.paper}
              fillOpacity={is("card", k) ? 0.75 : 0.45}
              aria-label={`Card ${card.name}`}
              {...press({ kind: "card", k })}
            />
            <text
              x={at.x + at.width / 2}
              y={at.y + at.height / 2}
              fontSize={Math.min(16 * pixel, at.height * 0.6, (at.width * 1.6) / Math.max(3, card.name.length))}
              textAnchor="middle"
              dominantBaseline="central"
              fill={colours.ink}
              style={{ pointerEvents: "none" }}
            >
              {card.name}
            </text>
          </g>
        );
      })}
      {paper.holes.map((hole, k) => {
        const { x: fromA, y, width: wide, height: high } = box(hole);
        const x = side === "A" ? fromA : width - fromA - wide; // holes are told as seen from A
        const shown = {
          fill: colours.ground,
          "aria-label": `Hole ${k + 1}`,
          ...(holes ? press({ kind: "hole", k }) : {}),
        };
        return hole.figure === "circle" ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: a hole is its place in the list
          <ellipse key={k} cx={x + wide / 2} cy={y + high / 2} rx={wide / 2} ry={high / 2} {...shown} />
        ) : (
          // biome-ignore lint/suspicious/noArrayIndexKey: a hole is its place in the list
          <rect key={k} x={x} y={y} width={wide} height={high} {...shown} />
        );
      })}
    </Box>
  );
}
