/** What another device or window has changed is shown here within a second, as long as this one is looked at. */
import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { changes } from "../api/devices";
import { FOLLOWS, WORKED_OUT } from "../api/useDesk";

const EVERY = 700;
/** Milliseconds from one look to the next, where the server answers; where it does not, so many times longer. */
const SILENT = 5;

/** What is asked for again once a document of a kind has changed; what is worked out stands on all of them. */
const CHANGED: Record<string, readonly string[]> = {
  page: ["page", ...FOLLOWS.page, "variants"],
  kit: ["kit", ...FOLLOWS.kit],
  photo: ["photo", ...FOLLOWS.photo],
  template: ["template", ...FOLLOWS.template],
  prints: ["prints", "print plan"],
  run: ["printer"],
  cutting: ["cutting", ...FOLLOWS.cutting, "helps", "piecing"],
  building: ["building", "pages", "log", "cutting"],
  tracing: ["machine"],
  finished: ["log", "pages", "finished"],
  settings: ["settings", "shown", "usual", "menu", ...WORKED_OUT],
  sketch: ["sketches"],
  variant: ["variants"],
  set: ["together"],
  face: ["faces", ...WORKED_OUT],
  origin: ["club"],
};

export function useChanges(): void {
  const queries = useQueryClient();
  useEffect(() => {
    let known: Record<string, number> | null = null;
    let over = false;
    let timer: ReturnType<typeof setTimeout>;
    async function look(): Promise<void> {
      let wait = EVERY;
      try {
        if (!document.hidden) {
          const kinds = await changes();
          const before = known;
          known = kinds;
          const keys = before && Object.keys(kinds).filter((kind) => kinds[kind] !== before[kind]);
          for (const key of new Set(keys?.flatMap((kind) => CHANGED[kind] ?? [])))
            void queries.invalidateQueries({ queryKey: [key] }, { cancelRefetch: false });
        }
      } catch {
        wait *= SILENT;
      }
      if (!over) timer = setTimeout(() => void look(), wait);
    }
    void look();
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [queries]);
}
