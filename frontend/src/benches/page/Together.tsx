/** Several pages from one shelf: what each takes, what is short before the first cut, and what would help. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { historyOf } from "../../api/history";
import { useShelf } from "../../api/kits";
import {
  helpsQuery,
  type PageOut,
  pagesQuery,
  pageThumb,
  putPage,
  putTogether,
  type Recipe,
  togetherQuery,
} from "../../api/pages";
import { useFrame } from "../../app/FrameContext";
import { colours, small } from "../../app/theme";
import { Finding } from "../../ui/Finding";
import { unbroken } from "../../ui/figures";
import { Swatch } from "../../ui/Swatch";

type Set_ = Schemas["TogetherOut"];

export default function Together() {
  const { data: pages } = useQuery(pagesQuery);
  const { data: set } = useQuery(togetherQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  const [mine, setMine] = useState<string[] | null>(null);
  const latest = useRef<string[]>([]);
  const turns = useRef(Promise.resolve());

  /** Shown at once; of quick choices the last one is sent. */
  function choose(next: string[]): void {
    setMine(next);
    latest.current = next;
    turns.current = turns.current.then(async () => {
      if (latest.current !== next) return;
      try {
        const body = { pages: next, version: queries.getQueryData(togetherQuery.queryKey)?.saved?.version ?? 0 };
        queries.setQueryData(togetherQuery.queryKey, await putTogether(body));
      } catch (error) {
        say((error as Error).message);
        await queries.invalidateQueries({ queryKey: togetherQuery.queryKey });
      }
      if (latest.current === next) setMine(null);
    });
  }

  /** One press changes the page, and another takes it back: in the page's own history. */
  async function change(page: string, what: string, recipe: Recipe): Promise<void> {
    const version = pages?.find((one) => one.saved.id === page)?.saved.version ?? 0;
    try {
      const done = await putPage(page, version, what, recipe);
      await queries.invalidateQueries();
      const undo = async () => {
        try {
          await historyOf("page", page).undo(done.saved.version);
        } catch (error) {
          say((error as Error).message);
        }
        await queries.invalidateQueries();
      };
      say(`${done.page.name}: ${what}`, { name: "Undo", run: () => void undo() });
    } catch (error) {
      say((error as Error).message);
      await queries.invalidateQueries();
    }
  }

  if (!pages || !set) return null;
  const chosen = mine ?? set.pages;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: "280px minmax(0, 1fr)",
        minHeight: "100%",
        [small]: { gridTemplateColumns: "minmax(0, 1fr)" },
      }}
    >
      <Box
        component="fieldset"
        sx={{ border: 0, m: 0, p: 1.5, pt: 2, borderRight: `1px solid ${colours.line}`, minWidth: 0 }}
      >
        <Box component="legend" sx={{ float: "left", fontWeight: 700, pb: 1 }}>
          Pages planned together
        </Box>
        <Box sx={{ clear: "both" }}>
          {pages.map((page) => (
            <PageCheck
              key={page.saved.id}
              page={page}
              checked={chosen.includes(page.saved.id)}
              onCheck={(on) =>
                choose(on ? [...chosen, page.saved.id] : chosen.filter((one) => one !== page.saved.id))
              }
            />
          ))}
        </Box>
      </Box>
      <Box sx={{ p: 3, pt: 2, maxWidth: 940 }}>
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 2 }}>
          <Typography variant="h1">Pages together</Typography>
          <Link to="/page">All pages</Link>
        </Box>
        {chosen.length === 0 ? (
          <Typography sx={{ mt: 1, maxWidth: 560 }}>
            Choose the pages that are to come out of the same papers. What each takes is told here, and what is
            short, before the first sheet is cut.
          </Typography>
        ) : (
          <Box aria-busy={mine !== null} sx={{ opacity: mine ? 0.5 : 1 }}>
            <Planned set={set} pages={pages} onChange={change} />
          </Box>
        )}
      </Box>
    </Box>
  );
}

function PageCheck({
  page,
  checked,
  onCheck,
}: {
  page: PageOut;
  checked: boolean;
  onCheck: (on: boolean) => void;
}) {
  const stage = { planned: "", begun: "half cut", cut: "all cut" }[page.cutting];
  return (
    <Box component="label" sx={{ display: "flex", alignItems: "center", gap: 1, minHeight: 56, cursor: "pointer" }}>
      <Checkbox checked={checked} onChange={(event) => onCheck(event.target.checked)} />
      <Box component="img" src={pageThumb(page)} alt="" sx={{ width: 64, maxHeight: 48, objectFit: "contain" }} />
      <Box sx={{ lineHeight: 1.25 }}>
        {page.page.name}
        {stage && <Box sx={{ color: colours.soft, fontSize: "0.85rem" }}>{stage}</Box>}
      </Box>
    </Box>
  );
}

interface PlannedProps {
  set: Set_;
  pages: PageOut[];
  onChange: (page: string, what: string, recipe: Recipe) => Promise<void>;
}

