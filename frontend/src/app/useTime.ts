/** Time at a bench for a page: counted while it is looked at and moved; pauses are cut off. */
import { useEffect } from "react";
import { type Bench, spendTime } from "../api/building";

const STILL = 60_000;
/** Milliseconds without a movement after which one is elsewhere. */
const TELL = 30_000;

export function useTime(bench: Bench, page: string | undefined): void {
  useEffect(() => {
    if (!page) return;
    let moved = Date.now();
    let counted = 0;
    const onMove = () => {
      const now = Date.now();
      if (now - moved < STILL && !document.hidden) counted += now - moved;
      moved = now;
    };
    const tell = () => {
      onMove();
      const seconds = Math.round(counted / 1000);
      if (seconds < 1) return;
      counted = 0;
      spendTime(page, bench, seconds).catch(() => {
        counted += seconds * 1000;
      });
    };
    const events = ["pointermove", "pointerdown", "keydown", "wheel"] as const;
    for (const event of events) window.addEventListener(event, onMove, { passive: true });
    const every = setInterval(() => {
      if (counted) tell();
    }, TELL);
    return () => {
      clearInterval(every);
      for (const event of events) window.removeEventListener(event, onMove);
      tell();
    };
  }, [bench, page]);
}
