/** A late answer never takes back what the hand did while it was on its way. */
import { describe, expect, it } from "vitest";
import { merged } from "./merge";

const photo = { id: "p", kind: "photo", width: "4 in", mats: [{ border: "1/4 in" }] };
const panel = { id: "q", kind: "panel", width: "6 in" };
const page = { name: "Lock", format: { kind: "12x12", binding: "0 in" }, parts: [photo, panel] };

describe("a late answer", () => {
  it("is all there is where nothing was touched meanwhile", () => {
    const answer = { ...page, format: { kind: "12x12", binding: "3/4 in" } };
    expect(merged(page, answer, page)).toEqual(answer);
  });

  it("keeps a part that was added while it was on its way", () => {
    const answer = {
      ...page,
      format: { ...page.format, binding: "3/4 in" },
      parts: [{ ...photo, width: "3 in" }, panel],
    };
    const cell = { id: "c", kind: "panel", width: "1 in" };
    const now = { ...page, parts: [photo, cell, panel] };
    const both = merged(page, answer, now);
    expect(both.format.binding).toBe("3/4 in");
    expect(both.parts.map((part) => part.id)).toEqual(["p", "c", "q"]);
    expect(both.parts[0]?.width).toBe("3 in");
  });

  it("does not bring back a part that was taken off, nor one that it took off itself", () => {
    expect(merged(page, page, { ...page, parts: [panel] }).parts).toEqual([panel]);
    expect(merged(page, { ...page, parts: [photo] }, { ...page, name: "Weir" })).toEqual({
      ...page,
      name: "Weir",
      parts: [photo],
    });
  });

  it("changes one value of a part and the hand another one", () => {
    const answer = { ...photo, width: "8 in" };
    const now = { ...photo, mats: [{ border: "1/2 in" }] };
    expect(merged(photo, answer, now)).toEqual({ ...photo, width: "8 in", mats: [{ border: "1/2 in" }] });
  });

  it("gives way where the hand changed the same value", () => {
    expect(merged(photo, { ...photo, width: "8 in" }, { ...photo, width: "5 in" }).width).toBe("5 in");
    expect(
      merged(photo, { ...photo, mats: [] }, { ...photo, mats: [...photo.mats, ...photo.mats] }).mats,
    ).toHaveLength(2);
  });
});
