/** The page: its recipe beside the drawing at scale, and what it costs underneath. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { Unreachable } from "../../api/client";
import {
  costQuery,
  evaluatedQuery,
  type PageOut,
  pageQuery,
  pageSource,
  type Recipe,
  settingsQuery,
  useDesk,
  useShelf,
} from "../../api/documents";
import { useInFrame } from "../../app/FrameContext";
import { colours, narrow, words } from "../../app/theme";
import { Drawing } from "../../page/Drawing";
import { newId, type Part } from "../../parts/kinds";
import { PageHere } from "../../parts/PageHere";
import { aName, InlineText } from "../../ui/InlineText";
import { SaveMenu } from "../../ui/SaveMenu";
import { AddMenu } from "./AddMenu";
import { CostStrip } from "./CostStrip";
import { FormatFields } from "./FormatFields";
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
  const { data: settings } = useQuery(settingsQuery);
  const evaluated = useQuery(evaluatedQuery(id, page)).data;
  const cost = useQuery(costQuery(id, page)).data;
  const shelf = useShelf();
  const [chosen, setChosen] = useState<string | null>(null);

  const now = () => desk.getState().body;
  const edit = (what: string, change: Partial<Recipe>, group?: string) =>
    desk.edit(what, { ...now(), ...change }, group);
  const editPart = (what: string, part: Part, group?: string) =>
    edit(
      what,
      { parts: now().parts.map((old) => (old.id === part.id ? part : old)) },
      group && `${group} ${part.id}`,
    );
  const move = useMove(id, page, editPart);

  const add = useAdd(id, now, (what, parts, last) => {
    edit(what, { parts });
    setChosen(last);
  });

  function order(from: number, to: number): void {
    const parts = [...now().parts];
    const [part] = parts.splice(from, 1);
    if (!part || to < 0 || to > parts.length) return;
    parts.splice(to, 0, part);
    edit("changed the order", { parts });
  }

  function remove(part: Part): void {
    edit("took a part off", { parts: now().parts.filter((old) => old.id !== part.id) });
    setChosen(null);
  }

  function copy(part: Part): void {
    void add("added another like it", [{ ...part, id: newId(part.kind) }], part.id);
  }

  function onKey(event: KeyboardEvent, id: string): void {
    const part = (now().parts as Part[]).find((p) => p.id === id);
    if (!part) return;
    if (event.key === "Delete" || event.key === "Backspace") {
      event.preventDefault();
      remove(part);
    } else if (event.key === "Escape") setChosen(null);
  }

  const here = useMemo(() => ({ id, page, evaluated }), [id, page, evaluated]);

  const exports = [
    ["Picture to send (PNG)", `/api/pages/${id}/page.png`],
    ["Picture as drawing (SVG)", `/api/pages/${id}/page.svg`],
    ["The page as a file (JSON)", `/api/pages/${id}/page.json`],
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
            <FormatFields format={page.format} onChange={(format) => edit("changed the format", { format })} />
          </Box>
        </Box>
        <Box data-pane sx={{ flex: 1, minHeight: 0, overflow: "auto", borderTop: `1px solid ${colours.line}` }}>
          <PageHere value={here}>
            <RecipeList
              parts={page.parts as Part[]}
              pages={page.format.pages}
              page={evaluated}
              lacking={cost?.lacking ?? []}
              chosen={chosen}
              onChoose={setChosen}
              onChange={editPart}
              onOrder={order}
              onCopy={copy}
              onRemove={remove}
            />
          </PageHere>
          <AddMenu parts={page.parts as Part[]} pages={page.format.pages} onAdd={add} />
          <StoryField story={page.story} onCommit={(story) => edit("wrote the story", { story }, "story")} />
        </Box>
      </Box>
      <Box sx={{ display: "flex", flexDirection: "column", minWidth: 0, minHeight: 0 }}>
        <Box sx={{ display: "flex", justifyContent: "flex-end", gap: 1, px: 1.5, pt: 0.75 }}>
          <Button component={Link} to="/page" size="small" sx={{ mr: "auto" }}>
            All pages
          </Button>
          <SaveMenu name="Send or keep" files={exports} />
          <Button component={Link} to={`/photos/prints?page=${id}`} size="small">
            Prints
          </Button>
          <Button component={Link} to={`/cut/${id}`} variant="outlined" size="small">
            Cut list
          </Button>
        </Box>
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
              chosen={chosen}
              onChoose={setChosen}
              unit={settings.settings.unit}
              zero={settings.settings.zero}
              overlay={move.overlay}
              onDrag={move.onDrag}
              onDrop={move.onDrop}
              onNudge={move.onNudge}
              onKey={onKey}
            />
          )}
        </Box>
        <CostStrip cost={cost} shelf={shelf} />
      </Box>
    </Box>
  );
}
