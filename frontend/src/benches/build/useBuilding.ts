/** The building of a page: a step that is ticked shows at once; what is not sent yet is kept in the browser. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
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
import type { Saving } from "../../api/desk";
import { Outbox } from "../../api/outbox";
import { useFrame, useInFrame } from "../../app/FrameContext";

export type BuildAct =
  | { kind: "tick"; step: string; on: boolean; seconds: number }
  | { kind: "dry"; step: string }
  | { kind: "wrong"; wrong: Schemas["Wrong"] }
  | { kind: "undo" }
  | { kind: "redo" };

export function useBuilding(id: string) {
  const queries = useQueryClient();
  const { data, error } = useQuery(buildingQuery(id));
  const { say } = useFrame();
  const [saving, setSaving] = useState<Saving>("saved");
  const [problem, setProblem] = useState<string | null>(null);
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

  // biome-ignore lint/correctness/useExhaustiveDependencies: one outbox a page
  const out: Outbox<BuildAct, BuildingOut> = useMemo(
    () =>
      new Outbox<BuildAct, BuildingOut>({
        name: `ulna unbuilt ${id}`,
        kept: (acts) => acts,
        send,
        sent: (answer) => {
          queries.setQueryData(key, answer);
          for (const later of out.jobs) show(later);
        },
        waiting: (why) => {
          setSaving("waiting");
          setProblem(why.message);
        },
        refused: async (why) => {
          say((why as Error).message);
          out.replace([]);
          await queries.invalidateQueries({ queryKey: key });
          return true;
        },
        empty: () => {
          setSaving("saved");
          setProblem(null);
          for (const follows of ["pages", "log"]) void queries.invalidateQueries({ queryKey: [follows] });
        },
      }),
    [id],
  );

  function act(what: BuildAct): void {
    show(what);
    setSaving((now) => (now === "waiting" ? now : "saving"));
    out.add(what);
  }

  const there = data !== undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: taken up once, when the order is there
  useEffect(() => {
    const left = out.left<BuildAct[]>();
    if (!there || !left || out.jobs.length) return;
    out.takeUp(left);
    for (const one of left) show(one);
    setSaving("saving");
    out.start();
  }, [there, id]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: act only changes with the page
  const desk = useMemo(
    () => ({
      undo: () => act({ kind: "undo" }),
      redo: () => act({ kind: "redo" }),
      takeTheirs: async () => {},
      keepMine: async () => {},
    }),
    [id],
  );
  useInFrame(data ? desk : null, data ? { undo: data.undo, redo: data.redo, saving, problem } : null);
  return {
    data,
    problem: error && !data ? (error as Error).message : null,
    act,
    latest: () => queries.getQueryData(key),
  };
}
