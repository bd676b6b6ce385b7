/** The cutting bench: one step at a time, to be read while standing, by thumb and by keys. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import type { CutStep, CuttingOut } from "../../api/cutting";
import { useShelf } from "../../api/kits";
import { head, twoPanes } from "../../app/bench";
import { colours, small } from "../../app/theme";
import { useTime } from "../../app/useTime";
import { unbroken } from "../../ui/figures";
import { Icon } from "../../ui/Icon";
import { Elsewhere, Spoiled } from "./Mishaps";
import { NoList } from "./NoList";
import { PieceOnMat } from "./PieceOnMat";
import { SheetMap } from "./SheetMap";
import { stepsOf, useCutting } from "./useCutting";
import { useWake } from "./useWake";

export default function CuttingBench() {
  const { id = "" } = useParams();
  return <Bench key={id} id={id} />;
}

/** What is longer was no single step: one was elsewhere. */
const LONGEST = 1_800;

type Dialog = "spoiled" | "elsewhere" | null;

/** What is said of a step once it is made, by its tool. */
const DONE = {
  machine: "Cut",
  hand: "Taken",
  trimmer: "Cut",
  knife: "Cut",
  punch: "Punched",
  scissors: "Cut",
  fingers: "Torn",
};

function Bench({ id }: { id: string }) {
  const { data, problem, ticked, tick, act, latest } = useCutting(id);
  const shelf = useShelf();
  const [at, setAt] = useState<string | null>(null);
  const [dialog, setDialog] = useState<Dialog>(null);
  const spot = useRef<string | null>(null);
  const since = useRef(Date.now());
  useWake();
  useTime("cut", id);

  function move(key: string | null): void {
    spot.current = key;
    setAt(key);
    since.current = Date.now();
  }

  function go(by: number): void {
    const now = standing(latest(), spot.current);
    const next = Math.max(0, Math.min(now.steps.length - 1, now.place + by));
    move(now.steps[next]?.step.key ?? null);
  }

  /** Keys may come quicker than the list is drawn: each goes on from where the one before it led. */
  function done(): void {
    const { steps, place, ticked } = standing(latest(), spot.current);
    const step = steps[place]?.step;
    if (!step || ticked.has(step.key)) return;
    tick(step.key, true, Math.min(LONGEST, Math.round((Date.now() - since.current) / 1000)));
    const open = steps.filter((one) => !ticked.has(one.step.key) && one.step.key !== step.key);
    const next = open.find((one) => steps.indexOf(one) > place) ?? open[0];
    move(next?.step.key ?? null);
  }

  function back(): void {
    const { steps, place, ticked } = standing(latest(), spot.current);
    const step = steps[place]?.step;
    if (step && ticked.has(step.key)) tick(step.key, false);
  }

  /** After a mishap one goes on with what is to be cut first now. */
  function mishap(what: Parameters<typeof act>[0]): void {
    move(null);
    act(what);
  }

  useKeys({ go, done, back }, dialog === null);
  const now = useFocusAfter(dialog !== null);

  if (!data) return <NoList id={id} problem={problem} />;
  const { steps, place, undone } = standing(data, at);
  const here = steps[place];
  if (!here) {
    return (
      <Box sx={{ p: 4 }}>
        There is nothing to cut on this page yet. <Link to={`/cut/${id}`}>Back to the list</Link>
      </Box>
    );
  }
  const { step, sheet } = here;
  const onMat = data.on_mat[step.key];
  const isDone = ticked.has(step.key);
  const all = undone < 0;
  const tile = shelf.find((p) => p.paper.id === sheet.of_paper)?.tiles?.[sheet.face === "A" ? "a" : "b"];
  return (
    <Box sx={twoPanes("minmax(300px, 42%)")}>
      <Box sx={head}>
        <Button component={Link} to={`/cut/${id}`} sx={{ minHeight: 44 }}>
          The whole list
        </Button>
        <Box component="h1" sx={{ m: 0, fontSize: "1.1rem" }}>
          {sheet.print ? sheet.print : data.sheet_names[sheet.key]}
          {!sheet.print && <> · {unbroken(data.sheet_sizes[sheet.key] ?? "")}</>}
        </Box>
        <Box sx={{ ml: "auto", color: colours.soft }}>{data.estimate}</Box>
        <Box sx={{ color: colours.soft }} data-place>
          step {place + 1} of {steps.length} · {data.done} of {data.pieces} pieces cut
        </Box>
      </Box>
      <Box sx={{ p: 2, pt: 1, minHeight: 0, minWidth: 0, [small]: { height: "70vw", order: 2 } }}>
        {onMat ? (
          <PieceOnMat piece={onMat} />
        ) : (
          <SheetMap
            sheet={sheet}
            sizes={data.sizes}
            restSizes={data.rest_sizes[sheet.key]}
            tile={tile}
            ticked={ticked}
            next={step.key}
            now={step}
            lines={data.lines}
          />
        )}
      </Box>
      <Box
        component="section"
        aria-label="This step"
        ref={now}
        tabIndex={-1}
        sx={{ p: 2, pt: 1, overflow: "auto", minHeight: 0, outline: 0, [small]: { order: 1 } }}
      >
        <StepNow key={step.key} data={data} step={step} isDone={isDone} />
        {all && (
          <Box sx={{ mt: 2, p: 1.5, borderRadius: 1, background: colours.tint, fontSize: "1.15rem" }} role="status">
            All is cut. <Link to={`/page/${id}`}>To the page</Link>
          </Box>
        )}
        {data.lacking.map((one) => (
          <Box key={one.piece} sx={{ mt: 1, color: colours.madder }} role="alert">
            {unbroken(one.sentence)}
          </Box>
        ))}
      </Box>
      <Bar
        first={place === 0}
        last={place === steps.length - 1}
        isDone={isDone}
        act={DONE[data.directions[step.key]?.tool ?? "trimmer"]}
        onGo={go}
        onDone={done}
        onBack={back}
        onSpoiled={data.done > 0 ? () => setDialog("spoiled") : null}
        onElsewhere={!isDone && step.kind === "cut" ? () => setDialog("elsewhere") : null}
      />
      {dialog === "spoiled" && (
        <Spoiled
          data={data}
          ticked={ticked}
          last={last(data, ticked)}
          onAct={mishap}
          onClose={() => setDialog(null)}
        />
      )}
      {dialog === "elsewhere" && step.kind === "cut" && (
        <Elsewhere data={data} step={step} onAct={mishap} onClose={() => setDialog(null)} />
      )}
    </Box>
  );
}

