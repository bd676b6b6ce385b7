/** The formats of a page, as people choose them. */
import type { Schemas } from "../../api/client";

export type PageFormat = Schemas["PageFormat"];
export type FormatKind = PageFormat["kind"];

export const FORMATS: readonly { kind: FormatKind; name: string; width: string; height: string; pages: number }[] =
  [
    { kind: "12x12", name: "12 × 12", width: "12 in", height: "12 in", pages: 1 },
    { kind: "letter-upright", name: "Letter, upright", width: "8 1/2 in", height: "11 in", pages: 1 },
    { kind: "letter-lying", name: "Letter, lying", width: "11 in", height: "8 1/2 in", pages: 1 },
    { kind: "notebook", name: "Traveler’s notebook", width: "4 1/4 in", height: "8 1/4 in", pages: 2 },
    { kind: "notebook-pocket", name: "Pocket notebook", width: "3 1/2 in", height: "5 in", pages: 2 },
    { kind: "own", name: "Own size", width: "8 in", height: "8 in", pages: 1 },
  ];

export function formatOf(kind: FormatKind, pages?: number): PageFormat {
  const found = FORMATS.find((f) => f.kind === kind) ?? FORMATS[0];
  if (!found) throw new Error("no formats");
  return {
    kind,
    width: found.width,
    height: found.height,
    pages: pages ?? found.pages,
    binding: "0 in",
    allowance: "0 in",
  };
}
