/** The wheel and two fingers on the drawing: closer, further, moved. One finger scrolls, unless it holds a part. */
import { type RefObject, useEffect, useRef } from "react";
import { pointOn } from "./scale";
import type { useView } from "./useView";

const PER_NOTCH = 0.0015;

export function useGestures(
  svg: RefObject<SVGSVGElement | null>,
  { view, zoomBy, panBy }: ReturnType<typeof useView>,
  /** Whether a part is held: its way is not a scroll. */
  holds: () => boolean,
): void {
  const latest = useRef({ view, zoomBy, panBy, holds });
  latest.current = { view, zoomBy, panBy, holds };
  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    let [turned, waiting, still] = [0, 0, 0];
    let wheel = { clientX: 0, clientY: 0 };
    let pinch: { apart: number; x: number; y: number } | null = null;

    function onWheel(event: WheelEvent): void {
      const bench = (element as Element).closest("main");
      const scrolls = bench !== null && bench.scrollHeight > bench.clientHeight + 1;
      if (scrolls && !event.ctrlKey && !latest.current.view.zoomed) return;
      event.preventDefault();
      const by = event.deltaMode === 1 ? event.deltaY * 33 : event.deltaY;
      turned += by * PER_NOTCH * (event.ctrlKey ? 4 : 1);
      wheel = { clientX: event.clientX, clientY: event.clientY };
      // A wheel turns faster than a page can be drawn: what has come together goes into one picture.
      waiting ||= requestAnimationFrame(roll);
    }

    /** Soft shadows come back once it stands still: drawing them takes longer than all else. */
    function moves(): void {
      element?.setAttribute("data-rolling", "");
      window.clearTimeout(still);
      still = window.setTimeout(() => element?.removeAttribute("data-rolling"), 160);
    }

    function roll(): void {
      const by = turned;
      turned = waiting = 0;
      moves();
      latest.current.zoomBy(Math.exp(-by), pointOn(element as SVGSVGElement, wheel));
    }

    function between(touches: TouchList): { apart: number; x: number; y: number } | null {
      const [one, other] = [touches[0], touches[1]];
      if (!one || !other) return null;
      return {
        apart: Math.hypot(one.clientX - other.clientX, one.clientY - other.clientY),
        x: (one.clientX + other.clientX) / 2,
        y: (one.clientY + other.clientY) / 2,
      };
    }

    function onTouchStart(event: TouchEvent): void {
      if (event.touches.length !== 2) return;
      event.preventDefault();
      pinch = between(event.touches);
    }

    function onTouchMove(event: TouchEvent): void {
      const now = pinch && between(event.touches);
      if (pinch && now) {
        event.preventDefault();
        const { zoomBy, panBy } = latest.current;
        moves();
        panBy(now.x - pinch.x, now.y - pinch.y);
        zoomBy(now.apart / pinch.apart, pointOn(element as SVGSVGElement, { clientX: now.x, clientY: now.y }));
        pinch = now;
      } else if (latest.current.holds()) event.preventDefault();
    }

    function onTouchEnd(event: TouchEvent): void {
      if (event.touches.length < 2) pinch = null;
    }

    const hold = { passive: false } as const;
    element.addEventListener("wheel", onWheel, hold);
    element.addEventListener("touchstart", onTouchStart, hold);
    element.addEventListener("touchmove", onTouchMove, hold);
    element.addEventListener("touchend", onTouchEnd);
    return () => {
      cancelAnimationFrame(waiting);
      window.clearTimeout(still);
      element.removeEventListener("wheel", onWheel);
      element.removeEventListener("touchstart", onTouchStart);
      element.removeEventListener("touchmove", onTouchMove);
      element.removeEventListener("touchend", onTouchEnd);
    };
  }, [svg]);
}
