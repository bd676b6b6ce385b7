/** What the page costs, always in sight: pieces, sheets opened, what is left of each paper, and what does not fit. */
import Box from "@mui/material/Box";
import type { Cost, ShelfPaper } from "../../api/documents";
import { colours, narrow } from "../../app/theme";
import { Finding } from "../../ui/Finding";
import { unbroken } from "../../ui/figures";
import { Swatch } from "../../ui/Swatch";

export function CostStrip({ cost, shelf }: { cost: Cost | undefined; shelf: ShelfPaper[] }) {
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
        maxHeight: 136,
        overflow: "auto",
        [narrow]: { maxHeight: "none" },
      }}
    >
      <Box sx={{ display: "flex", gap: 2.5, alignItems: "flex-start" }}>
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
            opens <b>{cost.opened}</b> {cost.opened === 1 ? "sheet" : "sheets"}
          </Box>
        </Box>
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
                <Box sx={{ fontWeight: 700 }}>{paper.name}</Box>
                <Box>{taken(paper)}</Box>
                {paper.rest_says && (
                  <Box sx={{ color: colours.ochre }}>largest rest {unbroken(paper.rest_says)}</Box>
                )}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
      {cost.lacking.length > 0 && (
        <Box sx={{ pt: 0.5 }} role="alert">
          {cost.lacking.map((l) => (
            <Finding key={l.piece} severity="stop" sentence={l.sentence} />
          ))}
        </Box>
      )}
    </Box>
  );
}

/** Such as "opens 1 of 2, 1 left", or "takes 1 scrap, 2 left". */
function taken(paper: Cost["papers"][number]): string {
  const words = [];
  if (paper.opened) words.push(`opens ${paper.opened} of ${paper.had}`);
  if (paper.scraps) words.push(`takes ${paper.scraps} ${paper.scraps === 1 ? "scrap" : "scraps"}`);
  if (!words.length) words.push("opens none");
  return [...words, paper.left ? `${paper.left} left` : "none left"].join(", ");
}
