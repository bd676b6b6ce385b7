/**
 * The cutting of a page: what is done to it shows at once and is sent in turn, one transaction each.
 *
 * What is not sent yet is kept in the browser, so that no tick is lost where nothing answers, the tablet sleeps, or
 * the window is loaded again.
 */

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Refused, type Schemas } from "../../api/client";
import { type Act, type CutStep, type CuttingOut, cuttingQuery, sendAct } from "../../api/cutting";
import type { Saving } from "../../api/desk";
import { Outbox } from "../../api/outbox";
import { useFrame, useInFrame } from "../../app/FrameContext";

export interface CuttingDesk {
  data: CuttingOut | undefined;
  /** Why there is no list, in a sentence. */
  problem: string | null;
  ticked: ReadonlySet<string>;
  tick: (key: string, on: boolean) => void;
  act: (act: Act) => void;
  /** The list as it stands at this moment, which may be ahead of what is drawn. */
  latest: () => CuttingOut | undefined;
}

export function useCutting(id: string): CuttingDesk {
  const queries = useQueryClient();
  const { data, error } = useQuery(cuttingQuery(id));
  const { say } = useFrame();
  const [saving, setSaving] = useState<Saving>("saved");
  const [problem, setProblem] = useState<string | null>(null);
  const key = cuttingQuery(id).queryKey;

  function show(act: Act): void {
    if (act.kind === "tick")
      queries.setQueryData(key, (now) => now && { ...now, ticked: ticked(now.ticked, act.key, act.on) });
  }

  // biome-ignore lint/correctness/useExhaustiveDependencies: one outbox a page
  const out: Outbox<Act, CuttingOut> = useMemo(
    () =>
      new Outbox<Act, CuttingOut>({
        name: `ulna uncut ${id}`,
        kept: (acts) => acts,
        send: (one) => sendAct(id, one, queries.getQueryData(key)?.version ?? 0),
        sent: (answer) => {
          queries.setQueryData(key, answer);
          for (const later of out.jobs) show(later);
        },
        waiting: (error) => {
          setSaving("waiting");
          setProblem(error.message);
        },
        refused: async (error) => {
          const elsewhere = error instanceof Refused && error.problem.code === "changed";
          say(
            elsewhere
              ? "The list was changed in another window; this is how it stands now"
              : (error as Error).message,
          );
          out.replace([]);
          await queries.invalidateQueries({ queryKey: key });
          return true;
        },
        empty: () => {
          setSaving("saved");
          setProblem(null);
          for (const follows of ["pages", "cost", "evaluated", "book", "together"])
            void queries.invalidateQueries({ queryKey: [follows] });
        },
      }),
    [id],
  );

  function act(what: Act): void {
    show(what);
    setSaving((now) => (now === "waiting" ? now : "saving"));
    out.add(what);
  }

  const there = data !== undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: taken up once, when the list is there
  useEffect(() => {
    const left = out.left<Act[]>();
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
    problem: error && !data ? error.message : null,
    ticked: useMemo(() => new Set(data?.ticked), [data]),
    tick: (key, on) => {
      const says = data?.directions[key]?.says ?? "";
      act({ kind: "tick", key, on, says });
    },
    act,
    latest: () => queries.getQueryData(key),
  };
}

function ticked(before: string[], step: string, on: boolean): string[] {
  return on ? [...before, step] : before.filter((key) => key !== step);
}

/** Steps in the order in which they are made, each with its sheet. */
export function stepsOf(data: CuttingOut): { step: CutStep; sheet: Schemas["CutSheet"] }[] {
  return data.cuts.sheets.flatMap((sheet) => sheet.steps.map((step) => ({ step, sheet })));
}
