/** What must stay in, marked on a picture: the focal point, and faces that can be moved, made larger, taken away. */
import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, useRef, useState, type WheelEvent } from "react";
import type { Schemas } from "../api/client";
import { colours } from "../app/theme";
import { arrow } from "../ui/arrows";

export type Face = Schemas["Face"];

/** How far a pointer may wander in pixels and still have pressed. */
const STILL = 4;

export function FocalPoint({ x, y }: { x: number; y: number }) {
  return <Box title="Focal point: stays in whatever the size" sx={{ ...ring(x, y, 28), pointerEvents: "none" }} />;
}

function ring(x: number, y: number, size: number) {
  return {
    position: "absolute",
    left: `${x * 100}%`,
    top: `${y * 100}%`,
    width: size,
    height: size,
    ml: `${-size / 2}px`,
    mt: `${-size / 2}px`,
    borderRadius: "50%",
    border: "3px solid #fff",
    boxShadow: `0 0 0 2px ${colours.verdigris}, inset 0 0 0 2px ${colours.verdigris}`,
  } as const;
}

function within(share: number): number {
  return Math.min(1, Math.max(0, share));
}

interface Props {
  face: Face;
  number: number;
  size: number;
  /** Whether faces are being marked: then they can be moved, made larger, taken away. */
  live: boolean;
  share: (event: { clientX: number; clientY: number }) => { x: number; y: number };
  onChange: (what: string, face: Face | null, group?: string) => void;
}

export function FaceMark({ face, number, size, live, share, onChange }: Props) {
  const start = useRef<{ x: number; y: number; clientX: number; clientY: number } | null>(null);
  const [by, setBy] = useState<[number, number]>([0, 0]);
  const drawn = Math.max(live ? 44 : 16, size);
  const resized = (factor: number) =>
    onChange(
      "changed a face",
      { ...face, size: Math.min(1, Math.max(0.02, face.size * factor)) },
      `face ${number}`,
    );

  function onKeyDown(event: KeyboardEvent): void {
    const step = arrow(event.key);
    event.stopPropagation();
    if (step) {
      event.preventDefault();
      const [dx, dy] = step;
      onChange(
        "moved a face",
        { ...face, x: within(face.x + dx * 0.01), y: within(face.y + dy * 0.01) },
        `face ${number}`,
      );
    } else if (event.key === "+" || event.key === "=") resized(1.1);
    else if (event.key === "-") resized(1 / 1.1);
    else if (event.key === "Delete" || event.key === "Backspace" || event.key === "Enter")
      onChange("took a face away", null);
  }

  return (
    <Box
      component="button"
      type="button"
      data-face
      aria-label={`Face ${number}: arrow keys move it, plus and minus change its size, Delete takes it away`}
      tabIndex={live ? 0 : -1}
      onKeyDown={onKeyDown}
      onWheel={(event: WheelEvent) => {
        event.stopPropagation();
        if (live) resized(event.deltaY < 0 ? 1.1 : 1 / 1.1);
      }}
      onPointerDown={(event: PointerEvent<HTMLElement>) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        start.current = { ...share(event), clientX: event.clientX, clientY: event.clientY };
      }}
      onPointerMove={(event: PointerEvent<HTMLElement>) => {
        if (!start.current) return;
        const at = share(event);
        setBy([at.x - start.current.x, at.y - start.current.y]);
      }}
      onPointerUp={(event: PointerEvent<HTMLElement>) => {
        const from = start.current;
        start.current = null;
        if (!from) return;
        const far = Math.hypot(event.clientX - from.clientX, event.clientY - from.clientY);
        setBy([0, 0]);
        if (far < STILL) onChange("took a face away", null);
        else {
          const to = share(event);
          onChange("moved a face", {
            ...face,
            x: within(face.x + to.x - from.x),
            y: within(face.y + to.y - from.y),
          });
        }
      }}
      sx={{
        ...ring(face.x + by[0], face.y + by[1], drawn),
        padding: 0,
        background: "transparent",
        borderStyle: "dashed",
        cursor: live ? "grab" : "default",
        pointerEvents: live ? "auto" : "none",
        touchAction: "none",
      }}
    />
  );
}
