/** The shapes of a print, in words. */
import type { Print } from "./kinds";

export const SHAPES = [
  ["rectangle", "with corners"],
  ["circle", "a circle"],
  ["hexagon", "a hexagon"],
  ["arch", "an arch"],
  ["on the tip", "on a corner"],
  ["tag", "a tag"],
] as const satisfies readonly (readonly [Print["shape"], string])[];
