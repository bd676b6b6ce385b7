/** What the page costs, always in sight: pieces, sheets opened, what is left of each paper, and what does not fit. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import type { ShelfPaper } from "../../api/kits";
import type { Recipe } from "../../api/pages";
import type { Cost } from "../../api/recipe";
import { colours, narrow } from "../../app/theme";
import { Finding } from "../../ui/Finding";
import { unbroken } from "../../ui/figures";
import { Swatch } from "../../ui/Swatch";

interface Props {
  cost: Cost | undefined;
  shelf: ShelfPaper[];
  /** Sheets that are kept back for this page, by paper. */
  keeps: Recipe["keeps"];
  onKeep: (paper: string, count: number) => void;
  /** Hidden paper: in a few words, and its list in place of the papers while it is open. */
  /** What would help a piece that no sheet can give. */
  helps: (piece: string) => ReactNode;
  hidden: { words: string; open: boolean; onOpen: (open: boolean) => void; list: ReactNode };
}

export function CostStrip({ cost, shelf, keeps, onKeep, hidden, helps }: Props) {
  if (!cost) return null;
  return (
    <Box
      component="section"
      aria-label="What the page costs"
      tabIndex={0}
      sx={{
        borderTop: `1px solid ${colours.line}`,
        background: colours.paper,
        px: 2,
        py: 1,
        maxHeight: 168,
        overflow: "auto",
        [narrow]: { maxHeight: "none" },
      }}
    >
      <Box sx={{ display: "flex", flexWrap: { xs: "wrap", sm: "nowrap" }, gap: 2.5, alignItems: "flex-start" }}>
        <Box sx={{ flex: "none", lineHeight: 1.45 }}>
          <Box>
            <b>{cost.pieces}</b> {cost.pieces === 1 ? "piece" : "pieces"} to cut
          </Box>
          {cost.unchosen > 0 && (
            <Box sx={{ color: colours.soft }}>
              <b>{cost.unchosen}</b> without a paper yet
            </Box>
          )}
          <Box>
            <b>{cost.prints}</b> {cost.prints === 1 ? "print" : "prints"}
          </Box>
          <Box>
            begins <b>{cost.opened}</b> {cost.opened === 1 ? "sheet" : "sheets"}
          </Box>
          {hidden.words && (
            <Button
              size="small"
              aria-expanded={hidden.open}
              onClick={() => hidden.onOpen(!hidden.open)}
              sx={{ ml: -0.6, maxWidth: 190, whiteSpace: "normal", textAlign: "left", lineHeight: 1.3 }}
            >
              {hidden.open ? "Show the papers" : hidden.words}
            </Button>
          )}
        </Box>
        {hidden.open ? hidden.list : <Papers cost={cost} shelf={shelf} keeps={keeps} onKeep={onKeep} />}
      </Box>
      {cost.lacking.length > 0 && (
        <Box sx={{ pt: 0.5 }} role="alert">
          {cost.lacking.map((l) => (
            <Finding key={l.piece} severity="stop" sentence={l.sentence}>
              {helps(l.piece)}
            </Finding>
          ))}
        </Box>
      )}
    </Box>
  );
}

function Papers({ cost, shelf, keeps, onKeep }: Omit<Props, "cost" | "hidden" | "helps"> & { cost: Cost }) {
  return (
    <Box component="ul" sx={{ display: "flex", flexWrap: "wrap", gap: 1, m: 0, p: 0, listStyle: "none" }}>
      {cost.papers.map((paper) => (
        <Box component="li" key={paper.paper} sx={{ display: "flex", gap: 1, alignItems: "center", pr: 1.5 }}>
          <Swatch
            tile={shelf.find((s) => s.paper.id === paper.paper)?.tiles?.a}
            width={38}
            height={38}
            inches={3}
          />
          <Box sx={{ fontSize: "0.88rem", lineHeight: 1.3 }}>
            <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
              <b>{paper.name}</b>
              <KeptBack paper={paper} keeps={keeps} onKeep={onKeep} />
            </Box>
            <Box>{taken(paper)}</Box>
            {paper.rest_says && (
              <Box sx={{ color: colours.soft }}>largest piece left {unbroken(paper.rest_says)}</Box>
            )}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** What a page opens can be kept back for it, so that no other page takes it first. */
function KeptBack({ paper, keeps, onKeep }: { paper: Cost["papers"][number] } & Pick<Props, "keeps" | "onKeep">) {
  const kept = keeps.find((keep) => keep.paper === paper.paper)?.count ?? 0;
  if (!kept && !paper.opened) return null;
  const want = Math.max(1, paper.opened);
  const these = want === 1 ? "this sheet" : `these ${want}`;
  return (
    <Button
      size="small"
      color="inherit"
      aria-pressed={kept > 0}
      aria-label={kept ? `${paper.name}: ${kept} kept back, let go` : `${paper.name}: keep ${these} for this page`}
      onClick={() => onKeep(paper.paper, kept ? 0 : want)}
      sx={{
        minHeight: 26,
        p: 0,
        fontSize: "0.82rem",
        color: colours.verdigris,
        "@media (pointer: coarse)": { minHeight: 44 },
      }}
    >
      {kept ? `${kept} kept back · let go` : `Keep ${these}`}
    </Button>
  );
}

/** Such as "begins 1 of 2, 1 stays whole", or "takes 1 scrap, 2 stay whole". */
function taken(paper: Cost["papers"][number]): string {
  const words = [];
  if (paper.opened) words.push(`begins ${paper.opened} of ${paper.had}`);
  if (paper.scraps) words.push(`takes ${paper.scraps} ${paper.scraps === 1 ? "scrap" : "scraps"}`);
  if (!words.length) words.push("begins none");
  return [
    ...words,
    paper.left ? `${paper.left} ${paper.left === 1 ? "stays" : "stay"} whole` : "none stays whole",
  ].join(", ");
}