/** The steps of a list, and where one is among them: at the step that was chosen, else at the first to be made. */
function standing(data: CuttingOut | undefined, at: string | null) {
  const steps = data ? stepsOf(data) : [];
  const ticked = new Set(data?.ticked);
  const undone = steps.findIndex(({ step }) => !ticked.has(step.key));
  const found = steps.findIndex(({ step }) => step.key === at);
  return { steps, ticked, undone, place: found >= 0 ? found : undone >= 0 ? undone : steps.length - 1 };
}

/** The piece that was cut last, as far as the list can tell. */
function last(data: CuttingOut, ticked: ReadonlySet<string>): number | null {
  return (
    stepsOf(data)
      .filter(({ step }) => ticked.has(step.key))
      .flatMap(({ step }) => step.gives)
      .at(-1) ?? null
  );
}

function StepNow({ data, step, isDone }: { data: CuttingOut; step: CutStep; isDone: boolean }) {
  const told = data.directions[step.key];
  if (!told) return null;
  return (
    <Box aria-live="polite" sx={{ opacity: isDone ? 0.55 : 1 }}>
      {told.caution && (
        <Box data-caution sx={{ fontSize: "1.05rem", fontWeight: 700, color: colours.madder, mb: 1 }}>
          {told.caution}
        </Box>
      )}
      <Box sx={{ fontSize: "1.25rem", fontWeight: 700, color: colours.verdigris }}>
        {told.up}
        {told.turn && ", the paper turned a quarter"}
        {isDone && " · done"}
      </Box>
      {told.figure && (
        <Box
          data-figure
          sx={{
            fontSize: "clamp(3.4rem, 9vw, 7rem)",
            lineHeight: 1.1,
            fontWeight: 700,
            color: colours.madder,
            my: 0.5,
          }}
        >
          {unbroken(told.figure)}
        </Box>
      )}
      <Box sx={{ fontSize: "1.45rem", lineHeight: 1.35 }}>{unbroken(told.rest)}</Box>
      {told.write.length > 0 && (
        <Box sx={{ mt: 2 }}>
          <Box sx={{ color: colours.soft }}>Write on the back</Box>
          {told.write.map((one) => (
            <Box key={one} sx={{ fontSize: "1.5rem", fontWeight: 700 }}>
              {one}
            </Box>
          ))}
        </Box>
      )}
      {told.falls.length > 0 && (
        <Box sx={{ mt: 2 }}>
          <Box sx={{ color: colours.soft }}>What falls off</Box>
          {told.falls.map((one) => (
            <Box key={one.says} sx={{ fontSize: "1.15rem", color: one.name ? colours.ochre : colours.soft }}>
              {unbroken(one.says)}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

interface BarProps {
  first: boolean;
  last: boolean;
  isDone: boolean;
  /** What ticks the step off is called. */
  act: string;
  onGo: (by: number) => void;
  onDone: () => void;
  onBack: () => void;
  /** Null where there is nothing that could be. */
  onSpoiled: (() => void) | null;
  onElsewhere: (() => void) | null;
}

function Bar({ first, last, isDone, act, onGo, onDone, onBack, onSpoiled, onElsewhere }: BarProps) {
  return (
    <Box
      sx={{
        gridColumn: "1 / -1",
        display: "flex",
        flexWrap: "wrap",
        gap: 1.5,
        p: 1.5,
        borderTop: `1px solid ${colours.line}`,
        background: colours.paper,
        position: "sticky",
        bottom: 0,
        "& button": { minHeight: 56, fontSize: "1.05rem" },
        // At 200 % zoom the step comes first, and the bar leaves room for it.
        [small]: {
          order: 3,
          gap: 0.5,
          p: 0.75,
          "& button": { minHeight: 44, minWidth: 0, px: 1, fontSize: "0.95rem", flex: "1 1 auto" },
        },
      }}
    >
      <Button variant="outlined" onClick={() => onGo(-1)} disabled={first} sx={{ minWidth: 96 }}>
        Back
      </Button>
      <Button variant="outlined" onClick={() => onGo(1)} disabled={last} sx={{ minWidth: 96 }}>
        Next
      </Button>
      <Button onClick={onSpoiled ?? undefined} disabled={!onSpoiled} color="error">
        That one is spoiled
      </Button>
      <Button onClick={onElsewhere ?? undefined} disabled={!onElsewhere} color="error">
        I cut it elsewhere
      </Button>
      {isDone ? (
        <Button variant="outlined" onClick={onBack} sx={{ ml: "auto", minWidth: 200 }}>
          Take it back
        </Button>
      ) : (
        <Button
          variant="contained"
          onClick={onDone}
          startIcon={<Icon name="tick" size={24} />}
          sx={{ ml: "auto", minWidth: 240, flex: "0 1 320px" }}
        >
          {act}
        </Button>
      )}
    </Box>
  );
}

/** Once what was asked is answered, the keys are for the step again, not for the button that asked. */
function useFocusAfter(asked: boolean): React.RefObject<HTMLElement | null> {
  const place = useRef<HTMLElement>(null);
  const was = useRef(asked);
  useEffect(() => {
    if (was.current && !asked) place.current?.focus();
    was.current = asked;
  }, [asked]);
  return place;
}

/** Arrows go on and back, space ticks off, the backspace key takes back; not while something is asked. */
function useKeys(deeds: { go: (by: number) => void; done: () => void; back: () => void }, heard: boolean): void {
  const keys = useRef(deeds);
  keys.current = deeds;
  // There as soon as the step is seen: a key may be pressed at once.
  useLayoutEffect(() => {
    function onKey(event: KeyboardEvent): void {
      const target = event.target as HTMLElement;
      if (!heard || event.ctrlKey || event.metaKey || event.altKey || target.closest("input, select, textarea"))
        return;
      const pressed = event.key;
      if (pressed === "ArrowLeft") keys.current.go(-1);
      else if (pressed === "ArrowRight") keys.current.go(1);
      else if (pressed === "Backspace") keys.current.back();
      else if ((pressed === " " || pressed === "Enter") && !target.closest("button:enabled, a"))
        keys.current.done();
      else return;
      event.preventDefault();
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [heard]);
}
