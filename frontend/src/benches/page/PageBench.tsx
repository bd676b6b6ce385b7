/** The page: its recipe beside the drawing at scale, and what it costs underneath. */

import Box from "@mui/material/Box";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useChecked } from "../../api/checks";
import { type Schemas, Unreachable } from "../../api/client";
import { useShelf } from "../../api/kits";
import { addPage, type PageOut, pageQuery, pageSource } from "../../api/pages";
import { costQuery, evaluatedQuery } from "../../api/recipe";
import { RulesHere } from "../../api/rulesHere";
import { useDesk } from "../../api/useDesk";
import { UsualProvider } from "../../api/usual";
import { useFrame, useInFrame } from "../../app/FrameContext";
import { colours, narrow } from "../../app/theme";
import { useTime } from "../../app/useTime";
import { pageInView } from "../../page/inView";
import type { Zoom } from "../../page/useView";
import type { Part } from "../../parts/kinds";
import type { Arrange } from "./ArrangeMenu";
import { Audition } from "./Audition";
import { useMeasuring } from "./Between";
import { CostStrip } from "./CostStrip";
import { HandMenu } from "./HandMenu";
import { Helps } from "./Helps";
import { HiddenPaper, hiddenWords } from "./HiddenPaper";
import { KeysList } from "./KeysList";
import { PageTools } from "./PageTools";
import { Proposal } from "./Proposal";
import { RecipePane } from "./RecipePane";
import { Shelf } from "./Shelf";
import { Stage } from "./Stage";
import { ThingsMenu } from "./ThingsMenu";
import { useAdd } from "./useAdd";
import { useChosen } from "./useChosen";
import { useEdits } from "./useEdits";
import { useHand } from "./useHand";
import { useMove } from "./useMove";
import { usePutting } from "./usePutting";
import { useShelved } from "./useShelved";
import { useSketching } from "./useSketching";

export default function PageBench() {
  const { id = "" } = useParams();
  const { data, error } = useQuery(pageQuery(id));
  if (data) return <Bench key={id} answer={data} />;
  if (error && !(error instanceof Unreachable)) {
    return (
      <Box sx={{ p: 4 }}>
        This page is not here any more. <Link to="/page">All pages</Link>
      </Box>
    );
  }
  return null;
}

const TWO_PANES = {
  height: "100%",
  display: "grid",
  gridTemplateColumns: "minmax(330px, 400px) 1fr",
  gridTemplateRows: "minmax(0, 1fr)",
  [narrow]: { gridTemplateColumns: "1fr", gridTemplateRows: "auto auto", height: "auto" },
} as const;

const THREE_PANES = {
  ...TWO_PANES,
  gridTemplateColumns: "minmax(310px, 360px) minmax(0, 1fr) 204px",
} as const;

