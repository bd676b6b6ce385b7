/**
 * The print's frame over the picture: dragged, pinched, or moved by keys; what is outside will be cut away. The component
 * is long because fingers, mouse and keys move the same frame.
 *
 * What must stay in is marked on it: a focal point, faces; and where a gutter will cut the print, the line is drawn.
 */
import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, useEffect, useId, useRef, useState, type WheelEvent } from "react";
import type { Schemas } from "../api/client";
import { colours } from "../app/theme";
import { arrow } from "../ui/arrows";
import { CutLine } from "./CutLine";
import { type Face, FaceMark, FocalPoint } from "./Marks";

type Framing = Schemas["Framing"];
export interface Held {
  x: number;
  y: number;
  zoom: number;
}

interface Props {
  src: string;
  name: string;
  pixels: [number, number];
  framing: Framing;
  crop: Schemas["Crop"] | null;
  /** The shape of the print in a box of 1 × 1; empty for a rectangle. */
  outline?: string;
  /** Whether the crop is the one of the framing, and not of an earlier one. */
  settled: boolean;
  marking?: "spot" | "face" | null;
  onSpot?: (x: number, y: number) => void;
  onFaces?: (what: string, faces: Face[], group?: string) => void;
  onFrame: (what: string, frame: Held, group: string) => void;
  /** Where the gutter cuts the print, as a share of the frame's width; moved by so much of it. */
  line?: number | null;
  onLine?: (by: number) => void;
}

interface Window_ {
  x: number;
  y: number;
  w: number;
  h: number;
}

export const MOST_ZOOM = 5;
const FACE = 0.16;

