/** Moving a part: the server says where it catches and how far it is from what; the latest answer is drawn. */
import { useRef, useState } from "react";
import { client, type Schemas, take } from "../../api/client";
import type { Recipe } from "../../api/documents";
import type { Overlay } from "../../page/Drawing";
import { asLength, type Box, box } from "../../page/scale";
import type { Part } from "../../parts/kinds";

type Moved = Schemas["Moved"];

const LINGER = 2500;
/** How near a guide must be to catch, in inches. */
const CATCH = "3/16 in";

export function useMove(id: string, page: Recipe, onMoved: (what: string, part: Part, group?: string) => void) {
  const [overlay, setOverlay] = useState<Overlay | null>(null);
  const wanted = useRef<{ part: string; corner: { x: number; y: number }; start: Box } | null>(null);
  const asking = useRef(false);
  const latest = useRef<Moved | null>(null);
  const dropped = useRef(false);
  const fading = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const nudges = useRef<Promise<void>>(Promise.resolve());
  const current = useRef(page);
  current.current = page;

  function show(moved: Moved, start: Box | null): void {
    const now = box(moved.box);
    setOverlay({
      part: moved.part.id,
      shift: start ? { x: now.x - start.x, y: now.y - start.y } : { x: 0, y: 0 },
      across: moved.across,
      down: moved.down,
      distances: moved.distances,
    });
  }

  async function ask(): Promise<void> {
    if (asking.current) return;
    asking.current = true;
    while (wanted.current) {
      const { part, corner, start } = wanted.current;
      wanted.current = null;
      try {
        const body = {
          page: current.current,
          id,
          part,
          x: asLength(corner.x),
          y: asLength(corner.y),
          catch: CATCH,
        };
        latest.current = await take(client.POST("/api/move", { body }));
        show(latest.current, start);
      } catch {
        break; // the next move asks again; the part stays where it was drawn last
      }
    }
    asking.current = false;
    if (dropped.current) finish();
  }

  function finish(): void {
    dropped.current = false;
    if (latest.current) onMoved("moved a part", latest.current.part as Part);
    latest.current = null;
    linger();
  }

  function linger(): void {
    clearTimeout(fading.current);
    setOverlay((o) => o && { ...o, shift: { x: 0, y: 0 }, across: null, down: null });
    fading.current = setTimeout(() => setOverlay(null), LINGER);
  }

  function onDrag(part: string, corner: { x: number; y: number }, start: Box): void {
    clearTimeout(fading.current);
    wanted.current = { part, corner, start };
    void ask();
  }

  function onDrop(): void {
    dropped.current = true;
    if (!asking.current) finish();
  }

  function onNudge(part: string, marks: [number, number]): void {
    nudges.current = nudges.current.then(async () => {
      try {
        const moved = await take(client.POST("/api/move", { body: { page: current.current, id, part, marks } }));
        onMoved("nudged a part", moved.part as Part, `nudge ${part}`);
        show(moved, null);
        linger();
      } catch {
        // a part that cannot be moved stays
      }
    });
  }

  return { overlay, onDrag, onDrop, onNudge };
}
