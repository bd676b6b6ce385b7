/** The cells of the chosen part: pressed on the drawing, or stepped to and opened with Enter, to say what each is for. */
import Box from "@mui/material/Box";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import type { Evaluated } from "../../api/recipe";
import { colours } from "../../app/theme";
import { box } from "../../page/scale";
import { arrow } from "../../ui/arrows";

type Spot = Schemas["CellSpot"];
export type What = NonNullable<Schemas["PutAsked"]["what"]>;

const WORDS: Record<What, string> = {
  tile: "a tile like the others",
  photo: "a place for a photo",
  paper: "a paper of its own",
  card: "a card",
  title: "kept for the title",
  words: "kept for words",
  empty: "nothing",
  open: "open: what lies under it shows",
  closed: "no opening here",
};

export interface Pressed {
  part: string;
  spot: Spot;
  anchor: { left: number; top: number };
}

/** The spot of a part that lies under a point of the page; where boxes overlap, that whose middle is nearest. */
export function spotAt(page: Evaluated, part: string, at: { x: number; y: number }): Spot | null {
  const found = page.parts.find((one) => one.id === part);
  if (!found?.box) return null;
  const corner = box(found.box);
  let [nearest, least]: [Spot | null, number] = [null, Number.POSITIVE_INFINITY];
  for (const spot of found.spots) {
    const { x, y, width, height } = box(spot.rect);
    const [dx, dy] = [at.x - corner.x - x, at.y - corner.y - y];
    const away = Math.hypot(dx - width / 2, dy - height / 2);
    if (dx >= 0 && dy >= 0 && dx <= width && dy <= height && away < least) [nearest, least] = [spot, away];
  }
  return nearest;
}

interface CellsProps {
  page: Evaluated;
  part: string;
  pixel: number;
  onOpen: (pressed: Pressed) => void;
}

/**
 * For the keyboard: one stop, gone through with the arrow keys. A pointer presses the part itself, which it also drags;
 * an opening that nothing lies in has no part to press.
 */
export function Cells({ page, part, pixel, onOpen }: CellsProps) {
  const group = useRef<SVGGElement>(null);
  const [at, setAt] = useState<string | null>(null);
  const found = page.parts.find((one) => one.id === part);
  if (!found?.box) return null;
  const stop = found.spots.some((spot) => spot.key === at) ? at : found.spots[0]?.key;
  const corner = box(found.box);
  return (
    <g ref={group} transform={`translate(${corner.x} ${corner.y})`}>
      {found.spots.map((spot) => (
        <rect
          key={spot.key}
          {...box(spot.rect)}
          role="button"
          tabIndex={spot.key === stop ? 0 : -1}
          aria-label={`Cell at ${spot.name}: ${said(spot.what)}`}
          data-cell={spot.key}
          fill="transparent"
          stroke="transparent"
          strokeWidth={4 * pixel}
          style={isBare(page, part, spot) ? { cursor: "pointer" } : { pointerEvents: "none" }}
          onPointerDown={(event) => event.stopPropagation()}
          onClick={({ clientX, clientY }) => onOpen({ part, spot, anchor: { left: clientX, top: clientY } })}
          onFocus={() => setAt(spot.key)}
          onKeyDown={(event) => {
            const step = arrow(event.key);
            if (step && !event.altKey) {
              event.preventDefault();
              event.stopPropagation();
              const next = beside(found.spots, spot, step);
              group.current?.querySelector<SVGElement>(`[data-cell="${next?.key}"]`)?.focus();
              return;
            }
            if (event.key !== "Enter" && event.key !== " ") return;
            event.preventDefault();
            event.stopPropagation();
            const { left, bottom } = event.currentTarget.getBoundingClientRect();
            onOpen({ part, spot, anchor: { left, top: bottom } });
          }}
        />
      ))}
    </g>
  );
}

function isBare(page: Evaluated, part: string, spot: Spot): boolean {
  const own = page.parts.find((one) => one.id === part)?.box;
  if (spot.what !== "open" || !own) return false;
  const [corner, at] = [box(own), box(spot.rect)];
  const [x, y] = [corner.x + at.x, corner.y + at.y];
  return !page.pieces.some((piece) => {
    const there = box(piece.rect);
    const meets =
      there.x < x + at.width && x < there.x + there.width && there.y < y + at.height && y < there.y + there.height;
    return piece.part !== part && piece.role !== "base" && meets;
  });
}

/** The nearest spot in a direction. */
function beside(spots: readonly Spot[], from: Spot, [across, down]: readonly [number, number]): Spot | null {
  const middle = ({ rect }: Spot) => {
    const { x, y, width, height } = box(rect);
    return [x + width / 2, y + height / 2] as const;
  };
  const [x, y] = middle(from);
  let [nearest, least]: [Spot | null, number] = [null, Number.POSITIVE_INFINITY];
  for (const spot of spots) {
    const [mx, my] = middle(spot);
    const along = (mx - x) * across + (my - y) * down;
    const away = along + 2 * Math.abs((mx - x) * down + (my - y) * across);
    if (along > 0.01 && away < least) [nearest, least] = [spot, away];
  }
  return nearest;
}

const said = (what: string): string => WORDS[what as What] ?? what;

interface MenuProps {
  pressed: Pressed | null;
  onSay: (what: What) => void;
  onClose: () => void;
}

export function CellMenu({ pressed, onSay, onClose }: MenuProps) {
  return (
    <Menu
      open={pressed !== null}
      onClose={onClose}
      anchorReference="anchorPosition"
      anchorPosition={pressed?.anchor}
      slotProps={{ list: { dense: true, "aria-label": pressed ? `Cell at ${pressed.spot.name}` : undefined } }}
    >
      {pressed?.spot.may.map((one) => {
        const what = one as What;
        const why = pressed.spot.cannot.find(([not]) => not === what)?.[1];
        return (
          <MenuItem
            key={what}
            selected={pressed.spot.what === what}
            aria-disabled={why !== undefined}
            onClick={() => {
              if (why) return;
              onClose();
              onSay(what);
            }}
            sx={why ? { display: "block", opacity: 0.8, cursor: "default" } : undefined}
          >
            {said(what)}
            {why && <Box sx={{ fontSize: "0.82rem", color: colours.soft }}>{why}</Box>}
          </MenuItem>
        );
      })}
    </Menu>
  );
}
