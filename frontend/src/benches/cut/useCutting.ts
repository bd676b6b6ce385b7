/**
 * The cutting of a page: what is done to it shows at once and is sent in turn, one transaction each.
 *
 * What is not sent yet is kept in the browser, so that no tick is lost where nothing answers, the tablet sleeps, or
 * the window is loaded again.
 */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { client, Refused, type Schemas, take, Unreachable } from "../../api/client";
import type { Saving } from "../../api/desk";
import { type CutStep, type CuttingOut, cuttingQuery } from "../../api/documents";
import { useFrame, useInFrame } from "../../app/FrameContext";

type Act =
  | { kind: "tick"; key: string; on: boolean; says: string }
  | { kind: "again" | "undo" | "redo" }
  | { kind: "spoiled"; number: number; width: string; height: string }
  | { kind: "elsewhere"; key: string; setting: string; keep: boolean };

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

const AGAIN = 1500;

export function useCutting(id: string): CuttingDesk {
  const queries = useQueryClient();
  const { data, error } = useQuery(cuttingQuery(id));
  const { say } = useFrame();
  const [saving, setSaving] = useState<Saving>("saved");
  const [problem, setProblem] = useState<string | null>(null);
  const waiting = useRef<Act[]>([]);
  const running = useRef(false);
  const key = cuttingQuery(id).queryKey;

  function keep(): void {
    if (waiting.current.length) localStorage.setItem(storage(id), JSON.stringify(waiting.current));
    else localStorage.removeItem(storage(id));
  }

  function show(act: Act): void {
    if (act.kind === "tick")
      queries.setQueryData(key, (now) => now && { ...now, ticked: ticked(now.ticked, act.key, act.on) });
  }

  async function run(): Promise<void> {
    if (running.current) return;
    running.current = true;
    for (let act = waiting.current[0]; act; act = waiting.current[0]) {
      try {
        const answer = await send(id, act, queries.getQueryData(key)?.version ?? 0);
        waiting.current.shift();
        queries.setQueryData(key, answer);
        for (const later of waiting.current) show(later);
      } catch (error) {
        if (error instanceof Unreachable) {
          setSaving("waiting");
          setProblem(error.message);
          await new Promise((resolve) => setTimeout(resolve, AGAIN));
          continue;
        }
        const elsewhere = error instanceof Refused && error.problem.code === "changed";
        say(
          elsewhere
            ? "The list was changed in another window; this is how it stands now"
            : (error as Error).message,
        );
        waiting.current = [];
        await queries.invalidateQueries({ queryKey: key });
      }
      keep();
    }
    running.current = false;
    setSaving("saved");
    setProblem(null);
    for (const follows of ["pages", "cost", "evaluated", "book", "together"])
      void queries.invalidateQueries({ queryKey: [follows] });
  }

  function act(what: Act): void {
    waiting.current.push(what);
    keep();
    show(what);
    setSaving((now) => (now === "waiting" ? now : "saving"));
    void run();
  }

  const there = data !== undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: taken up once, when the list is there
  useEffect(() => {
    const left = localStorage.getItem(storage(id));
    if (!there || !left || waiting.current.length) return;
    waiting.current = JSON.parse(left) as Act[];
    for (const one of waiting.current) show(one);
    setSaving("saving");
    void run();
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

function storage(id: string): string {
  return `ulna uncut ${id}`;
}

function send(id: string, act: Act, version: number): Promise<CuttingOut> {
  const at = { params: { path: { id } } };
  switch (act.kind) {
    case "tick":
      return take(
        client.POST("/api/pages/{id}/cutting/tick", {
          ...at,
          body: { key: act.key, on: act.on, says: act.says, version },
        }),
      );
    case "spoiled": {
      const { number, width, height } = act;
      return take(
        client.POST("/api/pages/{id}/cutting/spoiled", { ...at, body: { number, width, height, version } }),
      );
    }
    case "elsewhere": {
      const { key, setting, keep } = act;
      return take(
        client.POST("/api/pages/{id}/cutting/elsewhere", { ...at, body: { key, setting, keep, version } }),
      );
    }
    default:
      return take(client.POST(`/api/pages/{id}/cutting/${act.kind}`, { ...at, body: { version } }));
  }
}

function ticked(before: string[], step: string, on: boolean): string[] {
  return on ? [...before, step] : before.filter((key) => key !== step);
}

/** Steps in the order in which they are made, each with its sheet. */
export function stepsOf(data: CuttingOut): { step: CutStep; sheet: Schemas["CutSheet"] }[] {
  return data.cuts.sheets.flatMap((sheet) => sheet.steps.map((step) => ({ step, sheet })));
}
