/** What was copied last, for any page in any window of this browser. */
import type { Recipe } from "../../api/pages";

export interface Copied {
  /** The page that it was copied from, as it was. */
  source: Recipe;
  parts: string[];
}

const KEPT = "ulna-copied";

export function keepCopied(copied: Copied): void {
  localStorage.setItem(KEPT, JSON.stringify(copied));
}

export function copiedLast(): Copied | null {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? "null") as Copied | null;
  } catch {
    return null;
  }
}
