/** A desk over a document that was loaded, and what is worked out from it. */
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useSyncExternalStore } from "react";
import { Desk, type DeskState, type Saved, type Source } from "./desk";

/** What is worked out from a page and all that it stands on. */
export const WORKED_OUT = [
  ...["evaluated", "cost", "checked", "remedy cost", "helps", "piecing", "variants"],
  ...["lines", "regions", "room", "spot", "covers", "cutting", "building"],
];

/** What is worked out from a document and must be asked for again once it has changed. */
export const FOLLOWS: Record<"kit" | "photo" | "template" | "prints" | "page" | "cutting", string[]> = {
  kit: [...WORKED_OUT, "kits", "shelf", "letters", "things", "book", "together", "log"],
  photo: [...WORKED_OUT, "photos", "templates", "crop", "print plan"],
  template: [...WORKED_OUT, "templates", "print plan"],
  prints: ["prints"],
  page: ["pages", "photos", "letters", "things", "cutting", "building", "book", "together", "log"],
  cutting: ["pages", "cost", "evaluated", "checked", "building", "book", "together"],
};

/** A desk over a document that was loaded, made anew when another document takes its place. */
export function useDesk<Body, Answer extends { saved: Saved }>(
  kind: "kit" | "photo" | "page" | "template" | "prints",
  answer: Answer,
  source: (id: string) => Source<Body, Answer>,
): [Desk<Body, Answer>, DeskState<Body, Answer>] {
  const queries = useQueryClient();
  const id = answer.saved.id;
  /** What was saved is what the lists show from now on, also where a bench is left and entered again at once. */
  function onSaved(saved: Answer): void {
    queries.setQueryData([kind, id], saved);
    if (kind === "prints") queries.setQueryData([kind], saved);
    else
      queries.setQueryData<Answer[]>([`${kind}s`], (all) => all?.map((one) => (one.saved.id === id ? saved : one)));
    for (const follows of FOLLOWS[kind])
      if (follows !== kind) void queries.invalidateQueries({ queryKey: [follows] });
  }

  // biome-ignore lint/correctness/useExhaustiveDependencies: a newer answer of the same document goes to refresh
  const desk = useMemo(() => new Desk(`${kind} ${id}`, source(id), answer, onSaved), [kind, id]);
  const state = useSyncExternalStore(desk.subscribe, desk.getState);
  useEffect(() => desk.refresh(answer), [desk, answer]);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (desk.unsaved && desk.getState().saving === "waiting") event.preventDefault();
    };
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [desk]);
  return [desk, state];
}
