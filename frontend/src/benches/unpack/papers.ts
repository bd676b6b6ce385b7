/** How a new paper begins, and what several have in common. */
import type { Kit, Paper, Side, Thing } from "../../api/documents";
import { newId } from "../../parts/kinds";

export function plainSide(): Side {
  return { pattern: "plain", colours: ["#ffffff"], busy: 0, direction: "none", scale: "0 in", picture: null };
}

/** A paper like the last one in everything that goes for a whole kit: size, stock, form, branding strip. */
export function paperLike(last: Paper | undefined, name: string): Paper {
  return {
    id: newId("paper"),
    name,
    width: last?.width ?? "12 in",
    height: last?.height ?? "12 in",
    count: 1,
    stock: last?.stock ?? "patterned",
    form: last?.form ?? "sheet",
    a: plainSide(),
    b: plainSide(),
    strip: last?.strip ?? null,
    scrap_of: null,
    cards: [],
    holes: [],
    inside: null,
  };
}

export function newThing(name: string, last: Thing | undefined): Thing {
  return { id: newId("thing"), name, kind: last?.kind ?? "die cut", count: 1, length: null, note: "" };
}

export function newKit(name: string, kind: Kit["kind"] = "kit"): Kit {
  return { name, kind, note: "", papers: [], things: [] };
}

/** The one value that all have, or null where they differ. */
export function common<T, V>(items: readonly T[], get: (item: T) => V): V | null {
  const first = items[0];
  if (first === undefined) return null;
  const value = get(first);
  return items.every((item) => get(item) === value) ? value : null;
}

export const KIT_KINDS = [
  ["kit", "kit"],
  ["stash", "stash"],
  ["scraps", "scraps"],
] as const;

export const STOCKS = [
  ["patterned", "patterned"],
  ["card stock", "card stock"],
  ["vellum", "vellum"],
] as const;

export const FORMS = [
  ["sheet", "sheet"],
  ["pad", "from a pad"],
  ["scrap", "scrap"],
] as const;

export const BUSY = [
  ["0", "plain"],
  ["1", "quiet"],
  ["2", "lively"],
  ["3", "busy"],
] as const;

export const DIRECTIONS = [
  ["none", "any way up"],
  ["one-way", "one way up"],
  ["two-way", "two ways, like stripes"],
] as const;

export const EDGES = [
  ["none", "no branding strip"],
  ["left", "branding strip left"],
  ["top", "branding strip at the top"],
  ["right", "branding strip right"],
  ["bottom", "branding strip at the bottom"],
] as const;

export const THING_KINDS = [
  "die cut",
  "sticker",
  "puffy sticker",
  "chipboard",
  "enamel dot",
  "sequin",
  "wood shape",
  "doily",
  "tag",
  "label",
  "banner",
  "brad",
  "clip",
  "ribbon",
  "twine",
  "tape",
  "stamp",
  "alphabet",
  "journaling card",
  "other",
] as const satisfies readonly Thing["kind"][];
