/** The page: its recipe beside the drawing at scale, and what it costs underneath. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, useMemo, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import { type Schemas, Unreachable } from "../../api/client";
import { useShelf } from "../../api/kits";
import { merged } from "../../api/merge";
import { type PageOut, pageFile, pageQuery, pageSource, type Recipe } from "../../api/pages";
import { arrange as askArrange, costQuery, evaluatedQuery, gut as gutPiece, reformat } from "../../api/recipe";
import { settingsQuery } from "../../api/settings";
import { useDesk } from "../../api/useDesk";
import { useFrame, useInFrame } from "../../app/FrameContext";
import { colours, narrow, words } from "../../app/theme";
import { Drawing } from "../../page/Drawing";
import { Handles } from "../../page/Handles";
import { Panels } from "../../page/Panels";
import { inches } from "../../page/scale";
import { newId, type Part } from "../../parts/kinds";
import { PageHere } from "../../parts/PageHere";
import { aName, InlineText } from "../../ui/InlineText";
import { SaveMenu } from "../../ui/SaveMenu";
import { AddMenu } from "./AddMenu";
import { type Arrange, ArrangeMenu } from "./ArrangeMenu";
import { Audition } from "./Audition";
import { Between, useMeasuring } from "./Between";
import { CostStrip } from "./CostStrip";
import { FormatFields } from "./FormatFields";
import type { PageFormat } from "./formats";
import { Helps } from "./Helps";
import { HiddenPaper, hiddenWords } from "./HiddenPaper";
import { RecipeList } from "./RecipeList";
import { StoryField } from "./StoryField";
import { useAdd } from "./useAdd";
import { useMove } from "./useMove";

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

function Bench({ answer }: { answer: PageOut }) {
  const id = answer.saved.id;
  const [desk, state] = useDesk("page", answer, pageSource);
  useInFrame(desk, state);
  const page = state.body;
  const { say } = useFrame();
  const { data: settings } = useQuery(settingsQuery);
  const evaluated = useQuery(evaluatedQuery(id, page)).data;
  const cost = useQuery(costQuery(id, page)).data;
  const shelf = useShelf();
  const [chosen, setChosen] = useState<string | null>(null);
  const [more, setMore] = useState<readonly string[]>([]);
  const [auditioning, setAuditioning] = useState(false);
  const [hidden, setHidden] = useState(false);
  const [looked, setLooked] = useState<Schemas["GutOffer"] | null>(null);
  const tape = useMeasuring(id, page);
  const formats = useRef(Promise.resolve());

  const now = () => desk.getState().body;
  const edit = (what: string, change: Partial<Recipe>, group?: string) =>
    desk.edit(what, { ...now(), ...change }, group);
  /** What an answer makes of the recipe that it was `asked` about; edits made since stay. */
  const editLate = (what: string, asked: Recipe, answer: Recipe, group?: string) =>
    desk.edit(what, merged(asked, answer, now()), group);
  /** A part as it is now; with `asked`, as an answer makes it of what it was then. */
  const editPart = (what: string, part: Part, group?: string, asked?: Part) =>
    edit(
      what,
      {
        parts: now().parts.map((old) =>
          old.id === part.id ? (asked ? merged(asked, part, old as Part) : part) : old,
        ),
      },
      group && `${group} ${part.id}`,
    );
  const also = useMemo(() => together(page, chosen, more), [page, chosen, more]);
  const move = useMove(id, now, also, editPart, editLate);

  const add = useAdd(id, now, (what, parts, last) => {
    edit(what, { parts });
    choose(last);
  });

  function choose(part: string | null, wider = false): void {
    if (tape.measuring) {
      if (part) tape.point(part);
      return;
    }
    setAuditioning(false);
    if (wider && part && chosen && part !== chosen) {
      setMore(more.includes(part) ? more.filter((one) => one !== part) : [...more, part]);
    } else {
      setMore([]);
      setChosen(part);
    }
  }

  function order(from: number, to: number): void {
    const parts = [...now().parts];
    const [part] = parts.splice(from, 1);
    if (!part || to < 0 || to > parts.length) return;
    parts.splice(to, 0, part);
    edit("changed the order", { parts });
  }

  const arrange: Arrange = async (what, asked) => {
    if (!chosen) return;
    const parts = [chosen, ...more];
    try {
      const then = now();
      const arranged = await askArrange({ ...asked, page: then, id, parts });
      editLate(what, then, arranged.page);
      const [first, ...rest] = arranged.chosen;
      setChosen(first ?? null);
      setMore(first === chosen ? more : rest);
      if (arranged.told) say(arranged.told);
    } catch (error) {
      say((error as Error).message);
    }
  };

  /** What counted from it stays where it is; where nothing answers it is taken off all the same. */
  async function remove(part: Part): Promise<void> {
    setChosen(null);
    setMore([]);
    const what = "took a part off";
    const then = now();
    try {
      const left = await askArrange({ page: then, id, parts: [part.id], act: "remove" });
      editLate(what, then, left.page);
    } catch {
      edit(what, { parts: now().parts.filter((old) => old.id !== part.id) });
    }
  }

  function copy(part: Part): void {
    void add("added another like it", [{ ...part, id: newId(part.kind) }], part.id);
  }

  /** The parts go along in proportion; what does not fit is told. One change after the other, however quick. */
  function changeFormat(change: (format: PageFormat) => PageFormat): void {
    formats.current = formats.current.then(async () => {
      const then = now();
      const format = change(then.format);
      try {
        const moved = await reformat({ page: then, format, id });
        editLate("changed the format", then, moved.page);
        if (moved.told.length) say(moved.told.join(" "));
      } catch {
        edit("changed the format", { format });
      }
    });
  }

  async function gutting(piece: string, gut: boolean | null): Promise<void> {
    const what =
      gut === null ? "left a middle to the house rule" : gut ? "cut a middle out" : "left a middle whole";
    const then = now();
    try {
      editLate(what, then, await gutPiece({ page: then, piece, gut }));
    } catch (error) {
      say((error as Error).message);
    }
  }

  function keep(paper: string, count: number): void {
    const others = now().keeps.filter((one) => one.paper !== paper);
    edit(count ? "kept paper back" : "let paper go", { keeps: count ? [...others, { paper, count }] : others });
  }

  /** A remedy was worked out for the recipe that was evaluated last. */
  function mend(what: string, part: Part, pages: number | null): void {
    const asked = (evaluated?.of.parts as Part[] | undefined)?.find((old) => old.id === part.id);
    if (pages !== null) edit(what, { format: { ...now().format, pages } }, what);
    editPart(what, part, pages === null ? undefined : what, asked);
  }

  function onKey(event: KeyboardEvent, id: string): void {
    const part = (now().parts as Part[]).find((p) => p.id === id);
    if (!part || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      void remove(part);
    } else if (event.key === "Escape") choose(null);
    else if (event.key === "." || event.key === ",") {
      event.preventDefault();
      setAuditioning(true);
    }
  }

  const said = useMemo(() => new Set(page.gutting.map((one) => one.piece)), [page]);
  const offers = cost?.offers ?? [];
  const drawn = offers.filter((o) => o.piece === looked?.piece || (o.gut && (hidden || o.part === chosen)));
  const here = useMemo(() => ({ id, page, evaluated }), [id, page, evaluated]);
  const part = (page.parts as Part[]).find((p) => p.id === chosen);

  const exports = [
    ["Picture to send (PNG)", pageFile(id, "png")],
    ["Picture as drawing (SVG)", pageFile(id, "svg")],
    ["The page as a file (JSON)", pageFile(id, "json")],
  ] as const;

  return (
    <Box
      sx={{
        height: "100%",
        display: "grid",
        gridTemplateColumns: "minmax(330px, 400px) 1fr",
        gridTemplateRows: "minmax(0, 1fr)",
        [narrow]: { gridTemplateColumns: "1fr", gridTemplateRows: "auto auto", height: "auto" },
      }}
    >
      <Box
        sx={{
          display: "flex",
          flexDirection: "column",
          minHeight: 0,
          fontSize: "0.94rem",
          borderRight: `1px solid ${colours.line}`,
          [narrow]: { order: 2 },
        }}
      >
        <Box sx={{ px: 1.5, pt: 1 }}>
          <Box component="h1" sx={{ m: 0, ...words, fontSize: "1.3rem", fontWeight: 600 }}>
            <InlineText
              label="Name of the page"
              value={page.name}
              width="100%"
              check={aName}
              onCommit={(name) => edit("named the page", { name: name.trim() })}
            />
          </Box>
          <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center", py: 1 }}>
            <FormatFields format={page.format} onChange={changeFormat} />
          </Box>
        </Box>
        <Box sx={{ borderTop: `1px solid ${colours.line}`, borderBottom: `1px solid ${colours.line}` }}>
          <AddMenu parts={page.parts as Part[]} format={page.format} onAdd={add} />
        </Box>
        <Box data-pane sx={{ flex: 1, minHeight: 0, overflow: "auto" }}>
          <PageHere value={here}>
            <RecipeList
              parts={page.parts as Part[]}
              pages={page.format.pages}
              page={evaluated}
              lacking={cost?.lacking ?? []}
              chosen={chosen}
              also={also}
              onChoose={choose}
              onChange={editPart}
              onMend={mend}
              onOrder={order}
              onCopy={copy}
              onRemove={(one) => void remove(one)}
            />
          </PageHere>
          <StoryField story={page.story} onCommit={(story) => edit("wrote the story", { story }, "story")} />
        </Box>
      </Box>
      <Box sx={{ display: "flex", flexDirection: "column", minWidth: 0, minHeight: 0 }}>
        <Box
          sx={{ display: "flex", flexWrap: "wrap", justifyContent: "flex-end", columnGap: 1, px: 1.5, pt: 0.75 }}
        >
          <Button component={Link} to="/page" size="small" sx={{ mr: "auto" }}>
            All pages
          </Button>
          <ArrangeMenu
            many={chosen ? 1 + also.length : 0}
            grouped={page.groups.some((group) => chosen !== null && group.parts.includes(chosen))}
            pages={page.format.pages}
            onArrange={arrange}
          />
          <Button
            size="small"
            disabled={!part}
            aria-pressed={auditioning}
            onClick={() => setAuditioning(!auditioning)}
          >
            Audition papers
          </Button>
          <Button size="small" aria-pressed={tape.measuring} onClick={tape.toggle}>
            {tape.measuring ? "Done measuring" : "Measure"}
          </Button>
          <Button component={Link} to={`/page/${id}/variants`} size="small">
            Variants
          </Button>
          <SaveMenu name="Send or keep" files={exports} />
          <Button component={Link} to={`/photos/prints?page=${id}`} size="small">
            Prints
          </Button>
          <Button component={Link} to={`/cut/${id}`} variant="outlined" size="small">
            Cut list
          </Button>
        </Box>
        {tape.measuring && (
          <Box role="status" sx={{ px: 2, color: colours.verdigris, fontWeight: 700 }}>
            {tape.says ?? (tape.first ? "And now the other one." : "Press on two things: how far are they apart?")}
          </Box>
        )}
        <Box
          sx={{
            flex: 1,
            position: "relative",
            minHeight: 260,
            m: 1,
            [narrow]: { minHeight: "56vw" },
          }}
        >
          {evaluated && settings && (
            <Drawing
              page={evaluated}
              shelf={shelf}
              chosen={tape.measuring ? tape.first : chosen}
              also={tape.measuring ? tape.second : also}
              onChoose={choose}
              unit={settings.settings.unit === "in" ? "in" : "mm"}
              zero={settings.settings.zero}
              overlay={move.overlay}
              onDrag={move.onDrag}
              onDrop={move.onDrop}
              onNudge={move.onNudge}
              onKey={onKey}
              pointing={tape.measuring}
            >
              {(pixel) => (
                <>
                  {!move.overlay && <Panels offers={drawn} looked={looked} pixel={pixel} />}
                  {tape.measuring && <Between lines={tape.lines} pixel={pixel} />}
                  {!tape.measuring && chosen && !also.length && !move.overlay && (
                    <Handles
                      id={id}
                      page={page}
                      evaluated={evaluated}
                      part={chosen}
                      pixel={pixel}
                      mark={inches(settings.settings.mark)}
                      onChange={editPart}
                    />
                  )}
                </>
              )}
            </Drawing>
          )}
        </Box>
        {auditioning && part ? (
          <Audition
            key={part.id}
            id={id}
            page={page}
            part={part}
            onTry={editPart}
            onClose={() => setAuditioning(false)}
          />
        ) : (
          <CostStrip
            cost={cost}
            shelf={shelf}
            keeps={page.keeps}
            onKeep={keep}
            helps={(piece) => <Helps id={id} page={page} piece={piece} onTake={edit} />}
            hidden={{
              words: hiddenWords(offers),
              open: hidden && offers.length > 0,
              onOpen: setHidden,
              list: (
                <HiddenPaper
                  id={id}
                  page={page}
                  onTake={edit}
                  offers={offers}
                  said={said}
                  onSay={(piece, gut) => void gutting(piece, gut)}
                  onLook={setLooked}
                />
              ),
            }}
          />
        )}
      </Box>
    </Box>
  );
}

/** What goes along with the chosen part: what is chosen besides, and whole groups. */
function together(page: Recipe, chosen: string | null, more: readonly string[]): string[] {
  if (!chosen) return [];
  const all = new Set([chosen, ...more]);
  for (const group of page.groups)
    if (group.parts.some((id) => all.has(id))) for (const id of group.parts) all.add(id);
  all.delete(chosen);
  return [...all];
}
