/**
 * What is done to something that is done step by step: it shows at once and is sent in turn, one transaction each. What
 * is not sent yet is kept in the browser, so that nothing is lost where nothing answers, the tablet sleeps, or the window
 * is loaded again.
 */

import { type QueryKey, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { useFrame, useInFrame } from "../app/FrameContext";
import { Refused } from "./client";
import type { Saving } from "./desk";
import { Outbox } from "./outbox";

interface Stands {
  undo: string | null;
  redo: string | null;
}

interface Of<Act, Answer extends Stands> {
  /** Under this name what is not sent is kept in the browser. */
  name: string;
  /** Where the answer is kept, as it stands now. */
  queryKey: QueryKey;
  data: Answer | undefined;
  send: (act: Act) => Promise<Answer>;
  /** Draws what is done before it is sent. */
  show: (act: Act) => void;
  step: (kind: "undo" | "redo") => Act;
  /** What is asked for again once all is sent. */
  follows: readonly string[];
  /** Said where another window was quicker. */
  elsewhere: string;
}

export function useActs<Act, Answer extends Stands>(of: Of<Act, Answer>): (act: Act) => void {
  const queries = useQueryClient();
  const { say } = useFrame();
  const [saving, setSaving] = useState<Saving>("saved");
  const [problem, setProblem] = useState<string | null>(null);
  const { name, data } = of;

  // biome-ignore lint/correctness/useExhaustiveDependencies: one outbox for what goes by that name
  const out: Outbox<Act, Answer> = useMemo(
    () =>
      new Outbox<Act, Answer>({
        name,
        kept: (acts) => acts,
        send: of.send,
        sent: (answer) => {
          queries.setQueryData(of.queryKey, answer);
          for (const later of out.jobs) of.show(later);
        },
        waiting: (error) => {
          setSaving("waiting");
          setProblem(error.message);
        },
        refused: async (error) => {
          const elsewhere = error instanceof Refused && error.problem.code === "changed";
          say(elsewhere ? of.elsewhere : (error as Error).message);
          out.replace([]);
          await queries.invalidateQueries({ queryKey: of.queryKey });
          return true;
        },
        empty: () => {
          setSaving("saved");
          setProblem(null);
          for (const follows of of.follows) void queries.invalidateQueries({ queryKey: [follows] });
        },
      }),
    [name],
  );

  function act(what: Act): void {
    of.show(what);
    setSaving((now) => (now === "waiting" ? now : "saving"));
    out.add(what);
  }

  const there = data !== undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: taken up once, when it is there
  useEffect(() => {
    const left = out.left<Act[]>();
    if (!there || !left || out.jobs.length) return;
    out.takeUp(left);
    for (const one of left) of.show(one);
    setSaving("saving");
    out.start();
  }, [there, name]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: act only changes with what it is done to
  const desk = useMemo(
    () => ({
      undo: () => act(of.step("undo")),
      redo: () => act(of.step("redo")),
      takeTheirs: async () => {},
      keepMine: async () => {},
    }),
    [name],
  );
  useInFrame(data ? desk : null, data ? { undo: data.undo, redo: data.redo, saving, problem } : null);
  return act;
}
