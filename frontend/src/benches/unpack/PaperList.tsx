/** The papers of a kit, a line each; names can be typed in a row, one after another. */
import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import { useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, useDeferredValue, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { type Paper, PILES, shelfQuery } from "../../api/kits";
import { useShown } from "../../api/lengths";
import { colours } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { IconAction } from "../../ui/IconAction";
import { aName, InlineText, wholeNumber } from "../../ui/InlineText";
import { SearchField } from "../../ui/SearchField";
import { Swatch } from "../../ui/Swatch";
import { isCalled, wordsOf } from "../../ui/search";
import { useSome } from "../../ui/useSome";
import { NextName } from "./NextName";

interface Props {
  papers: Paper[];
  tiles: Record<string, Schemas["Tiles"]>;
  chosen: string[];
  onChoose: (ids: string[]) => void;
  onChange: (what: string, ids: string[], change: (paper: Paper) => Partial<Paper>) => void;
  onAdd: (name: string) => void;
  onCopy: (ids: string[]) => void;
  onRemove: (ids: string[]) => void;
  /** Goes on to how they look. */
  onEdit: (ids: string[]) => void;
}

export function PaperList(props: Props) {
  const { tiles, chosen, onChoose, onChange, onAdd, onCopy, onRemove } = props;
  const list = useRef<HTMLDivElement>(null);
  const [typed, setTyped] = useState("");
  const asked = useDeferredValue(typed);
  const { data: there = [] } = useQuery(shelfQuery());
  const words = new Map(there.map((one) => [one.paper, one.words]));
  const papers = props.papers.filter((paper) =>
    isCalled(asked, [...(words.get(paper.id) ?? []), ...wordsOf(`${paper.name} ${paper.pile}`)]),
  );
  const { some, before, after } = useSome(
    papers.map((paper, k) => [paper, k] as const),
    papers.findIndex((paper) => paper.id === chosen.at(-1)),
    12,
  );
  const all = chosen.length === papers.length && papers.length > 0;

  function choose(id: string, more: boolean): void {
    if (!more) onChoose([id]);
    else onChoose(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id]);
  }

  const sort = (ids: string[], pile: Paper["pile"]) => onChange(`sorted it: ${pile}`, ids, () => ({ pile }));
  const turnOver = (ids: string[]) =>
    onChange("turned a sheet over", ids, (paper) => ({ up: paper.up === "A" ? "B" : "A" }));

  function onKeyDown(event: KeyboardEvent, k: number): void {
    if (event.target !== event.currentTarget) return;
    const id = papers[k]?.id ?? "";
    const by = event.key === "ArrowUp" ? -1 : event.key === "ArrowDown" ? 1 : 0;
    const next = papers[k + by];
    if (by && next) {
      event.preventDefault();
      list.current?.querySelector<HTMLElement>(`[data-paper="${next.id}"]`)?.focus();
      if (event.shiftKey) onChoose([...new Set([...chosen, id, next.id])]);
      else onChoose([next.id]);
    } else if (event.key === " ") {
      event.preventDefault();
      choose(id, true);
    } else if (event.key === "Enter") {
      event.preventDefault();
      props.onEdit(chosen.includes(id) ? chosen : [id]);
    }
    const pile = SORTED_BY[event.key];
    if (pile && !event.ctrlKey && !event.metaKey) sort(chosen.includes(id) ? chosen : [id], pile);
    else if (event.key.toLowerCase() === "t" && !event.ctrlKey && !event.metaKey)
      turnOver(chosen.includes(id) ? chosen : [id]);
    else if (event.key === "Delete") onRemove(chosen.includes(id) ? chosen : [id]);
    else if (event.key.toLowerCase() === "d" && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      onCopy(chosen.includes(id) ? chosen : [id]);
    }
  }

  return (
    <Box ref={list} sx={{ containerType: "inline-size" }}>
      {props.papers.length > 0 && (
        <Box sx={{ p: 1, maxWidth: 420 }}>
          <SearchField
            label="Look for a paper"
            placeholder="name, colour, dots, likely …"
            value={typed}
            onChange={setTyped}
          />
        </Box>
      )}
      {props.papers.length > 0 && !papers.length && (
        <Box sx={{ px: 2, py: 1, color: colours.soft }}>No paper of this kit goes by that word.</Box>
      )}
      {papers.length > 0 && (
        <Box
          sx={{
            ...row,
            minHeight: 34,
            color: colours.soft,
            fontSize: "0.85rem",
            borderBottom: `1px solid ${colours.line}`,
          }}
        >
          <Checkbox
            size="small"
            slotProps={{ input: { "aria-label": "Choose all papers" } }}
            checked={all}
            indeterminate={!all && chosen.length > 1}
            onChange={() => onChoose(all ? [] : papers.map((p) => p.id))}
          />
          <span>Up, and back</span>
          <span>Name</span>
          <span data-size>Size</span>
          <Box sx={{ textAlign: "right" }}>Sheets</Box>
        </Box>
      )}
      {before}
      {some.map(([paper, k]) => (
        <Box
          key={paper.id}
          data-paper={paper.id}
          tabIndex={0}
          role="group"
          aria-label={paper.name}
          onKeyDown={(event: KeyboardEvent) => onKeyDown(event, k)}
          onClick={(event: React.MouseEvent) => choose(paper.id, event.ctrlKey || event.metaKey)}
          sx={{
            ...row,
            borderBottom: `1px solid ${colours.line}`,
            borderLeft: `4px solid ${chosen.includes(paper.id) ? colours.verdigris : "transparent"}`,
            background: chosen.includes(paper.id) ? colours.paper : "transparent",
            cursor: "pointer",
            "&:hover": { background: colours.paper },
          }}
        >
          <Checkbox
            size="small"
            slotProps={{ input: { "aria-label": `Choose ${paper.name}` } }}
            checked={chosen.includes(paper.id)}
            onClick={(event) => event.stopPropagation()}
            onChange={() => choose(paper.id, true)}
          />
          <Sides paper={paper} tiles={tiles[paper.id]} />
          <Box sx={{ minWidth: 0 }}>
            <InlineText
              label={`Name of ${paper.name}`}
              value={paper.name}
              width="100%"
              check={aName}
              onCommit={(name) => onChange("named a paper", [paper.id], () => ({ name: name.trim() }))}
            />
            <Box sx={{ pl: 0.5, display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1 }}>
              <Box sx={{ fontSize: "0.82rem", color: colours.soft }}>{describe(paper)}</Box>
              <Choice
                quiet
                label={`Pile of ${paper.name}`}
                value={paper.pile}
                options={PILES.map((pile) => [pile, pile] as const)}
                onChange={(pile) => sort([paper.id], pile)}
              />
            </Box>
          </Box>
          <Box data-size>
            <Size paper={paper} />
          </Box>
          <InlineText
            label={`Sheets of ${paper.name}`}
            value={String(paper.count)}
            align="right"
            numeric
            width="6ch"
            check={wholeNumber(0)}
            onCommit={(count) => onChange("changed a count", [paper.id], () => ({ count: Number(count.trim()) }))}
          />
          <IconAction small icon="swap" name={`Turn ${paper.name} over`} onClick={() => turnOver([paper.id])} />
        </Box>
      ))}
      {after}
      <NextName label="Name of the next paper" onAdd={onAdd} />
    </Box>
  );
}

