import { expect, test } from "vitest";
import { cutTo } from "./letters";

test("what is short enough stays as it is", () => {
  expect(cutTo("a heron 🪶", 10)).toBe("a heron 🪶");
});

test("no sign is cut in two: it stays whole or goes", () => {
  expect(cutTo("ab🪶", 3)).toBe("ab🪶");
  expect(cutTo("abc🪶", 3)).toBe("abc");
  expect(cutTo("ab👩‍👧", 4)).toBe("ab");
  expect(cutTo("abe\u0301", 3)).toBe("ab");
});

test("twenty thousand signs are counted as the server counts them", () => {
  expect([...cutTo("🪶".repeat(20_010), 20_000)].length).toBe(20_000);
});
