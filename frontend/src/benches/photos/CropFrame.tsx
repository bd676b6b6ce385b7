/** The print's frame over the picture: dragged or moved by keys; what is outside will be cut away. */
import Box from "@mui/material/Box";
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import type { PhotoRecord } from "../../api/documents";
import { colours } from "../../app/theme";

interface Props {
  id: string;
  name: string;
  pixels: [number, number];
  framing: PhotoRecord["framing"];
  crop: Schemas["CropOut"] | null;
  /** Whether the crop is the one of the framing, and not of an earlier one. */
  settled: boolean;
  spotting: boolean;
  onSpot: (x: number, y: number) => void;
  onMove: (x: number, y: number) => void;
  onZoom: (zoom: number) => void;
}

export function CropFrame({ id, name, pixels, framing, crop, settled, spotting, onSpot, onMove, onZoom }: Props) {
  const outer = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState<[number, number]>([600, 400]);
  const held = useRef<{ x: number; y: number; startX: number; startY: number } | null>(null);
  const [moving, setMoving] = useState<{ x: number; y: number } | null>(null);
  /** Where the frame was last sent: quick keys go on from there, not from an answer that is on its way. */
  const sent = useRef<{ x: number; y: number } | null>(null);

  useEffect(() => {
    const element = outer.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setRoom([element.clientWidth, element.clientHeight]));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);

  const scale = Math.min(room[0] / pixels[0], room[1] / pixels[1]);
  const [width, height] = [pixels[0] * scale, pixels[1] * scale];
  const w = crop?.width ?? 1;
  const h = crop?.height ?? 1;
  const left = moving?.x ?? crop?.x ?? 0;
  const top = moving?.y ?? crop?.y ?? 0;

  function share(event: PointerEvent<HTMLElement>): [number, number] {
    const rect = event.currentTarget.getBoundingClientRect();
    return [(event.clientX - rect.x) / rect.width, (event.clientY - rect.y) / rect.height];
  }

  function onPointerDown(event: PointerEvent<HTMLElement>): void {
    if (!crop) return;
    const [x, y] = share(event);
    if (spotting) {
      onSpot(within(x), within(y));
      return;
    }
    held.current = { x, y, startX: left, startY: top };
    event.currentTarget.setPointerCapture(event.pointerId);
  }

  const clamped = (x: number, y: number) => ({
    x: Math.min(1 - w, Math.max(0, x)),
    y: Math.min(1 - h, Math.max(0, y)),
  });

  function onPointerMove(event: PointerEvent<HTMLElement>): void {
    if (!held.current) return;
    const [x, y] = share(event);
    setMoving(clamped(held.current.startX + x - held.current.x, held.current.startY + y - held.current.y));
  }

  function send(to: { x: number; y: number }): void {
    sent.current = to;
    setMoving(to);
    onMove(within(to.x + w / 2), within(to.y + h / 2));
  }

  function onPointerUp(): void {
    if (held.current && moving) send(moving);
    held.current = null;
  }

  // The frame stays where it was put until the server has worked the crop out; a focal point may hold it elsewhere.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new crop is the signal
  useEffect(() => {
    if (!settled) return;
    sent.current = null;
    if (!held.current) setMoving(null);
  }, [settled, crop]);

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    const far = event.shiftKey ? 0.05 : 0.01;
    if (step) {
      event.preventDefault();
      const from = sent.current ?? { x: left, y: top };
      send(clamped(from.x + (step[0] ?? 0) * far, from.y + (step[1] ?? 0) * far));
    } else if (event.key === "+" || event.key === "=") onZoom(Math.min(5, framing.zoom * 1.05));
    else if (event.key === "-") onZoom(Math.max(1, framing.zoom / 1.05));
  }

  return (
    <Box
      ref={outer}
      sx={{ flex: 1, minHeight: 280, position: "relative", display: "flex", justifyContent: "center" }}
    >
      <Box
        role="group"
        tabIndex={0}
        aria-label={`Crop of ${name}: arrow keys move it, plus and minus come closer and go back`}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
        onKeyDown={onKeyDown}
        sx={{
          position: "relative",
          width,
          height,
          overflow: "hidden",
          touchAction: "none",
          cursor: spotting ? "crosshair" : "move",
          background: colours.faint,
        }}
      >
        <img
          src={`/api/pictures/${id}/view`}
          alt={name}
          draggable={false}
          style={{ width: "100%", height: "100%", display: "block", userSelect: "none" }}
        />
        {crop && (
          <Box
            data-crop
            sx={{
              position: "absolute",
              left: `${left * 100}%`,
              top: `${top * 100}%`,
              width: `${w * 100}%`,
              height: `${h * 100}%`,
              boxShadow: "0 0 0 4000px rgba(35, 38, 43, 0.55)",
              outline: `2px solid ${colours.paper}`,
              outlineOffset: -2,
            }}
          >
            <Thirds />
          </Box>
        )}
        {framing.focal_x !== null && framing.focal_y !== null && (
          <Box
            title="Focal point: stays in whatever the size"
            sx={{
              position: "absolute",
              left: `${framing.focal_x * 100}%`,
              top: `${framing.focal_y * 100}%`,
              width: 28,
              height: 28,
              ml: "-14px",
              mt: "-14px",
              borderRadius: "50%",
              border: "3px solid #fff",
              boxShadow: `0 0 0 2px ${colours.verdigris}, inset 0 0 0 2px ${colours.verdigris}`,
              pointerEvents: "none",
            }}
          />
        )}
      </Box>
    </Box>
  );
}

function within(share: number): number {
  return Math.min(1, Math.max(0, share));
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