function Planned({ set, pages, onChange }: PlannedProps) {
  const many = set.pages.length;
  return (
    <>
      <Box data-opened sx={{ mt: 1, fontSize: "1.05rem" }}>
        {many === 1 ? "This page begins" : `These ${many} pages begin`} <b>{set.opened}</b>{" "}
        {set.opened === 1 ? "sheet" : "sheets"}
        {set.proved && set.opened > 0 ? "; fewer will not do." : "."}{" "}
        {set.short.length === 0 && "Nothing is short."}
      </Box>
      {set.short.length > 0 && (
        <Box component="section" aria-label="What is short" sx={{ mt: 2 }}>
          <Typography variant="h2">What is short</Typography>
          {set.short.map((one) => (
            <ShortOf key={one.piece} short={one} standing={set} onChange={onChange} />
          ))}
        </Box>
      )}
      {set.offers.length > 0 && (
        <Box component="section" aria-label="Hidden paper" sx={{ mt: 2 }}>
          <Typography variant="h2">Hidden paper</Typography>
          {set.offers.map((offer) => (
            <Box key={offer.piece} sx={{ lineHeight: 1.4 }}>
              {unbroken(offer.sentence)}{" "}
              <Box component="span" sx={{ color: colours.soft }}>
                {offer.gut && `Cut out by ${offer.by}.`}
              </Box>
            </Box>
          ))}
        </Box>
      )}
      <Box component="section" aria-label="What each page takes" sx={{ mt: 2 }}>
        <Typography variant="h2">What each page takes</Typography>
        <Box
          sx={{ display: "grid", gap: 2, gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 270px), 1fr))" }}
        >
          {set.pages.map((id) => (
            <Box key={id}>
              <Link to={`/page/${id}`}>{pages.find((page) => page.saved.id === id)?.page.name}</Link>
              {set.takes
                .filter((one) => one.page === id)
                .map((one) => (
                  <Box key={one.paper} sx={{ fontSize: "0.92rem", lineHeight: 1.45 }}>
                    <b>{one.name}</b>: {taken(one)}
                  </Box>
                ))}
              {!set.takes.some((one) => one.page === id) && (
                <Box sx={{ color: colours.soft, fontSize: "0.92rem" }}>nothing that is still to be cut</Box>
              )}
            </Box>
          ))}
        </Box>
      </Box>
      <Papers papers={set.papers} />
    </>
  );
}

/** Such as "3 pieces, 2 sheets, 1 of them shared". */
function taken(one: Schemas["Takes"]): string {
  const words = [`${one.pieces} ${one.pieces === 1 ? "piece" : "pieces"}`];
  if (one.sheets) words.push(`${one.sheets} ${one.sheets === 1 ? "sheet" : "sheets"}`);
  if (one.scraps) words.push(`${one.scraps} ${one.scraps === 1 ? "scrap" : "scraps"}`);
  if (one.shared) words.push(one.sheets + one.scraps === one.shared ? "shared" : `${one.shared} of them shared`);
  return words.join(", ");
}

function ShortOf({
  short,
  standing,
  onChange,
}: { short: Schemas["Short"]; standing: Set_ } & Pick<PlannedProps, "onChange">) {
  const { data: helps } = useQuery(helpsQuery(short.piece, standing));
  return (
    <Box sx={{ py: 0.75, borderBottom: `1px solid ${colours.faint}` }}>
      <Box sx={{ fontWeight: 700 }}>{short.page_name}</Box>
      <Finding severity="stop" sentence={short.sentence} />
      {!helps && <Box sx={{ color: colours.soft }}>Looking for what would help…</Box>}
      {helps?.length === 0 && (
        <Box sx={{ color: colours.soft }}>
          No small change helps: take a paper out, make a part smaller, or add a sheet to the shelf.
        </Box>
      )}
      {helps && helps.length > 0 && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          {helps.map((help) => (
            <Button
              key={help.says}
              size="small"
              variant="outlined"
              onClick={() => void onChange(help.page, help.says, help.recipe)}
              sx={{ whiteSpace: "normal", textAlign: "left" }}
            >
              {unbroken(help.says)}
            </Button>
          ))}
        </Box>
      )}
    </Box>
  );
}

function Papers({ papers }: { papers: Schemas["PaperLeft"][] }) {
  const shelf = useShelf();
  return (
    <Box component="section" aria-label="Papers" sx={{ mt: 2 }}>
      <Typography variant="h2">Papers</Typography>
      <Box
        component="ul"
        sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, m: 0, mt: 0.5, p: 0, listStyle: "none" }}
      >
        {papers.map((paper) => (
          <Box
            component="li"
            key={paper.paper}
            sx={{ display: "flex", gap: 1, alignItems: "center", minWidth: 170 }}
          >
            <Swatch
              tile={shelf.find((one) => one.paper.id === paper.paper)?.tiles?.a}
              width={34}
              height={34}
              inches={3}
            />
            <Box sx={{ fontSize: "0.9rem", lineHeight: 1.3 }}>
              <b>{paper.name}</b>
              <Box>
                {paper.there
                  ? `${paper.opened} of ${paper.there} ${paper.there === 1 ? "sheet" : "sheets"}`
                  : "scraps only"}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
