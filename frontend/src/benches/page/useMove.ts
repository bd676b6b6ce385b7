/** Moving a part: the server says where it catches and how far it is from what; the latest answer is drawn. */

import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import type { Recipe } from "../../api/pages";
import { arrange, movePart } from "../../api/recipe";
import { useUsual } from "../../api/usual";
import type { Overlay } from "../../page/Drawing";
import { asLength, type Box, box, inches } from "../../page/scale";
import type { Part } from "../../parts/kinds";

type Moved = Schemas["Moved"];

const LINGER = 2500;
/** Where the near edge goes: to the guide, while it is near. */
function caught(guide: Moved["across"] | undefined, at: number, within: string): number {
  return guide && Math.abs(inches(guide.at) - at) <= inches(within) ? inches(guide.at) : at;
}

const partOf = (page: Recipe, id: string) => (page.parts as Part[]).find((part) => part.id === id);

/** `together` are the parts that are chosen besides, or of one group: they go as far as the one in hand. */
export function useMove(
  id: string,
  page: () => Recipe,
  others: readonly string[],
  onMoved: (what: string, part: Part, group: string | undefined, asked: Part | undefined) => void,
  onArranged: (what: string, asked: Recipe, page: Recipe, group?: string) => void,
) {
  const { catches } = useUsual();
  const together = useRef(others);
  together.current = others;
  const [overlay, setOverlay] = useState<Overlay | null>(null);
  const wanted = useRef<{ part: string; corner: { x: number; y: number }; start: Box } | null>(null);
  const asking = useRef(false);
  const latest = useRef<{ moved: Moved; asked: Recipe } | null>(null);
  const dropped = useRef(false);
  const fading = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const nudges = useRef<Promise<void>>(Promise.resolve());
  const from = useRef<Box | null>(null);

  function show(moved: Moved, start: Box | null): void {
    const now = box(moved.box);
    setOverlay({
      part: moved.part.id,
      along: [...moved.along, ...together.current],
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
        const asked = page();
        const body = {
          page: asked,
          id,
          part,
          x: asLength(corner.x),
          y: asLength(corner.y),
          catch: catches,
        };
        const moved = await movePart(body);
        latest.current = { moved, asked };
        show(moved, start);
      } catch {
        break; // the next move asks again; the part stays where it was drawn last
      }
    }
    asking.current = false;
    if (dropped.current) finish();
  }

  function finish(): void {
    dropped.current = false;
    const { moved, asked } = latest.current ?? {};
    latest.current = null;
    if (moved && together.current.length && from.current) {
      const now = box(moved.box);
      const by = { across: asLength(now.x - from.current.x), down: asLength(now.y - from.current.y) };
      void arrangeMove(moved.part.id, by, "moved parts");
    } else if (moved && asked) onMoved("moved a part", moved.part as Part, undefined, partOf(asked, moved.part.id));
    linger();
  }

  async function arrangeMove(part: string, by: { across: string; down: string }, what: string, group?: string) {
    const parts = [part, ...together.current];
    const asked = page();
    try {
      const body = { page: asked, id, parts, act: "move", ...by } as const;
      const moved = await arrange(body);
      onArranged(what, asked, moved.page, group);
    } catch {
      // they stay where they were
    }
  }

  function linger(): void {
    clearTimeout(fading.current);
    setOverlay((o) => o && { ...o, shift: { x: 0, y: 0 }, across: null, down: null });
    fading.current = setTimeout(() => setOverlay(null), LINGER);
  }

  function onDrag(part: string, corner: { x: number; y: number }, start: Box): void {
    clearTimeout(fading.current);
    from.current = start;
    wanted.current = { part, corner, start };
    follow(part, corner, start);
    void ask();
  }

  /** The part follows the hand at once, held by the guides that it caught on last; the server's answer is drawn then. */
  function follow(part: string, corner: { x: number; y: number }, start: Box): void {
    setOverlay((old) => {
      const held = old?.part === part ? old : null;
      const x = caught(held?.across, corner.x, catches);
      const y = caught(held?.down, corner.y, catches);
      return {
        part,
        along: held?.along ?? together.current,
        shift: { x: x - start.x, y: y - start.y },
        across: held?.across ?? null,
        down: held?.down ?? null,
        distances: held?.distances ?? [],
      };
    });
  }

  function onDrop(): void {
    dropped.current = true;
    if (!asking.current) finish();
  }

  function onNudge(part: string, marks: [number, number]): void {
    nudges.current = nudges.current.then(async () => {
      const asked = page();
      try {
        if (together.current.length) {
          const parts = [part, ...together.current];
          const nudged = await arrange({ page: asked, id, parts, act: "move", marks });
          onArranged("nudged parts", asked, nudged.page, `nudge ${part}`);
          return;
        }
        const moved = await movePart({ page: asked, id, part, marks });
        onMoved("nudged a part", moved.part as Part, `nudge ${part}`, partOf(asked, part));
        show(moved, null);
        linger();
      } catch {
        // a part that cannot be moved stays
      }
    });
  }

  return { overlay, onDrag, onDrop, onNudge };
}