export function CropFrame(props: Props) {
  const { src, name, pixels, framing, crop, settled, marking = null, line = null } = props;
  const outer = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState<[number, number]>([600, 400]);
  const hands = useRef(new Map<number, { x: number; y: number }>());
  const held = useRef<{ x: number; y: number; from: Window_; apart: number } | null>(null);
  const [moving, setMoving] = useState<Window_ | null>(null);
  /** The same, for a hand that lifts before the last of its way has been drawn. */
  const latest = useRef<Window_ | null>(null);
  /** Where the frame was last sent: quick keys go on from there, not from an answer that is on its way. */
  const sent = useRef<Window_ | null>(null);
  const mask = useId();
  /** Where the keys mark something. */
  const [aim, setAim] = useState<{ x: number; y: number } | null>(null);

  useEffect(() => {
    const element = outer.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setRoom([element.clientWidth, element.clientHeight]));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);

  const scale = Math.min(room[0] / pixels[0], room[1] / pixels[1]);
  const [width, height] = [pixels[0] * scale, pixels[1] * scale];
  const still: Window_ = crop
    ? { x: crop.x, y: crop.y, w: crop.width, h: crop.height }
    : { x: 0, y: 0, w: 1, h: 1 };
  const frame = moving ?? still;
  const aimed = aim ?? { x: framing.focal_x ?? frame.x + frame.w / 2, y: framing.focal_y ?? frame.y + frame.h / 2 };

  function move(to: Window_ | null): void {
    latest.current = to;
    setMoving(to);
  }

  function share(event: { clientX: number; clientY: number }): { x: number; y: number } {
    const rect = outer.current?.firstElementChild?.getBoundingClientRect();
    if (!rect) return { x: 0, y: 0 };
    return { x: (event.clientX - rect.x) / rect.width, y: (event.clientY - rect.y) / rect.height };
  }

  /** What is being marked is at that place. */
  function set(at: { x: number; y: number }): void {
    const [x, y] = [within(at.x), within(at.y)];
    if (marking === "spot") props.onSpot?.(x, y);
    else props.onFaces?.("marked a face", [...framing.faces, { x, y, size: FACE }]);
  }

  function onPointerDown(event: PointerEvent<HTMLElement>): void {
    if (!crop || event.button !== 0) return;
    const at = share(event);
    if (marking) {
      set(at);
      return;
    }
    hands.current.set(event.pointerId, at);
    event.currentTarget.setPointerCapture(event.pointerId);
    grab();
  }

  /** From here on the hands are compared with where they were. */
  function grab(): void {
    const { x, y, apart } = together([...hands.current.values()]);
    held.current = { x, y, apart, from: latest.current ?? still };
  }

  function onPointerMove(event: PointerEvent<HTMLElement>): void {
    if (!held.current || !hands.current.has(event.pointerId)) return;
    hands.current.set(event.pointerId, share(event));
    const now = together([...hands.current.values()]);
    const { from, x, y, apart } = held.current;
    const by = apart && now.apart ? limited(from, apart / now.apart) : 1;
    move(placed({ ...scaled(from, by), x: now.x - (x - from.x) * by, y: now.y - (y - from.y) * by }));
  }

  function onPointerUp(event: PointerEvent<HTMLElement>): void {
    if (!hands.current.delete(event.pointerId)) return;
    if (hands.current.size) grab();
    else {
      if (held.current && latest.current) send("moved the crop", latest.current, "crop");
      held.current = null;
    }
  }

  /** How far a frame may grow or shrink: not beyond the picture, not closer than five times. */
  function limited(from: Window_, by: number): number {
    const zoom = framing.zoom * (still.w / from.w);
    return Math.min(zoom, Math.max(zoom / MOST_ZOOM, by));
  }

  function send(what: string, to: Window_, group: string): void {
    sent.current = to;
    move(to);
    const zoom = Math.min(20, Math.max(1, framing.zoom * (still.w / to.w)));
    props.onFrame(what, { x: within(to.x + to.w / 2), y: within(to.y + to.h / 2), zoom }, group);
  }

  function zoomed(by: number): void {
    const from = sent.current ?? frame;
    const next = scaled(from, limited(from, by));
    send(
      "cropped closer",
      placed({ ...next, x: from.x + (from.w - next.w) / 2, y: from.y + (from.h - next.h) / 2 }),
      "zoom",
    );
  }

  // The frame stays where it was put until the server has worked the crop out; what must stay in may hold it elsewhere.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new crop is the signal
  useEffect(() => {
    if (!settled) return;
    sent.current = null;
    if (!held.current) move(null);
  }, [settled, crop]);

  function onKeyDown(event: KeyboardEvent): void {
    if (event.target !== event.currentTarget) return;
    const step = arrow(event.key);
    const far = event.shiftKey ? 0.05 : 0.01;
    if (marking && step) {
      event.preventDefault();
      setAim({ x: within(aimed.x + step[0] * far), y: within(aimed.y + step[1] * far) });
    } else if (marking && (event.key === "Enter" || event.key === " ")) {
      event.preventDefault();
      set(aimed);
    } else if (step) {
      event.preventDefault();
      const from = sent.current ?? frame;
      send("moved the crop", placed({ ...from, x: from.x + step[0] * far, y: from.y + step[1] * far }), "crop");
    } else if (event.key === "+" || event.key === "=") zoomed(1 / 1.05);
    else if (event.key === "-") zoomed(1.05);
  }

  return (
    <Box
      ref={outer}
      sx={{ flex: 1, minHeight: 240, minWidth: 0, position: "relative", display: "flex", justifyContent: "center" }}
    >
      <Box
        role="group"
        tabIndex={0}
        aria-label={`Crop of ${name}: ${
          marking
            ? "arrow keys move the cross, Enter marks"
            : "arrow keys move it, plus and minus come closer and go back"
        }`}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
        onKeyDown={onKeyDown}
        onWheel={(event: WheelEvent) => crop && zoomed(event.deltaY < 0 ? 1 / 1.05 : 1.05)}
        sx={{
          position: "relative",
          width,
          height,
          overflow: "hidden",
          touchAction: "none",
          cursor: marking ? "crosshair" : "move",
          background: colours.faint,
        }}
      >
        <img
          src={src}
          alt={name}
          draggable={false}
          style={{ width: "100%", height: "100%", display: "block", userSelect: "none" }}
        />
        {crop && (
          <Box
            data-crop
            sx={{
              position: "absolute",
              left: 0,
              top: 0,
              width: `${frame.w * 100}%`,
              height: `${frame.h * 100}%`,
              transform: `translate(${frame.x * width}px, ${frame.y * height}px)`,
              willChange: "transform",
              boxShadow: "0 0 0 4000px rgba(35, 38, 43, 0.55)",
              outline: props.outline ? "none" : `2px solid ${colours.paper}`,
              outlineOffset: -2,
            }}
          >
            {props.outline ? <Shape outline={props.outline} mask={mask} /> : <Thirds />}
            {line !== null && line > 0 && line < 1 && (
              <CutLine at={line} frame={frame.w * width} onMove={props.onLine} />
            )}
          </Box>
        )}
        {marking && <Cross {...aimed} />}
        {framing.focal_x !== null && framing.focal_y !== null && (
          <FocalPoint x={framing.focal_x} y={framing.focal_y} />
        )}
        {framing.faces.map((face, k) => (
          <FaceMark
            // biome-ignore lint/suspicious/noArrayIndexKey: a face is its place in the list
            key={k}
            face={face}
            number={k + 1}
            size={face.size * Math.min(width, height)}
            live={marking === "face"}
            share={share}
            onChange={(what, next, group) =>
              props.onFaces?.(
                what,
                next ? framing.faces.map((f, n) => (n === k ? next : f)) : framing.faces.filter((_, n) => n !== k),
                group,
              )
            }
          />
        ))}
      </Box>
    </Box>
  );
}

