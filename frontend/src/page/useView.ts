/** How much of the page is seen, and how large: the whole of it, or closer, moved by wheel, fingers, keys. */
import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from "react";
import { pixelsToAnInch } from "./trueSize";

export interface View {
  x: number;
  y: number;
  width: number;
  height: number;
  /** Inches to a pixel of the screen. */
  pixel: number;
  /** How deep the rulers are, in inches. */
  depth: number;
  zoomed: boolean;
}

export type Zoom = "closer" | "further" | "whole" | "true";

const DEPTH_PIXELS = 26;
const ROOM_PIXELS = 14;
const STEP = 1.4;
const CLOSEST = 1 / 1200;

interface Seen {
  /** Inches to a pixel; null shows the whole page. */
  pixel: number | null;
  x: number;
  y: number;
}

export function useView(frame: RefObject<HTMLElement | null>, width: number, height: number) {
  const [room, setRoom] = useState<readonly [number, number]>([800, 500]);
  const [seen, setSeen] = useState<Seen>({ pixel: null, x: width / 2, y: height / 2 });

  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setRoom([element.clientWidth, element.clientHeight]));
    watch.observe(element);
    return () => watch.disconnect();
  }, [frame]);

  const edge = DEPTH_PIXELS + ROOM_PIXELS;
  const fit = Math.max(width / Math.max(120, room[0] - edge), height / Math.max(120, room[1] - edge));
  const pixel = Math.min(seen.pixel ?? fit, fit);
  const zoomed = pixel < fit;
  const view = zoomed ? within(seen, pixel, room, width, height) : whole(fit, width, height);

  const now = useRef({ view, fit, room });
  useLayoutEffect(() => {
    now.current = { view, fit, room };
  });

  /** By a factor, so that what lies at a point (in inches) stays where it is. */
  function zoomBy(factor: number, at?: { x: number; y: number }): void {
    const { view: from, fit: most, room: size } = now.current;
    const middle = { x: from.x + from.width / 2, y: from.y + from.height / 2 };
    const to = Math.max(CLOSEST, Math.min(most, from.pixel / factor));
    if (to >= most) {
      setSeen({ pixel: null, ...middle });
      return;
    }
    const point = at ?? middle;
    const share = { x: (point.x - from.x) / from.width, y: (point.y - from.y) / from.height };
    setSeen({
      pixel: to,
      x: point.x + (0.5 - share.x) * size[0] * to,
      y: point.y + (0.5 - share.y) * size[1] * to,
    });
  }

  /** Moves what is seen by so many pixels. */
  function panBy(dx: number, dy: number): void {
    const { view: from } = now.current;
    const middle = { x: from.x + from.width / 2, y: from.y + from.height / 2 };
    setSeen((s) => (s.pixel === null ? s : { ...s, x: middle.x - dx * from.pixel, y: middle.y - dy * from.pixel }));
  }

  function zoom(how: Zoom): void {
    if (how === "whole") setSeen((s) => ({ ...s, pixel: null }));
    else if (how === "true") zoomBy(now.current.view.pixel * pixelsToAnInch());
    else zoomBy(how === "closer" ? STEP : 1 / STEP);
  }

  return { view, zoomBy, panBy, zoom };
}

function whole(pixel: number, width: number, height: number): View {
  const depth = DEPTH_PIXELS * pixel;
  const room = ROOM_PIXELS * pixel;
  return {
    x: -depth,
    y: -depth,
    width: width + depth + room,
    height: height + depth + room,
    pixel,
    depth,
    zoomed: false,
  };
}

function within(seen: Seen, pixel: number, room: readonly [number, number], width: number, height: number): View {
  const all = whole(pixel, width, height);
  const [w, h] = [room[0] * pixel, room[1] * pixel];
  return {
    ...all,
    x: held(seen.x, w, all.x, all.x + all.width) - w / 2,
    y: held(seen.y, h, all.y, all.y + all.height) - h / 2,
    width: w,
    height: h,
    zoomed: true,
  };
}

/** The middle of what is seen, so that nothing beside the page is. */
function held(middle: number, size: number, low: number, high: number): number {
  if (size >= high - low) return (low + high) / 2;
  return Math.min(Math.max(middle, low + size / 2), high - size / 2);
}
