/** New parts: the server finds the room for them; they are put into what the recipe is when its answer comes. */

import { useRef } from "react";
import type { Schemas } from "../../api/client";
import type { Recipe } from "../../api/pages";
import { addParts } from "../../api/recipe";
import type { Part } from "../../parts/kinds";

type Added = Schemas["Added"];
/** Done once the parts are in the recipe. */
export type Add = (what: string, parts: Part[], above?: string, dress?: boolean) => Promise<void>;

export function useAdd(
  id: string,
  now: () => Recipe,
  onAdded: (what: string, parts: Part[], last: string, told: string) => void,
  /** Where the person works: what is chosen, and the page that is looked at closely. */
  where: () => { near: string | null; on: "left" | "right" | null },
): Add {
  // One after the other, so that the next ones find room beside these.
  const turns = useRef<Promise<void>>(Promise.resolve());

  async function find(parts: Part[], above: string | undefined, dress: boolean): Promise<Added[]> {
    try {
      return await addParts({ page: now(), id, parts, above, dress, ...where() });
    } catch {
      // Nothing answers: they lie in the middle as they come, and a base still goes lowest.
      return parts.map((part) => ({
        part,
        under: part.kind === "base" ? (now().parts[0]?.id ?? null) : null,
        told: "",
      }));
    }
  }

  return (what, parts, above, dress = false) => {
    turns.current = turns.current.then(async () => {
      const found = await find(parts, above, dress);
      const all = [...now().parts] as Part[];
      for (const { part, under } of found) {
        const at = all.findIndex((old) => old.id === under);
        all.splice(at < 0 ? all.length : at, 0, part as Part);
      }
      onAdded(what, all, found.at(-1)?.part.id ?? "", found.map((one) => one.told).find(Boolean) ?? "");
    });
    return turns.current;
  };
}
