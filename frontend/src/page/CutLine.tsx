/** Where the gutter cuts a print, over its picture; moved by hand or with the arrow keys. */
import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import { colours } from "../app/theme";
import { arrow } from "../ui/arrows";

interface Props {
  /** As a share of the frame's width. */
  at: number;
  /** The frame's width in pixels. */
  frame: number;
  onMove?: (by: number) => void;
}

export function CutLine({ at, frame, onMove }: Props) {
  const start = useRef<number | null>(null);
  const [by, setBy] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the line is elsewhere, the hand's way is in it
  useEffect(() => setBy(0), [at]);
  return (
    <Box
      role="slider"
      tabIndex={onMove ? 0 : -1}
      aria-label="The gutter’s cut on the picture"
      aria-valuenow={Math.round(at * 100)}
      aria-valuemin={0}
      aria-valuemax={100}
      data-cut-line
      onPointerDown={(event: PointerEvent<HTMLElement>) => {
        if (!onMove) return;
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        start.current = event.clientX;
      }}
      onPointerMove={(event: PointerEvent<HTMLElement>) => {
        if (start.current === null) return;
        event.stopPropagation();
        setBy((event.clientX - start.current) / frame);
      }}
      onPointerUp={(event: PointerEvent<HTMLElement>) => {
        if (start.current === null) return;
        event.stopPropagation();
        const far = (event.clientX - start.current) / frame;
        start.current = null;
        setBy(far);
        onMove?.(far);
      }}
      onKeyDown={(event: KeyboardEvent) => {
        const step = arrow(event.key)?.[0];
        if (!step || !onMove) return;
        event.preventDefault();
        event.stopPropagation();
        onMove(step * 0.01);
      }}
      sx={{
        position: "absolute",
        left: `${(at + by) * 100}%`,
        top: 0,
        bottom: 0,
        width: 44,
        ml: "-22px",
        cursor: onMove ? "ew-resize" : "auto",
        touchAction: "none",
        "&::before": {
          content: '""',
          position: "absolute",
          left: 21,
          top: 0,
          bottom: 0,
          borderLeft: `2px dashed ${colours.madder}`,
          boxShadow: "-1px 0 0 #fff",
        },
      }}
    />
  );
}
