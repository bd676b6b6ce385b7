/** Which of the drafts that were found are shown, and in which order. */
import type { Draft } from "../../api/drafts";

const SHOWN = 9;

/** Tells drafts apart: one that is found again by another seed is the same. */
export const keyOf = (draft: Draft) => JSON.stringify([draft.sketch, draft.score, draft.says]);

const kindOf = (draft: Draft) => draft.sketch.split(",")[0] ?? draft.sketch;

/** The best of each kind of sketch, and of those the best first; then what is second best of a kind. */
export function best(drafts: readonly Draft[]): Draft[] {
  const apart = new Map(drafts.map((one) => [keyOf(one), one]));
  const sorted = [...apart.values()].sort((a, b) => a.score - b.score);
  const kinds = new Map<string, Draft>();
  const rest: Draft[] = [];
  for (const draft of sorted) {
    if (kinds.has(kindOf(draft))) rest.push(draft);
    else kinds.set(kindOf(draft), draft);
  }
  return [...kinds.values(), ...rest].slice(0, SHOWN);
}
