/** Drafts asked for round by round: the first ones at once, better ones while one looks, until it is stopped. */
import { useEffect, useRef, useState } from "react";
import { askDrafts, type Draft, type DraftAsked } from "../../api/drafts";
import { best } from "./best";

const ROUNDS = 6;
/** So many tries for the first answer, which comes soon, and for those after it. */
const FIRST = 3;
const EFFORT = 9;

export interface Drafting {
  drafts: Draft[];
  /** Which round is under way, 0 where none is. */
  round: number;
  rounds: number;
  trouble: string | null;
  begin: (asked: Omit<DraftAsked, "seed">, seed?: number) => void;
  stop: () => void;
}

export function useDrafting(): Drafting {
  const [drafts, setDrafts] = useState<Draft[]>([]);
  const [round, setRound] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);

  function stop(): void {
    running.current?.abort();
    running.current = null;
    setRound(0);
  }

  function begin(asked: Omit<DraftAsked, "seed">, seed = 0): void {
    stop();
    const mine = new AbortController();
    running.current = mine;
    setDrafts([]);
    setTrouble(null);
    void (async () => {
      try {
        for (let k = 0; k < ROUNDS && !mine.signal.aborted; k++) {
          setRound(k + 1);
          const found = await askDrafts(
            { ...asked, seed: seed + k, effort: k ? EFFORT : FIRST } as DraftAsked,
            mine.signal,
          );
          if (mine.signal.aborted) return;
          setDrafts((before) => best([...before, ...found]));
        }
        setRound(0);
      } catch (error) {
        if (mine.signal.aborted) return;
        setTrouble((error as Error).message);
        setRound(0);
      }
    })();
  }

  useEffect(() => () => running.current?.abort(), []);
  return { drafts, round, rounds: ROUNDS, trouble, begin, stop };
}
