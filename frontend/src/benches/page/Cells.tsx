/** The cells of the chosen part: pressed on the drawing, or stepped to and opened with Enter, to say what each is for. */
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import type { Schemas } from "../../api/client";
import type { Evaluated } from "../../api/recipe";
import { box } from "../../page/scale";

export type What = NonNullable<Schemas["PutAsked"]["what"]>;

const WHATS: readonly (readonly [What, string])[] = [
  ["photo", "a place for a photo"],
  ["paper", "paper"],
  ["card", "a card"],
  ["title", "kept for the title"],
  ["words", "kept for words"],
  ["empty", "nothing"],
];

export interface Pressed {
  part: string;
  spot: Schemas["CellSpot"];
  anchor: { left: number; top: number };
}

/** The spot of a part that lies under a point of the page. */
export function spotAt(page: Evaluated, part: string, at: { x: number; y: number }): Schemas["CellSpot"] | null {
  const found = page.parts.find((one) => one.id === part);
  if (!found?.box) return null;
  const corner = box(found.box);
  return (
    found.spots.find((spot) => {
      const { x, y, width, height } = box(spot.rect);
      const [dx, dy] = [at.x - corner.x - x, at.y - corner.y - y];
      return dx >= 0 && dy >= 0 && dx <= width && dy <= height;
    }) ?? null
  );
}

interface CellsProps {
  page: Evaluated;
  part: string;
  pixel: number;
  onOpen: (pressed: Pressed) => void;
}

/** For the keyboard: each a stop of its own. A pointer presses the part itself, which it also drags. */
export function Cells({ page, part, pixel, onOpen }: CellsProps) {
  const found = page.parts.find((one) => one.id === part);
  if (!found?.box) return null;
  const corner = box(found.box);
  return (
    <g transform={`translate(${corner.x} ${corner.y})`}>
      {found.spots.map((spot) => (
        <rect
          key={spot.key}
          {...box(spot.rect)}
          role="button"
          tabIndex={0}
          aria-label={`Cell at ${spot.name}: ${said(spot.what)}`}
          data-cell={spot.key}
          fill="transparent"
          stroke="transparent"
          strokeWidth={4 * pixel}
          style={{ pointerEvents: "none" }}
          onKeyDown={(event) => {
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

const said = (what: string): string => WHATS.find(([one]) => one === what)?.[1] ?? what;

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
      {WHATS.map(([what, words]) => (
        <MenuItem
          key={what}
          selected={pressed?.spot.what === what}
          onClick={() => {
            onClose();
            onSay(what);
          }}
        >
          {words}
        </MenuItem>
      ))}
    </Menu>
  );
}