function Bench({ answer }: { answer: PageOut }) {
  const id = answer.saved.id;
  useTime("page", id);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();
  const [desk, state] = useDesk("page", answer, pageSource);
  useInFrame(desk, state);
  const page = state.body;
  const evaluated = useQuery(evaluatedQuery(id, page)).data;
  const checked = useChecked(id, page);
  const told = checked?.found.filter((one) => !one.finding.aside) ?? [];
  const cost = useQuery(costQuery(id, page)).data;
  const choice = useChosen(page);
  const { chosen, also } = choice;
  const edits = useEdits(id, desk, evaluated);
  const [auditioning, setAuditioning] = useState(false);
  const [proposing, setProposing] = useState(false);
  const [looked, setLooked] = useState<Schemas["GutOffer"] | null>(null);
  const [hidden, setHidden] = useState(false);
  const shelf = useShelf();
  const tape = useMeasuring(id, page);
  const move = useMove(id, edits.now, also, edits.editPart, edits.editLate);
  const add = useAdd(
    id,
    edits.now,
    (what, parts, last, told) => {
      edits.edit(what, { parts });
      choose(last);
      if (told) say(told);
    },
    () => ({ near: chosen, on: pageInView() }),
  );
  const { put, keepFor } = usePutting(id, page, edits, add);
  const [shelved, setShelved] = useShelved();
  const part = (page.parts as Part[]).find((p) => p.id === chosen);
  const zoom = useRef<((how: Zoom) => void) | null>(null);
  const [keys, setKeys] = useState(false);
  const sketching = useSketching(id, page, chosen ? [chosen, ...also] : []);
  const hand = useHand({
    id,
    page,
    choice,
    edits,
    move,
    onAudition: () => setAuditioning(true),
    onKeys: () => setKeys(true),
    onZoom: (how) => zoom.current?.(how),
  });

  function choose(one: string | null, wider = false): void {
    if (tape.measuring) {
      if (one) tape.point(one);
      return;
    }
    setAuditioning(false);
    choice.choose(one, wider);
  }

  const arrange: Arrange = async (what, asked) => {
    const then = chosen && (await edits.arrange([chosen, ...choice.more], what, asked));
    if (then) choice.chooseAll(then);
  };

  async function duplicate(): Promise<void> {
    try {
      const again = await addPage(edits.now());
      await queries.invalidateQueries({ queryKey: ["pages"] });
      navigate(`/page/${again.saved.id}`);
    } catch (error) {
      say((error as Error).message);
    }
  }

  const offers = cost?.offers ?? [];
  const drawn = offers.filter((o) => o.piece === looked?.piece || (o.gut && (hidden || o.part === chosen)));
  return (
    <RulesHere value={evaluated?.rules ?? null}>
      <UsualProvider>
        <Box sx={shelved ? THREE_PANES : TWO_PANES}>
          <RecipePane
            id={id}
            page={page}
            evaluated={evaluated}
            found={told}
            lacking={cost?.lacking ?? []}
            chosen={chosen}
            also={also}
            edits={edits}
            onAdd={add}
            onChoose={choose}
            onRemove={(one) => hand.remove([one.id])}
          />
          <Box sx={{ display: "flex", flexDirection: "column", minWidth: 0, minHeight: 0 }}>
            <PageTools
              id={id}
              page={page}
              found={checked ? told.length : null}
              chosen={part ? chosen : null}
              also={also.length}
              onArrange={arrange}
              auditioning={auditioning}
              onAudition={() => setAuditioning(!auditioning)}
              measuring={tape.measuring}
              onMeasure={tape.toggle}
              shelved={shelved}
              onShelf={() => setShelved(!shelved)}
              things={
                <ThingsMenu
                  id={id}
                  page={page}
                  parts={chosen ? [chosen, ...also] : []}
                  onEdit={edits.editLate}
                  onChoose={choice.chooseAll}
                  onPropose={() => {
                    choose(null);
                    setProposing(true);
                  }}
                />
              }
              edit={
                <HandMenu
                  hand={hand}
                  onDuplicatePage={() => void duplicate()}
                  onKeys={() => setKeys(true)}
                  onSketch={() => void sketching.keep()}
                  onDraft={sketching.draftRound}
                />
              }
            />
            {tape.measuring && (
              <Box role="status" sx={{ px: 2, color: colours.verdigris, fontWeight: 700 }}>
                {tape.says ??
                  (tape.first ? "And now the other one." : "Press on two things: how far are they apart?")}
              </Box>
            )}
            <Stage
              id={id}
              page={page}
              evaluated={evaluated}
              chosen={chosen}
              also={also}
              onChoose={choose}
              onChange={edits.editPart}
              zoom={zoom}
              onPut={put}
              onCell={keepFor}
              move={move}
              tape={tape}
              drawn={drawn}
              looked={looked}
              found={chosen ? told.filter((one) => one.finding.part === chosen) : []}
            />
            {proposing ? (
              <Proposal
                id={id}
                page={page}
                onTry={(what, parts) => edits.edit(what, { parts }, "proposed clusters")}
                onClose={() => setProposing(false)}
              />
            ) : auditioning && part ? (
              <Audition
                key={part.id}
                id={id}
                page={page}
                part={part}
                onTry={edits.editPart}
                onClose={() => setAuditioning(false)}
              />
            ) : (
              <CostStrip
                cost={cost}
                shelf={shelf}
                keeps={page.keeps}
                onKeep={edits.keep}
                helps={(piece) => <Helps id={id} page={page} piece={piece} onTake={edits.edit} />}
                hidden={{
                  words: hiddenWords(offers),
                  open: hidden && offers.length > 0,
                  onOpen: setHidden,
                  list: (
                    <HiddenPaper
                      id={id}
                      page={page}
                      onTake={edits.edit}
                      offers={offers}
                      said={new Set(page.gutting.map((one) => one.piece))}
                      onSay={(piece, gut) => void edits.gutting(piece, gut)}
                      onLook={setLooked}
                    />
                  ),
                }}
              />
            )}
          </Box>
          {shelved && (
            <Shelf
              id={id}
              onto={part ? (evaluated?.parts.find((one) => one.id === part.id)?.name ?? null) : null}
              onPut={(carried) => void put(carried, { part: chosen, piece: null, at: null })}
              onClose={() => setShelved(false)}
            />
          )}
          {keys && <KeysList onClose={() => setKeys(false)} />}
        </Box>
      </UsualProvider>
    </RulesHere>
  );
}