/** By these keys the chosen sheets are sorted, as one goes down the list. */
const SORTED_BY: Record<string, Paper["pile"]> = {
  "1": "likely",
  "2": "another story",
  "3": "not this time",
  "0": "not sorted",
};

/** The side that lies up, and behind it the other one. */
function Sides({ paper, tiles }: { paper: Paper; tiles: Schemas["Tiles"] | undefined }) {
  const [up, back] = paper.up === "A" ? (["a", "b"] as const) : (["b", "a"] as const);
  const title = (side: "a" | "b") => `${paper.name}, ${side.toUpperCase()}: ${paper[side].pattern}`;
  return (
    <Box sx={{ display: "flex", alignItems: "end", gap: 0.5 }}>
      <Swatch tile={tiles?.[up]} width={46} height={46} inches={4} title={title(up)} />
      <Swatch tile={tiles?.[back]} width={26} height={26} inches={4} title={title(back)} />
    </Box>
  );
}

const row = {
  display: "grid",
  gridTemplateColumns: "40px 80px minmax(120px, 1fr) 110px 64px 44px",
  alignItems: "center",
  gap: 1,
  px: 1,
  py: 0.5,
  // Beside an editor on a tablet the size is left to the editor.
  "@container (max-width: 470px)": {
    gridTemplateColumns: "40px 80px minmax(80px, 1fr) 60px 44px",
    "& [data-size]": { display: "none" },
  },
} as const;

function describe(paper: Paper): string {
  const words: string[] = [
    paper.a.pattern === paper.b.pattern ? paper.a.pattern : `${paper.a.pattern} and ${paper.b.pattern}`,
  ];
  if (paper.stock !== "patterned") words.push(paper.stock);
  if (paper.form !== "sheet") words.push(paper.form === "pad" ? "from a pad" : "scrap");
  return words.join(", ");
}

function Size({ paper }: { paper: Paper }) {
  const width = useShown(paper.width);
  const height = useShown(paper.height);
  return (
    <span>
      {width?.shown} × {height?.shown}
    </span>
  );
}
