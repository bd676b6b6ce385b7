/** How a new paper begins, and what several have in common. */
import type { Paper, Side, Thing } from "../../api/kits";
import type { Usual } from "../../api/usual";
import { newId } from "../../parts/kinds";

/** What the editor of a side, and its parts, are about. */
export interface SideProps {
  face: "A" | "B";
  papers: Paper[];
  /** Colours that the kit has already, to choose from. */
  palette: string[];
  onChange: (what: string, change: (side: Side) => Side, group?: string) => void;
}

/** A paper like the last one in everything that goes for a whole kit: size, stock, form, branding strip. */
export function paperLike({ paper }: Usual, last: Paper | undefined, name: string): Paper {
  const { width, height, stock, form, strip } = last ?? paper;
  return { ...paper, id: newId("paper"), name, width, height, stock, form, strip };
}

export function newThing({ thing }: Usual, name: string, last: Thing | undefined): Thing {
  return { ...thing, id: newId("thing"), name, kind: (last ?? thing).kind };
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

export const UPS = [
  ["A", "side A up"],
  ["B", "side B up"],
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
  "epoxy sticker",
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
  "strip of gems",
  "ribbon",
  "twine",
  "tape",
  "stamp",
  "ink",
  "alphabet",
  "journaling card",
  "foam",
  "adhesive",
  "other",
] as const satisfies readonly Thing["kind"][];
