/** Lengths as documents hold them, in inches to draw with; places on the drawing as lengths again. */
import { describe, expect, it } from "vitest";
import { asLength, box, inches } from "./scale";

describe("a length to draw with", () => {
  it.each([
    ["12 in", 12],
    ["4 1/4 in", 4.25],
    ["3/8 in", 0.375],
    ["-1/2 in", -0.5],
    ["-2 1/16 in", -2.0625],
    ["25.4 mm", 1],
    ["-12.7 mm", -0.5],
    ["0 in", 0],
  ])("%s is %d in", (length, drawn) => expect(inches(length)).toBeCloseTo(drawn, 10));

  it("that cannot be read draws nothing", () => expect(inches("four")).toBe(0));
});

it("a box is read side by side", () => {
  expect(box({ x: "1/2 in", y: "25.4 mm", width: "4 in", height: "6 in" })).toEqual({
    x: 0.5,
    y: 1,
    width: 4,
    height: 6,
  });
});

it("a place goes to the server finer than any mark, and comes back the same", () => {
  for (const place of [0, 1 / 32, 4.3125, -0.7, 23.99999]) {
    expect(asLength(place)).toMatch(/^-?\d+\.\d{5} in$/);
    expect(inches(asLength(place))).toBeCloseTo(place, 5);
  }
});
