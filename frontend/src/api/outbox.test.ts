/** What is to be sent: in turn, a few at once, tried again where nothing answers, kept over a reload. */
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

vi.hoisted(() => vi.stubGlobal("window", { location: { origin: "http://here" } }));

import { Refused, Unreachable } from "./client";
import { AGAIN_MS, Outbox, type Post } from "./outbox";

const kept = new Map<string, string>();
const settled = () => vi.advanceTimersByTimeAsync(0);
const no = new Refused(422, { code: "field", sentence: "no", fields: [], current_version: null });

let heard: string[] = [];
let told: string[] = [];
let trouble: Record<string, Error> = {};

function outbox(more: Partial<Post<string, string>> = {}): Outbox<string, string> {
  return new Outbox<string, string>({
    name: "box",
    kept: (jobs) => jobs,
    send: async (job) => {
      heard.push(job);
      await Promise.resolve();
      if (trouble[job]) throw trouble[job];
      return job.toUpperCase();
    },
    sent: (answer) => told.push(answer),
    waiting: () => told.push("waiting"),
    refused: (_, job) => {
      told.push(`refused ${job}`);
      return true;
    },
    ...more,
  });
}

beforeEach(() => {
  vi.useFakeTimers();
  kept.clear();
  [heard, told, trouble] = [[], [], {}];
  vi.stubGlobal("localStorage", {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  });
});
afterEach(() => vi.useRealTimers());

describe("what is to be sent", () => {
  it("goes one after the other, and is off the list once it is there", async () => {
    const out = outbox();
    for (const job of ["a", "b", "c"]) out.add(job);
    expect(heard).toEqual(["a"]);
    await settled();
    expect(told).toEqual(["A", "B", "C"]);
    expect(out.jobs).toEqual([]);
  });

  it("goes a few at once where that is said", () => {
    const out = outbox({ atOnce: 2 });
    for (const job of ["a", "b", "c"]) out.add(job);
    expect(heard).toEqual(["a", "b"]);
    expect(out.isUnderWay("c")).toBe(false);
  });

  it("takes the last one's place where it belongs to it, never of what is on its way", async () => {
    const out = outbox();
    const same = (last: string) => last[0] === "t";
    for (const job of ["t1", "t2", "t3"]) out.add(job, same);
    await settled();
    expect(heard).toEqual(["t1", "t3"]);
  });

  it("is tried again until something answers", async () => {
    trouble = { a: new Unreachable() };
    const out = outbox();
    out.add("a");
    await settled();
    expect(told).toEqual(["waiting"]);
    trouble = {};
    await vi.advanceTimersByTimeAsync(AGAIN_MS);
    expect(told).toEqual(["waiting", "A"]);
  });

  it("is off the list when it is refused, and the others go on or not, as its owner says", async () => {
    trouble = { a: no };
    const out = outbox();
    out.add("a");
    out.add("b");
    await settled();
    expect(told).toEqual(["refused a", "B"]);
    const strict = outbox({ refused: () => false });
    strict.add("a");
    strict.add("c");
    await settled();
    expect(strict.jobs).toEqual(["c"]);
    strict.start();
    await settled();
    expect(told.at(-1)).toBe("C");
  });

  it("is kept over a reload, and not sent until it is let go", async () => {
    trouble = { a: new Unreachable() };
    outbox().add("a");
    await settled();
    const later = outbox();
    expect(later.left()).toEqual(["a"]);
    trouble = {};
    later.takeUp(["a"]);
    await settled();
    expect(told).toEqual(["waiting"]);
    later.start();
    await settled();
    expect(told).toEqual(["waiting", "A"]);
    expect(kept.size).toBe(0);
  });

  it("is not heard any more once another took its place", async () => {
    const out = outbox();
    out.add("a");
    out.replace([]);
    await settled();
    expect(told).toEqual([]);
  });
});
