/**
 * Parts under a pointer. A mouse or pen takes hold at once; a finger, which also scrolls, chooses with a tap and takes hold
 * with a longer press or at the handle of the chosen part.
 */
import { type PointerEvent, type RefObject, useRef } from "react";
import type { Evaluated } from "../api/recipe";
import { type Box, box, pointOn } from "./scale";
import type { useView } from "./useView";

const STILL_PIXELS = 3;
const FINGER_PIXELS = 9;
const PRESS_MS = 420;

interface Held {
  part: string;
  start: Box;
  at: { x: number; y: number };
  moved: boolean;
}

interface Pressed {
  part: string | null;
  wider: boolean;
  /** It was chosen before. */
  again: boolean;
  x: number;
  y: number;
  moved: boolean;
  timer: ReturnType<typeof setTimeout> | undefined;
}

interface On {
  page: Evaluated;
  pointing: boolean;
  onChoose: (part: string | null, more?: boolean) => void;
  onDrag: (part: string, corner: { x: number; y: number }, start: Box) => void;
  onDrop: () => void;
  onPress: (part: string, at: { x: number; y: number }, anchor: { left: number; top: number }) => void;
}

export function usePressing(
  svg: RefObject<SVGSVGElement | null>,
  { view, panBy }: ReturnType<typeof useView>,
  chosen: string | null,
  { page, pointing, onChoose, onDrag, onDrop, onPress }: On,
) {
  const held = useRef<Held | null>(null);
  const pressed = useRef<Pressed | null>(null);

  function hold(part: string, event: { clientX: number; clientY: number }): void {
    const found = page.parts.find((p) => p.id === part);
    const isBase = page.pieces.some((piece) => piece.part === part && piece.role === "base");
    if (!svg.current || !found?.box || isBase || pointing) return;
    held.current = { part, start: box(found.box), at: pointOn(svg.current, event), moved: false };
  }

  function onDown(event: PointerEvent<SVGElement>, part: string | null): void {
    if (event.button !== 0 || !svg.current) return;
    event.stopPropagation();
    if (event.pointerType === "touch" && !event.isPrimary) {
      letGo();
      return;
    }
    const { clientX, clientY } = event;
    const finger = event.pointerType === "touch";
    const timer =
      finger && part
        ? setTimeout(() => {
            onChoose(part);
            hold(part, { clientX, clientY });
          }, PRESS_MS)
        : undefined;
    pressed.current = {
      part,
      wider: event.shiftKey,
      again: part === chosen,
      x: clientX,
      y: clientY,
      moved: false,
      timer,
    };
    if (finger) return;
    if (part) {
      onChoose(part, event.shiftKey);
      if (!event.shiftKey) hold(part, event);
    }
    if (held.current || view.zoomed) svg.current.setPointerCapture(event.pointerId);
  }

  /** At the handle of the chosen part a finger takes hold at once. */
  function onHandle(event: PointerEvent<SVGElement>, part: string): void {
    event.stopPropagation();
    hold(part, event);
    svg.current?.setPointerCapture(event.pointerId);
  }

  function onMove(event: PointerEvent<SVGElement>): void {
    const now = held.current;
    if (now && svg.current) {
      const { x, y } = pointOn(svg.current, event);
      const [dx, dy] = [x - now.at.x, y - now.at.y];
      if (!now.moved && Math.hypot(dx, dy) < STILL_PIXELS * view.pixel) return;
      now.moved = true;
      onDrag(now.part, { x: now.start.x + dx, y: now.start.y + dy }, now.start);
      return;
    }
    const press = pressed.current;
    if (!press) return;
    const [dx, dy] = [event.clientX - press.x, event.clientY - press.y];
    if (!press.moved && Math.hypot(dx, dy) < FINGER_PIXELS) return;
    clearTimeout(press.timer);
    pressed.current = { ...press, moved: true, x: event.clientX, y: event.clientY };
    if (view.zoomed && (event.pointerType === "touch" || press.part === null)) panBy(dx, dy);
  }

  function onUp(event: PointerEvent<SVGElement>): void {
    if (held.current?.moved) onDrop();
    else if (pressed.current && !pressed.current.moved) {
      const { part, wider, again, x, y } = pressed.current;
      if (part === null) onChoose(null);
      else if (again && !wider && svg.current)
        onPress(part, pointOn(svg.current, { clientX: x, clientY: y }), { left: x, top: y });
      else if (event.pointerType === "touch" && !held.current) onChoose(part, wider);
    }
    letGo();
  }

  function letGo(): void {
    clearTimeout(pressed.current?.timer);
    pressed.current = null;
    held.current = null;
  }

  function onCancel(): void {
    if (held.current?.moved) onDrop();
    letGo();
  }

  return { onDown, onHandle, onMove, onUp, onCancel, holds: () => held.current !== null };
}
