/** Which part is chosen on the page, and what goes along with it. */
import { useMemo, useState } from "react";
import type { Recipe } from "../../api/pages";

export function useChosen(page: Recipe) {
  const [chosen, setChosen] = useState<string | null>(null);
  const [more, setMore] = useState<readonly string[]>([]);
  const also = useMemo(() => together(page, chosen, more), [page, chosen, more]);

  /** One part, or none; `wider` takes it to those that are chosen, or away from them. */
  function choose(part: string | null, wider = false): void {
    if (wider && part && chosen && part !== chosen) {
      setMore(more.includes(part) ? more.filter((one) => one !== part) : [...more, part]);
    } else {
      setMore([]);
      setChosen(part);
    }
  }

  /** These, the first one as the one in hand. */
  function chooseAll([first, ...rest]: readonly string[]): void {
    setChosen(first ?? null);
    setMore(rest);
  }

  return { chosen, more, also, choose, chooseAll };
}

/** What goes along with the chosen part: what is chosen besides, and whole groups. */
function together(page: Recipe, chosen: string | null, more: readonly string[]): string[] {
  if (!chosen) return [];
  const all = new Set([chosen, ...more]);
  for (const group of page.groups)
    if (group.parts.some((id) => all.has(id))) for (const id of group.parts) all.add(id);
  all.delete(chosen);
  return [...all];
}
