/** The cutting of a page: what is done to it shows at once, and is kept until it is sent. */

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo } from "react";
import type { Schemas } from "../../api/client";
import { type Act, type CutStep, type CuttingOut, cuttingQuery, sendAct } from "../../api/cutting";
import { useActs } from "../../api/useActs";
import { FOLLOWS } from "../../api/useDesk";

export interface CuttingDesk {
  data: CuttingOut | undefined;
  /** Why there is no list, in a sentence. */
  problem: string | null;
  ticked: ReadonlySet<string>;
  /** Where one was seen to be at it, for so many seconds. */
  tick: (key: string, on: boolean, seconds?: number) => void;
  act: (act: Act) => void;
  /** The list as it stands at this moment, which may be ahead of what is drawn. */
  latest: () => CuttingOut | undefined;
}

export function useCutting(id: string): CuttingDesk {
  const queries = useQueryClient();
  const { data, error } = useQuery(cuttingQuery(id));
  const key = cuttingQuery(id).queryKey;

  function show(act: Act): void {
    if (act.kind === "tick")
      queries.setQueryData(key, (now) => now && { ...now, ticked: ticked(now.ticked, act.key, act.on) });
  }

  const act = useActs<Act, CuttingOut>({
    name: `ulna uncut ${id}`,
    queryKey: key,
    data,
    send: (one) => sendAct(id, one, queries.getQueryData(key)?.version ?? 0),
    show,
    step: (kind) => ({ kind }),
    follows: FOLLOWS.cutting,
    elsewhere: "The list was changed in another window; this is how it stands now",
  });
  return {
    data,
    problem: error && !data ? error.message : null,
    ticked: useMemo(() => new Set(data?.ticked), [data]),
    tick: (key, on, seconds = 0) => {
      const says = data?.directions[key]?.says ?? "";
      act({ kind: "tick", key, on, says, seconds });
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
