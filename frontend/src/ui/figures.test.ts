import { expect, test } from "vitest";
import { unbroken } from "./figures";

const parts = (sentence: string) => unbroken(sentence).split(" ");

test("a fraction stays with its whole number", () => {
  expect(parts("out of the middle, 4 1/4 × 6 1/4.")).toEqual([
    "out",
    "of",
    "the",
    "middle,",
    "4\u202f1/4",
    "×",
    "6\u202f1/4.",
  ]);
});

test("a unit stays with its figure, a word does not", () => {
  expect(parts("107.95 mm of 2 papers")).toEqual(["107.95\u202fmm", "of", "2", "papers"]);
});
