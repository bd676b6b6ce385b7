/** The faces that ship with Ulna, as people call them. */
import type { Schemas } from "../api/client";

export const FACES: readonly (readonly [Schemas["Alphabet"]["face"], string])[] = [
  ["plain", "plain capitals"],
  ["heavy", "heavy block"],
  ["slab", "slab"],
  ["script", "script"],
  ["typewriter", "typewriter"],
  ["hand", "hand"],
];
