/** The building of a page: a step that is ticked shows at once; what is not sent yet is kept in the browser. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import {
  type BuildingOut,
  buildingQuery,
  redoBuilding,
  sayDry,
  tickStep,
  undoBuilding,
  wentWrong,
} from "../../api/building";
import type { Schemas } from "../../api/client";
import { useActs } from "../../api/useActs";

export type BuildAct =
  | { kind: "tick"; step: string; on: boolean; seconds: number }
  | { kind: "dry"; step: string }
  | { kind: "wrong"; wrong: Schemas["Wrong"] }
  | { kind: "undo" }
  | { kind: "redo" };

export function useBuilding(id: string) {
  const queries = useQueryClient();
  const { data, error } = useQuery(buildingQuery(id));
  const key = buildingQuery(id).queryKey;

  /** At once: what is ticked is done, and the next step is the first that is not. */
  function show(act: BuildAct): void {
    if (act.kind !== "tick") return;
    queries.setQueryData(key, (now) => {
      if (!now) return now;
      const others = now.done.filter((one) => one !== act.step);
      const done = act.on ? [...others, act.step] : others;
      const wet = new Set(now.clocks.map((one) => one.step));
      const free = now.steps.filter(
        (step) => !done.includes(step.id) && step.after.every((id) => done.includes(id)),
      );
      const next = act.on
        ? (free.find((step) => !step.waits.some((one) => wet.has(one.after))) ?? free[0])
        : undefined;
      return { ...now, done, now: act.on ? (next?.id ?? null) : act.step };
    });
  }

  function send(act: BuildAct): Promise<BuildingOut> {
    const version = queries.getQueryData(key)?.version ?? 0;
    if (act.kind === "tick") return tickStep(id, act.step, act.on, act.seconds);
    if (act.kind === "dry") return sayDry(id, act.step);
    if (act.kind === "wrong") return wentWrong(id, act.wrong);
    return act.kind === "undo" ? undoBuilding(id, version) : redoBuilding(id, version);
  }

  const act = useActs<BuildAct, BuildingOut>({
    name: `ulna unbuilt ${id}`,
    queryKey: key,
    data,
    send,
    show,
    step: (kind) => ({ kind }),
    follows: ["pages", "log", "cutting"],
    elsewhere: "The order was changed in another window; this is how it stands now",
  });
  return {
    data,
    problem: error && !data ? (error as Error).message : null,
    act,
    latest: () => queries.getQueryData(key),
  };
}
