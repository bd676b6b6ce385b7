/** The four corners of a sheet on its photograph, each moved by hand or with the arrow keys. */
import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { colours } from "../../app/theme";
import { arrow } from "../../ui/arrows";

export type Corner = [number, number];

/** Where they begin: a little inside the picture, the upper left one first, clockwise. */
export const START: Corner[] = [
  [0.08, 0.08],
  [0.92, 0.08],
  [0.92, 0.92],
  [0.08, 0.92],
];
const NAMES = ["upper left", "upper right", "lower right", "lower left"];

interface Props {
  /** In shares of the picture, which these lie on. */
  corners: readonly (readonly number[])[];
  /** Of which sheet, where there are several. */
  of?: string;
  onChange: (corners: Corner[]) => void;
}

export function Corners({ corners, of = "", onChange }: Props) {
  const held = useRef<number | null>(null);

  function put(k: number, x: number, y: number): void {
    const kept: Corner = [Math.min(1, Math.max(0, x)), Math.min(1, Math.max(0, y))];
    onChange(corners.map(([a = 0, b = 0], n) => (n === k ? kept : [a, b])));
  }

  function onKeyDown(event: KeyboardEvent, k: number): void {
    const step = arrow(event.key);
    const [x = 0, y = 0] = corners[k] ?? [];
    if (!step) return;
    event.preventDefault();
    const far = event.shiftKey ? 0.02 : 0.002;
    put(k, x + step[0] * far, y + step[1] * far);
  }

  function onPointerMove(event: PointerEvent<HTMLElement>, k: number): void {
    const picture = event.currentTarget.parentElement?.getBoundingClientRect();
    if (held.current !== k || !picture) return;
    put(k, (event.clientX - picture.x) / picture.width, (event.clientY - picture.y) / picture.height);
  }

  return corners.map(([x = 0, y = 0], k) => (
    <Box
      key={NAMES[k]}
      component="button"
      type="button"
      aria-label={`${of ? `${of}, corner` : "Corner"} ${NAMES[k]}: ${Math.round(x * 100)} % across, ${Math.round(
        y * 100,
      )} % down`}
      onPointerDown={(event: PointerEvent<HTMLElement>) => {
        event.preventDefault();
        event.currentTarget.focus();
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = k;
      }}
      onPointerMove={(event: PointerEvent<HTMLElement>) => onPointerMove(event, k)}
      onPointerUp={() => {
        held.current = null;
      }}
      onKeyDown={(event: KeyboardEvent) => onKeyDown(event, k)}
      sx={{
        position: "absolute",
        left: `${x * 100}%`,
        top: `${y * 100}%`,
        width: 44,
        height: 44,
        ml: "-22px",
        mt: "-22px",
        p: 0,
        borderRadius: "50%",
        border: `3px solid ${colours.verdigris}`,
        background: "rgba(255,253,248,.45)",
        cursor: "move",
        touchAction: "none",
      }}
    />
  ));
}

/** Lines from corner to corner, over the whole picture. */
export function Outline({ corners, filled }: { corners: readonly (readonly number[])[]; filled?: boolean }) {
  return (
    <svg
      viewBox="0 0 1 1"
      preserveAspectRatio="none"
      style={{ position: "absolute", inset: 0, width: "100%", height: "100%", pointerEvents: "none" }}
      aria-hidden
    >
      <polygon
        points={corners.map((corner) => corner.join(",")).join(" ")}
        fill={filled ? colours.verdigris : "none"}
        fillOpacity={0.18}
        stroke={colours.verdigris}
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
