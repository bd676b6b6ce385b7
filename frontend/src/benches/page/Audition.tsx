/** Auditioning papers on a part: a key steps through the papers of the kit and their backs; kept, or gone back. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { useShelf } from "../../api/kits";
import type { Recipe } from "../../api/pages";
import { audition } from "../../api/recipe";
import { colours } from "../../app/theme";
import type { PaperChoice, Part } from "../../parts/kinds";
import { Choice } from "../../ui/Choice";
import { Swatch } from "../../ui/Swatch";
import { unseen } from "../../ui/unseen";
import { underBar } from "./underBar";

interface Props {
  id: string;
  page: Recipe;
  part: Part;
  onTry: (what: string, part: Part, group?: string) => void;
  onClose: () => void;
}

const key = (choice: PaperChoice) => `${choice.paper} ${choice.side}`;

export function Audition({ id, page, part, onTry, onClose }: Props) {
  const shelf = useShelf();
  const [before] = useState({ part, page });
  const slots = useMemo(() => distinct(before.part), [before]);
  const [slot, setSlot] = useState(0);
  const of = slots[slot];
  const box = useRef<HTMLDivElement>(null);
  const trials =
    useQuery({
      queryKey: ["audition", id, before.part.id, of && key(of)],
      enabled: of !== undefined,
      staleTime: 60_000,
      queryFn: () => {
        if (!of) return [];
        return audition({ page: before.page, id, part: before.part.id, of });
      },
    }).data ?? [];
  const [tried, setTried] = useState<number | null>(null);
  const shown = tried === null ? trials.findIndex((t) => of && key(t.choice) === key(of)) : tried;
  const one = trials[shown];
  const name = one && `${shelf.find((s) => s.paper.id === one.choice.paper)?.paper.name} · ${one.choice.side}`;

  useEffect(() => box.current?.focus(), []);
  useEffect(() => {
    box.current?.querySelector(`[data-trial="${shown}"]`)?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [shown]);

  function tryOn(k: number): void {
    const trial = trials[(k + trials.length) % trials.length];
    if (!trial || !of) return;
    setTried((k + trials.length) % trials.length);
    onTry("tried a paper on", exchanged(part, one ? one.choice : of, trial.choice), `audition ${part.id}`);
  }

  function back(): void {
    onTry("went back to the paper before", before.part, `audition ${part.id}`);
    onClose();
  }

  if (!of) {
    return (
      <Bar>
        This part is not made of paper. <Button onClick={onClose}>Close</Button>
      </Bar>
    );
  }
  return (
    <Bar>
      <Box
        ref={box}
        tabIndex={0}
        role="listbox"
        aria-label="Papers on trial"
        aria-activedescendant={shown >= 0 ? `trial-${shown}` : undefined}
        onKeyDown={(event: React.KeyboardEvent) => {
          const by = { ArrowRight: 1, ArrowDown: 1, ".": 1, ArrowLeft: -1, ArrowUp: -1, ",": -1 }[event.key];
          if (by) {
            event.preventDefault();
            event.stopPropagation();
            tryOn(shown + by);
          } else if (event.key === "Enter") {
            event.stopPropagation();
            onClose();
          } else if (event.key === "Escape") {
            event.stopPropagation();
            back();
          }
        }}
        sx={{ display: "flex", gap: 0.75, overflowX: "auto", flex: 1, minWidth: 0, p: 0.5 }}
      >
        {trials.map((trial, k) => {
          const { paper, tiles } = shelf.find((s) => s.paper.id === trial.choice.paper) ?? {};
          return (
            <Box
              key={key(trial.choice)}
              id={`trial-${k}`}
              data-trial={k}
              role="option"
              aria-selected={k === shown}
              onClick={() => tryOn(k)}
              sx={{
                flex: "none",
                cursor: "pointer",
                p: "2px",
                border: `3px solid ${k === shown ? colours.verdigris : "transparent"}`,
                borderRadius: 1,
                position: "relative",
              }}
            >
              <Box sx={unseen}>
                {paper?.name} {trial.choice.side}
                {!trial.enough && ", not enough left"}
              </Box>
              <Swatch tile={tiles?.[trial.choice.side === "A" ? "a" : "b"]} width={46} height={46} inches={4} />
              {!trial.enough && (
                <Box
                  aria-hidden
                  sx={{
                    position: "absolute",
                    inset: "auto 2px 2px 2px",
                    fontSize: "0.68rem",
                    lineHeight: 1.3,
                    textAlign: "center",
                    background: colours.paper,
                    color: colours.madder,
                  }}
                >
                  short
                </Box>
              )}
            </Box>
          );
        })}
      </Box>
      <Box sx={{ flex: "none", width: 190, lineHeight: 1.3 }}>
        {slots.length > 1 && (
          <Choice
            label="Which of its papers"
            value={String(slot)}
            options={slots.map((choice, k) => {
              const paper = shelf.find((s) => s.paper.id === choice.paper)?.paper;
              return [String(k), paper ? `${paper.name} · ${choice.side}` : "not chosen"] as const;
            })}
            onChange={(k) => {
              setSlot(Number(k));
              setTried(null);
            }}
          />
        )}
        <Box role="status">
          <b>{name ?? "…"}</b>
          {one && !one.enough && <Box sx={{ color: colours.madder }}>not enough of it is left</Box>}
        </Box>
        <Box sx={{ fontSize: "0.8rem", color: colours.soft }}>arrow keys or comma and full stop</Box>
      </Box>
      <Box sx={{ flex: "none", display: "flex", flexDirection: "column", gap: 0.5 }}>
        <Button size="small" variant="contained" onClick={onClose}>
          Keep it
        </Button>
        <Button size="small" onClick={back}>
          Go back
        </Button>
      </Box>
    </Bar>
  );
}

function Bar({ children }: { children: React.ReactNode }) {
  return <Box sx={underBar}>{children}</Box>;
}

function isChoice(value: unknown): value is PaperChoice {
  return typeof value === "object" && value !== null && "paper" in value && "side" in value && "turned" in value;
}

/** The papers of a part, each once, in its order. */
export function distinct(part: Part): PaperChoice[] {
  const found: PaperChoice[] = [];
  const look = (value: unknown): void => {
    if (isChoice(value)) {
      if (!found.some((f) => key(f) === key(value))) found.push(value);
    } else if (Array.isArray(value)) value.forEach(look);
    else if (typeof value === "object" && value !== null) Object.values(value).forEach(look);
  };
  look(part);
  return found;
}

/** The part with one paper exchanged for another, wherever it has it. */
export function exchanged<T>(value: T, from: PaperChoice, to: PaperChoice): T {
  if (isChoice(value)) {
    return key(value) === key(from) ? ({ ...value, paper: to.paper, side: to.side } as T) : value;
  }
  if (Array.isArray(value)) return value.map((one) => exchanged(one, from, to)) as T;
  if (typeof value === "object" && value !== null) {
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, exchanged(v, from, to)])) as T;
  }
  return value;
}
