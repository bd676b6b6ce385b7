/** The chosen papers, one or many at once: what they are, and how both their sides look. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { type Paper, PILES, type Side } from "../../api/kits";
import { useUsual } from "../../api/usual";
import { Sentence } from "../../parts/Sentence";
import { Choice } from "../../ui/Choice";
import { Icon } from "../../ui/Icon";
import { LengthField } from "../../ui/LengthField";
import { Swatch } from "../../ui/Swatch";
import { PlacesOnSheet } from "./PlacesOnSheet";
import { common, EDGES, FORMS, STOCKS, UPS } from "./papers";
import { SideEditor, several } from "./SideEditor";

interface Props {
  papers: Paper[];
  tiles: Record<string, Schemas["Tiles"]>;
  palette: string[];
  /** Papers that a scrap may be of. */
  others: Paper[];
  onChange: (what: string, change: (paper: Paper) => Paper, group?: string) => void;
  onCopy: () => void;
  onRemove: () => void;
}

export function PaperEditor({ papers, tiles, palette, others, onChange, onCopy, onRemove }: Props) {
  const usual = useUsual();
  const first = papers[0];
  if (!first) return null;
  const one = papers.length === 1;
  const strip = common(papers, (p) => p.strip?.edge ?? "none");
  const side = (face: "a" | "b") => (what: string, change: (side: Side) => Side, group?: string) =>
    onChange(what, (paper) => ({ ...paper, [face]: change(paper[face]) }), group);
  const form = common(papers, (p) => p.form);
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="h2">{one ? first.name : `${papers.length} papers at once`}</Typography>
      {one && (
        <Box sx={{ display: "flex", gap: 1.5, my: 1 }}>
          {(["a", "b"] as const).map((face) => (
            <Box key={face} sx={{ flex: 1, textAlign: "center", fontSize: "0.85rem" }}>
              <Swatch tile={tiles[first.id]?.[face]} width="100%" height={118} inches={6} />
              {face.toUpperCase()}
            </Box>
          ))}
        </Box>
      )}
      <Sentence>
        <LengthField
          label="Width"
          value={common(papers, (p) => p.width)}
          onCommit={(width) => onChange("changed a sheet’s width", (p) => ({ ...p, width }), "width")}
        />
        ×
        <LengthField
          label="Height"
          unit
          value={common(papers, (p) => p.height)}
          onCommit={(height) => onChange("changed a sheet’s height", (p) => ({ ...p, height }), "height")}
        />
        <Choice
          label="Stock"
          value={common(papers, (p) => p.stock) ?? ""}
          options={several(
            STOCKS,
            common(papers, (p) => p.stock),
          )}
          onChange={(stock) => stock && onChange("changed the stock", (p) => ({ ...p, stock }))}
        />
        <Choice
          label="Form"
          value={form ?? ""}
          options={several(FORMS, form)}
          onChange={(next) => next && onChange("changed the form", (p) => ({ ...p, form: next }))}
        />
        {form === "scrap" && (
          <>
            of
            <Choice
              label="Scrap of"
              value={common(papers, (p) => p.scrap_of) ?? ""}
              options={[["", "no paper here"], ...others.map((p) => [p.id, p.name] as const)]}
              onChange={(id) => onChange("said what a scrap is of", (p) => ({ ...p, scrap_of: id || null }))}
            />
          </>
        )}
      </Sentence>
      <Sentence>
        <Choice
          label="Branding strip"
          value={strip ?? ""}
          options={several(EDGES, strip)}
          onChange={(edge) =>
            edge &&
            onChange("changed the branding strip", (p) => ({
              ...p,
              strip: edge === "none" ? null : { edge, depth: p.strip?.depth ?? usual.strip.depth },
            }))
          }
        />
        {strip !== "none" && strip !== null && (
          <LengthField
            label="Depth of the branding strip"
            value={common(papers, (p) => p.strip?.depth ?? null)}
            onCommit={(depth) =>
              onChange(
                "changed the branding strip",
                (p) => ({ ...p, strip: p.strip && { ...p.strip, depth } }),
                "strip",
              )
            }
          />
        )}
      </Sentence>
      <Sentence>
        pile
        <Choice
          label="Pile"
          value={common(papers, (p) => p.pile) ?? ""}
          options={several(
            PILES.map((pile) => [pile, pile] as const),
            common(papers, (p) => p.pile),
          )}
          onChange={(pile) => pile && onChange(`sorted it: ${pile}`, (p) => ({ ...p, pile }))}
        />
        with
        <Choice
          label="Side up"
          value={common(papers, (p) => p.up) ?? ""}
          options={several(
            UPS,
            common(papers, (p) => p.up),
          )}
          onChange={(up) => up && onChange("turned a sheet over", (p) => ({ ...p, up }))}
        />
      </Sentence>
      <SideEditor face="A" papers={papers} palette={palette} onChange={side("a")} />
      <Box sx={{ pt: 1 }}>
        <Button size="small" onClick={() => onChange("made the back the same", (p) => ({ ...p, b: p.a }))}>
          Same again on the back
        </Button>
        <Button size="small" onClick={() => onChange("turned a paper over", (p) => ({ ...p, a: p.b, b: p.a }))}>
          Swap the sides A and B
        </Button>
      </Box>
      <SideEditor face="B" papers={papers} palette={palette} onChange={side("b")} />
      {one && <PlacesOnSheet paper={first} onChange={onChange} />}
      <Box sx={{ pt: 2, display: "flex", gap: 1 }}>
        <Button startIcon={<Icon name="copy" size={18} />} onClick={onCopy}>
          {one ? "Another like it" : "Others like them"}
        </Button>
        <Button color="error" startIcon={<Icon name="bin" size={18} />} onClick={onRemove}>
          Take out
        </Button>
      </Box>
    </Box>
  );
}
