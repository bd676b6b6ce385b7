/** Boxes drawn over a picture, by mouse, pen or finger, in shares of it. */
import Box from "@mui/material/Box";
import { type PointerEvent, type ReactNode, useState } from "react";
import { colours } from "../app/theme";

export interface Corner {
  x: number;
  y: number;
}

interface Props {
  label: string;
  /** The picture. */
  children: ReactNode;
  /** What is drawn already, corner to corner. */
  boxes: readonly (readonly [Corner, Corner])[];
  onDrawn: (one: Corner, other: Corner) => void;
}

export function DrawnOver({ label, children, boxes, onDrawn }: Props) {
  const [from, setFrom] = useState<Corner | null>(null);
  const [to, setTo] = useState<Corner | null>(null);

  function at(event: PointerEvent<HTMLElement>): Corner {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: (event.clientX - box.x) / box.width, y: (event.clientY - box.y) / box.height };
  }

  function leave(): void {
    setFrom(null);
    setTo(null);
  }

  return (
    <Box
      role="application"
      aria-label={label}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setFrom(at(event));
        setTo(at(event));
      }}
      onPointerMove={(event) => from && setTo(at(event))}
      onPointerUp={(event) => {
        if (from) onDrawn(from, at(event));
        leave();
      }}
      onPointerCancel={leave}
      sx={{ position: "relative", touchAction: "none", width: "fit-content", lineHeight: 0, cursor: "crosshair" }}
    >
      {children}
      {boxes.map(([a, b], k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a box is its place in the pile
        <Drawn key={k} a={a} b={b} />
      ))}
      {from && to && <Drawn a={from} b={to} />}
    </Box>
  );
}

function Drawn({ a, b }: { a: Corner; b: Corner }) {
  return (
    <Box
      sx={{
        position: "absolute",
        left: `${Math.min(a.x, b.x) * 100}%`,
        top: `${Math.min(a.y, b.y) * 100}%`,
        width: `${Math.abs(a.x - b.x) * 100}%`,
        height: `${Math.abs(a.y - b.y) * 100}%`,
        border: `2px solid ${colours.verdigris}`,
        background: "#2f6f6830",
        pointerEvents: "none",
      }}
    />
  );
}
