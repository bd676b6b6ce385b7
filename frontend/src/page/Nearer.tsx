/** What lies over the drawing for hands: closer and further, and for a finger the handle that moves what is chosen. */
import Box from "@mui/material/Box";
import type { PointerEvent } from "react";
import type { Evaluated } from "../api/recipe";
import { colours } from "../app/theme";
import { IconAction } from "../ui/IconAction";
import { box } from "./scale";
import type { Zoom } from "./useView";

const REACH = 22;

interface Props {
  page: Evaluated;
  part: string;
  pixel: number;
  /** While it moves; it is there still, since the finger is on it. */
  hidden: boolean;
  onDown: (event: PointerEvent<SVGElement>, part: string) => void;
}

/** In the middle of the chosen part, where nothing but fingers point. */
export function HandleToMove({ page, part, pixel, hidden, onDown }: Props) {
  const found = page.parts.find((one) => one.id === part);
  const isBase = page.pieces.some((piece) => piece.part === part && piece.role === "base");
  if (!found?.box || isBase || !window.matchMedia("(pointer: coarse)").matches) return null;
  const { x, y, width, height } = box(found.box);
  return (
    <g
      data-move
      transform={`translate(${x + width / 2} ${y + height / 2}) scale(${pixel})`}
      style={{ cursor: "move", touchAction: "none", opacity: hidden ? 0 : 1 }}
      onPointerDown={(event) => onDown(event, part)}
    >
      <title>Move it</title>
      <circle r={REACH} fill="#fff" fillOpacity={0.86} stroke={colours.verdigris} strokeWidth={2} />
      <path
        d="M-12 0H12M0-12V12M-9-4l-4 4 4 4M9-4l4 4-4 4M-4-9l4-4 4 4M-4 9l4 4 4-4"
        fill="none"
        stroke={colours.verdigris}
        strokeWidth={2}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </g>
  );
}

export function ZoomButtons({ zoomed, onZoom }: { zoomed: boolean; onZoom: (how: Zoom) => void }) {
  return (
    <Box
      role="group"
      aria-label="How large the page is drawn"
      sx={{
        position: "absolute",
        right: 4,
        bottom: 4,
        display: "flex",
        flexDirection: "column",
        background: colours.paper,
        borderRadius: 1,
        opacity: 0.92,
      }}
    >
      <IconAction small icon="add" name="Closer" onClick={() => onZoom("closer")} />
      <IconAction small icon="less" name="Further away" disabled={!zoomed} onClick={() => onZoom("further")} />
      <IconAction small icon="whole" name="The whole page" disabled={!zoomed} onClick={() => onZoom("whole")} />
      <IconAction small icon="true" name="As large as it is" onClick={() => onZoom("true")} />
    </Box>
  );
}
