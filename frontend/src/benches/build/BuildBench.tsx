/** The page as it stands, with the next piece at its place, beside the step that is to be done, in large figures. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { type BuildingOut, buildingQuery, orderPdf, placesPdf } from "../../api/building";
import { head, twoPanes } from "../../app/bench";
import { colours, small } from "../../app/theme";
import { useTime } from "../../app/useTime";
import { Choice } from "../../ui/Choice";
import { Finding } from "../../ui/Finding";
import { SaveMenu } from "../../ui/SaveMenu";
import { useWake } from "../cut/useWake";
import { Clocks } from "./Clocks";
import { Needs } from "./Needs";
import { PageGrowing } from "./PageGrowing";
import { StepCard } from "./StepCard";
import { useBuilding } from "./useBuilding";
import { WentWrong } from "./WentWrong";

interface Props {
  id: string;
  name: string;
  pages: readonly (readonly [string, string])[];
  onPage: (id: string) => void;
}

const LONGEST = 2 * 3600;
/** Seconds: a step that took longer was left alone. */

export function BuildBench({ id, name, pages, onPage }: Props) {
  const { data, problem, act, latest } = useBuilding(id);
  const queries = useQueryClient();
  const [at, setAt] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const spot = useRef<string | null>(null);
  const since = useRef(Date.now());
  useWake();
  useTime("build", id);

  function move(step: string | null): void {
    spot.current = step;
    setAt(step);
    since.current = Date.now();
  }

  function go(by: number): void {
    const { steps, place } = standing(latest(), spot.current);
    const next = steps[Math.max(0, Math.min(steps.length - 1, place + by))];
    move(next?.id ?? null);
  }

  /** Keys may come quicker than the order is drawn: each goes on from where the one before it led. */
  function done(): void {
    const now = latest();
    const { steps, place } = standing(now, spot.current);
    const step = steps[place];
    if (!step || now?.done.includes(step.id)) return;
    const seconds = Math.min(LONGEST, Math.round((Date.now() - since.current) / 1000));
    act({ kind: "tick", step: step.id, on: true, seconds });
    move(null);
  }

  function back(): void {
    const now = latest();
    const { steps, place } = standing(now, spot.current);
    const step = steps[place];
    const last = step && now?.done.includes(step.id) ? step.id : now?.done.at(-1);
    if (!last) return;
    act({ kind: "tick", step: last, on: false, seconds: 0 });
    move(last);
  }

  useKeys({ go, done, back }, !wrong);
  if (!data) {
    return <Box sx={{ p: 4 }}>{problem ?? "Working out the order …"}</Box>;
  }
  const { steps, place, step } = standing(data, at);
  const files = [
    ["The order with pictures, letter (PDF)", orderPdf(id, "letter")],
    ["The order with pictures, A4 (PDF)", orderPdf(id, "a4")],
    ["Every place at true size, letter (PDF)", placesPdf(id, "letter")],
    ["Every place at true size, A4 (PDF)", placesPdf(id, "a4")],
  ] as const;
  const wet = new Set(data.clocks.map((one) => one.step));
  return (
    <Box sx={twoPanes("minmax(320px, 44%)")}>
      <Box sx={head}>
        <Box component="h1" sx={{ m: 0, fontSize: "1.2rem" }}>
          Build
        </Box>
        <Choice label="Page to build" value={id} options={pages} onChange={onPage} wide />
        <span data-place>
          {data.done.length} of {steps.length} steps done
        </span>
        <Box sx={{ color: colours.soft }}>{data.estimate}</Box>
        <Box sx={{ ml: "auto" }}>
          <SaveMenu name="Print" files={files} />
        </Box>
        <Clocks
          clocks={data.clocks}
          onDry={(one) => act({ kind: "dry", step: one })}
          onOver={() => void queries.invalidateQueries({ queryKey: buildingQuery(id).queryKey })}
        />
        {data.told.map((one) => (
          <Finding key={one.sentence} severity={one.severity} sentence={one.sentence} />
        ))}
      </Box>
      <Box
        component="section"
        aria-label="The page as it stands"
        tabIndex={0}
        sx={{ p: 2, minWidth: 0, minHeight: 0, overflow: "auto", [small]: { order: 2 } }}
      >
        <PageGrowing name={name} data={data} step={step} />
        <Needs data={data} />
      </Box>
      <Box sx={{ minHeight: 0, overflow: "auto", borderLeft: `1px solid ${colours.line}` }}>
        {steps.length === 0 ? (
          <Box sx={{ p: 3 }}>
            There is nothing to glue on this page yet. <Link to={`/page/${id}`}>To the page</Link>
          </Box>
        ) : step ? (
          <StepCard
            key={step.id}
            step={step}
            number={place + 1}
            of={steps.length}
            done={data.done.includes(step.id)}
            waits={step.waits.filter((one) => wet.has(one.after))}
            meanwhile={data.now !== step.id}
            onDone={done}
            onBack={back}
            onGo={go}
            onWrong={() => setWrong(true)}
          />
        ) : null}
        {data.now === null && steps.length > 0 && (
          <Box sx={{ p: 2, borderTop: `1px solid ${colours.line}` }}>
            <b>All is glued.</b> Take its picture and <Link to={`/log/${id}`}>put the page into the log</Link>.
          </Box>
        )}
        <Box component="details" sx={{ p: 2, borderTop: `1px solid ${colours.line}` }}>
          <Box component="summary" sx={{ cursor: "pointer", minHeight: 44 }}>
            All {steps.length} steps
          </Box>
          <Box component="ol" aria-label="All steps" sx={{ m: 0, pl: 3.5, lineHeight: 1.5 }}>
            {steps.map((one) => (
              <li key={one.id}>
                <Button
                  size="small"
                  sx={{ textAlign: "left", textDecoration: data.done.includes(one.id) ? "line-through" : "none" }}
                  onClick={() => move(one.id)}
                >
                  {one.says}
                </Button>
              </li>
            ))}
          </Box>
        </Box>
      </Box>
      {wrong && step && (
        <WentWrong
          step={step}
          page={id}
          onClose={() => setWrong(false)}
          onSay={(what, did) => {
            act({ kind: "wrong", wrong: { step: step.id, what, did } });
            setWrong(false);
            move(null);
          }}
        />
      )}
    </Box>
  );
}

/** Where one stands: at the step that was gone to, else at the one to do next. */
function standing(data: BuildingOut | undefined, at: string | null) {
  const steps = data?.steps ?? [];
  const wanted = at ?? data?.now ?? steps.at(-1)?.id;
  const place = Math.max(
    0,
    steps.findIndex((step) => step.id === wanted),
  );
  return { steps, place, step: steps[place] };
}

interface Keys {
  go: (by: number) => void;
  done: () => void;
  back: () => void;
}

/** Space or Enter: done. Backspace: back. Arrows: look at the other steps. */
function useKeys(keys: Keys, on: boolean): void {
  const held = useRef(keys);
  held.current = keys;
  useEffect(() => {
    if (!on) return;
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (target.closest("input, textarea, select, summary, a")) return;
      if (target.closest("button") && (event.key === " " || event.key === "Enter")) return;
      if (event.key === " " || event.key === "Enter") held.current.done();
      else if (event.key === "Backspace") held.current.back();
      else if (event.key === "ArrowRight" || event.key === "ArrowDown") held.current.go(1);
      else if (event.key === "ArrowLeft" || event.key === "ArrowUp") held.current.go(-1);
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [on]);
}