function together(points: { x: number; y: number }[]): { x: number; y: number; apart: number } {
  const [a = { x: 0, y: 0 }, b] = points;
  if (!b) return { ...a, apart: 0 };
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, apart: Math.hypot(a.x - b.x, a.y - b.y) };
}

function scaled(from: Window_, by: number): Window_ {
  return { ...from, w: from.w * by, h: from.h * by };
}

function placed(frame: Window_): Window_ {
  return {
    ...frame,
    x: Math.min(1 - frame.w, Math.max(0, frame.x)),
    y: Math.min(1 - frame.h, Math.max(0, frame.y)),
  };
}

function within(share: number): number {
  return Math.min(1, Math.max(0, share));
}

/** Where Enter marks something; moved by the arrow keys. */
function Cross({ x, y }: { x: number; y: number }) {
  return (
    <Box
      data-aim
      aria-hidden
      sx={{
        position: "absolute",
        left: `${x * 100}%`,
        top: `${y * 100}%`,
        width: 26,
        height: 26,
        ml: "-13px",
        mt: "-13px",
        pointerEvents: "none",
        background: `linear-gradient(${colours.paper}, ${colours.paper}) 50% / 2px 100% no-repeat,
          linear-gradient(${colours.paper}, ${colours.paper}) 50% / 100% 2px no-repeat`,
        filter: "drop-shadow(0 0 1px #000)",
      }}
    />
  );
}

function Thirds() {
  return (
    <svg
      viewBox="0 0 3 3"
      preserveAspectRatio="none"
      style={{ width: "100%", height: "100%", display: "block" }}
      aria-hidden
    >
      <path
        d="M1 0V3M2 0V3M0 1H3M0 2H3"
        stroke="#fff"
        strokeOpacity={0.45}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
        fill="none"
      />
    </svg>
  );
}

/** A print that is no rectangle: what its shape cuts off is darkened too. */
function Shape({ outline, mask }: { outline: string; mask: string }) {
  return (
    <svg
      viewBox="0 0 1 1"
      preserveAspectRatio="none"
      style={{ width: "100%", height: "100%", display: "block" }}
      aria-hidden
    >
      <mask id={mask}>
        <rect width={1} height={1} fill="#fff" />
        <path d={outline} fill="#000" />
      </mask>
      <rect width={1} height={1} fill="#23262b" fillOpacity={0.55} mask={`url(#${mask})`} />
      <path d={outline} fill="none" stroke={colours.paper} strokeWidth={2} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
