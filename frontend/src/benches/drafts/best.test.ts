import { expect, test } from "vitest";
import type { Draft } from "../../api/drafts";
import { best } from "./best";

const draft = (sketch: string, score: number) => ({ sketch, score, says: "" }) as Draft;

test("one of each kind comes before the second of any, the best first", () => {
  const found = best([draft("Grid, 2 × 2", 3), draft("Ring", 4), draft("Grid, 3 × 2", 1)]);
  expect(found.map((one) => one.sketch)).toEqual(["Grid, 3 × 2", "Ring", "Grid, 2 × 2"]);
});

test("a draft that is found again by another seed is there once", () => {
  expect(best([draft("Ring", 2), draft("Grid", 1), draft("Ring", 2)])).toHaveLength(2);
});
