/** A part in the recipe: its sentence, or chosen its values as fields; what is wrong with it and what would mend it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Found, Remedy } from "../../api/checks";
import type { Recipe } from "../../api/pages";
import type { Evaluated } from "../../api/recipe";
import { colours } from "../../app/theme";
import { EdgeFields } from "../../parts/EdgeFields";
import type { Part } from "../../parts/kinds";
import { PartFields } from "../../parts/PartFields";
import { Finding } from "../../ui/Finding";
import { unbroken } from "../../ui/figures";
import { IconAction } from "../../ui/IconAction";

export interface Rows {
  parts: Part[];
  pages: number;
  page: Evaluated | undefined;
  /** What a second pair of eyes found, when the hand rests. */
  found: readonly Found[];
  lacking: readonly { part: string; sentence: string }[];
  onChange: (what: string, part: Part, group?: string) => void;
  /** Edges and tucks are the page's. */
  recipe: Recipe;
  onRecipe: (what: string, change: Partial<Recipe>) => void;
  onMend: (remedy: Remedy) => void;
  /** Another pack of an alphabet lies on the shelf. */
  onPack: (alphabet: string) => void;
  onOrder: (from: number, to: number) => void;
  onCopy: (part: Part) => void;
  onRemove: (part: Part) => void;
}

export function PartRow(props: Rows & { part: Part; k: number; isChosen: boolean }) {
  const { part, k, page, isChosen, parts } = props;
  const worked = page?.parts.find((p) => p.id === part.id);
  const told = page?.findings ?? [];
  const looked = props.found
    .map((one) => one.finding)
    .filter((one) => !one.aside && !told.some((other) => other.code === one.code && other.part === one.part));
  const findings = [...told, ...looked].filter((f) => f.part === part.id && (isChosen || f.severity !== "note"));
  const lacking = props.lacking.filter((l) => l.part === part.id);
  return (
    <>
      {!isChosen && (
        <Box sx={{ lineHeight: 1.4, overflowWrap: "anywhere" }}>{unbroken(worked?.sentence ?? "…")}</Box>
      )}
      {isChosen && (
        <>
          <PartFields part={part} pages={props.pages} onChange={props.onChange} />
          <EdgeFields part={part.id} page={props.recipe} evaluated={page} onChange={props.onRecipe} />
          {worked?.arithmetic && (
            <Box sx={{ color: colours.verdigris, fontWeight: 700, py: 0.5 }} data-arithmetic>
              {unbroken(worked.arithmetic)}
            </Box>
          )}
          <Box sx={{ display: "flex", mx: -0.75 }}>
            <IconAction
              small
              icon="up"
              name="Further underneath"
              disabled={k === 0}
              onClick={() => props.onOrder(k, k - 1)}
            />
            <IconAction
              small
              icon="down"
              name="Further up on the page"
              disabled={k === parts.length - 1}
              onClick={() => props.onOrder(k, k + 1)}
            />
            <IconAction small icon="copy" name="Another like it" onClick={() => props.onCopy(part)} />
            <IconAction small icon="bin" name="Take it off the page" onClick={() => props.onRemove(part)} />
          </Box>
        </>
      )}
      {findings.map((finding) => (
        <Finding key={finding.code + finding.sentence} severity={finding.severity} sentence={finding.sentence}>
          {finding.remedies.map((remedy) => (
            <Button
              key={remedy.says}
              size="small"
              variant="outlined"
              sx={{ whiteSpace: "normal", minHeight: 30, my: 0.25, py: 0.25, lineHeight: 1.3 }}
              onClick={(event) => {
                event.stopPropagation();
                if (remedy.pack) props.onPack(remedy.pack);
                else props.onMend(remedy);
              }}
            >
              {unbroken(remedy.says)}
            </Button>
          ))}
        </Finding>
      ))}
      {lacking.map((l) => (
        <Finding key={l.sentence} severity="stop" sentence={l.sentence} />
      ))}
    </>
  );
}
