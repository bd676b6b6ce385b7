/** The handles of the chosen part: what its kind is about is pulled here, the figure beside the hand, on marks. */

import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { Schemas } from "../api/client";
import type { Recipe } from "../api/pages";
import type { Evaluated } from "../api/recipe";
import { pullHandle } from "../api/recipe";
import { colours } from "../app/theme";
import type { Part } from "../parts/kinds";
import { arrow } from "../ui/arrows";
import { Figure } from "./Drawing";
import { asLength, box, inches, pointOn } from "./scale";

type Handle = Schemas["Handle"];

interface Props {
  id: string;
  page: Recipe;
  evaluated: Evaluated;
  part: string;
  pixel: number;
  /** A mark of the person's ruler, in inches. */
  mark: number;
  onChange: (what: string, part: Part, group: string) => void;
}

/** Half the side of what a finger can hit, in pixels; of handles close together as much as the next one leaves. */
const REACH = 22;
const LEAST_REACH = 8;

function reach(handle: Handle, all: readonly Handle[], pixel: number): number {
  const apart = all
    .filter((other) => other !== handle)
    .map((other) => Math.max(away(handle.x, other.x), away(handle.y, other.y)) / pixel / 2);
  return Math.max(LEAST_REACH, Math.min(REACH, ...apart)) * pixel;
}

function away(one: string, other: string): number {
  return Math.abs(inches(one) - inches(other));
}

export function Handles({ id, page, evaluated, part, pixel, mark, onChange }: Props) {
  const found = evaluated.parts.find((p) => p.id === part);
  const [says, setSays] = useState<{ field: string; text: string } | null>(null);
  const held = useRef<{ handle: Handle; x: number; y: number; from: Recipe } | null>(null);
  /** A hand pulls from where it took hold; a key, without a `from`, goes on from what is there by then. */
  const wanted = useRef<{ handle: Handle; across: number; down: number; from: Recipe | null } | null>(null);
  const latest = useRef(page);
  latest.current = page;
  const asking = useRef(false);
  if (!found?.box) return null;
  const corner = box(found.box);

  /** One question at a time; the latest place of the hand is asked for once the last answer is there. */
  async function ask(): Promise<void> {
    if (asking.current) return;
    asking.current = true;
    while (wanted.current) {
      const { handle, across, down, from } = wanted.current;
      wanted.current = null;
      try {
        const body = {
          page: from ?? latest.current,
          id,
          part,
          field: handle.field,
          across: asLength(across),
          down: asLength(down),
        };
        const pulled = await pullHandle(body);
        const parts = latest.current.parts.map((one) => (one.id === part ? pulled.part : one));
        latest.current = { ...latest.current, parts };
        setSays({ field: handle.field, text: pulled.says });
        onChange(`pulled the ${handle.name}`, pulled.part as Part, `pull ${handle.field}`);
      } catch {
        break; // the part stays as it was drawn last
      }
    }
    asking.current = false;
  }

  function onPointerMove(event: PointerEvent<SVGGElement>): void {
    const now = held.current;
    const svg = event.currentTarget.ownerSVGElement;
    if (!now || !svg) return;
    event.stopPropagation();
    const at = pointOn(svg, event);
    wanted.current = { handle: now.handle, across: at.x - now.x, down: at.y - now.y, from: now.from };
    void ask();
  }

  function onKeyDown(event: KeyboardEvent, handle: Handle): void {
    const step = arrow(event.key);
    if (!step || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    const growth = handle.across || handle.down;
    const along = handle.across ? step[0] : step[1];
    if (!along || !growth) return;
    // A step of a length is a mark; of a count it is one.
    const one = COUNTS.has(handle.field) ? 1 / growth : (mark / Math.abs(growth)) * Math.sign(growth);
    const by = Math.abs(one) * along * (event.shiftKey ? 4 : 1);
    // Keys pressed quicker than they are answered add up.
    const before =
      wanted.current?.from === null && wanted.current.handle.field === handle.field ? wanted.current : null;
    const across = (before?.across ?? 0) + (handle.across ? by : 0);
    const down = (before?.down ?? 0) + (handle.across ? 0 : by);
    wanted.current = { handle, across, down, from: null };
    void ask();
  }

  return (
    <g>
      {found.handles.map((handle) => {
        const x = corner.x + inches(handle.x);
        const y = corner.y + inches(handle.y);
        const hit = reach(handle, found.handles, pixel);
        const told = says?.field === handle.field ? says.text : null;
        return (
          <g
            key={handle.field}
            role="button"
            tabIndex={0}
            data-handle={handle.field}
            aria-label={`Pull the ${handle.name}${told ? `: ${told}` : ""}`}
            transform={`translate(${x} ${y})`}
            style={{ cursor: handle.across ? "ew-resize" : "ns-resize", touchAction: "none" }}
            onPointerDown={(event) => {
              const svg = event.currentTarget.ownerSVGElement;
              if (event.button !== 0 || !svg) return;
              event.stopPropagation();
              event.currentTarget.setPointerCapture(event.pointerId);
              held.current = { handle, ...pointOn(svg, event), from: page };
            }}
            onPointerMove={onPointerMove}
            onPointerUp={(event) => {
              event.stopPropagation();
              onPointerMove(event);
              held.current = null;
            }}
            onPointerCancel={() => {
              held.current = null;
            }}
            onKeyDown={(event) => onKeyDown(event, handle)}
            onBlur={() => setSays(null)}
          >
            <title>{handle.name}</title>
            <rect x={-hit} y={-hit} width={2 * hit} height={2 * hit} fill="transparent" />
            <circle data-ring r={12 * pixel} fill="none" stroke={colours.ochre} strokeWidth={3.5 * pixel} />
            <circle r={6.5 * pixel} fill="#fff" stroke={colours.verdigris} strokeWidth={2.4 * pixel} />
            <path
              d={handle.across ? `M${-3 * pixel} 0H${3 * pixel}` : `M0 ${-3 * pixel}V${3 * pixel}`}
              stroke={colours.verdigris}
              strokeWidth={2 * pixel}
            />
            {told && <Figure x={0} y={-20 * pixel} says={told} pixel={pixel} />}
          </g>
        );
      })}
    </g>
  );
}

const COUNTS = new Set(["count", "rows", "columns", "rays", "layers"]);
