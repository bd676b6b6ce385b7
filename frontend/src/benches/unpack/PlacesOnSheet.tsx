/** What is printed at known places of a sheet, card by card, and what is cut out of it already. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Paper } from "../../api/kits";
import { cardsInRows } from "../../api/kits";
import { findMotifs } from "../../api/things";
import { useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { Sentence } from "../../parts/Sentence";
import { Choice } from "../../ui/Choice";
import { CountField } from "../../ui/CountField";
import { Icon } from "../../ui/Icon";
import { IconAction } from "../../ui/IconAction";
import { aName, InlineText } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";
import { type Place, SheetPlaces } from "../../ui/SheetPlaces";
import { CardLines } from "./CardLines";

interface Props {
  paper: Paper;
  onChange: (what: string, change: (paper: Paper) => Paper, group?: string) => void;
}

type Hole = Paper["holes"][number];
type At = Paper["cards"][number]["at"];

export function PlacesOnSheet({ paper, onChange }: Props) {
  const usual = useUsual();
  const cards = (change: (all: Paper["cards"]) => Paper["cards"]) => (p: Paper) => ({
    ...p,
    cards: change(p.cards),
  });
  const [chosen, setChosen] = useState<Place | null>(null);
  const shown = (kind: Place["kind"], k: number) => chosen?.kind === kind && chosen.k === k;
  const { say } = useFrame();
  async function find(side: "A" | "B"): Promise<void> {
    try {
      const found = await findMotifs(paper, side);
      if (!found.length) say("Nothing stands out from the ground of this side");
      else
        onChange(
          "found motifs",
          cards((all) => [...all, ...found]),
        );
    } catch (error) {
      say((error as Error).message);
    }
  }
  const holes = (change: (all: Hole[]) => Hole[]) => (p: Paper) => ({ ...p, holes: change(p.holes) });
  return (
    <>
      {(paper.cards.length > 0 || paper.holes.length > 0) && (
        <Box sx={{ fontSize: "0.85rem", color: colours.soft, pt: 1.5 }}>
          Press a card or a hole to say where it lies.
        </Box>
      )}
      <SheetPlaces paper={paper} holes chosen={chosen} onPress={setChosen} />
      {paper.cards.map(
        (card, k) =>
          shown("card", k) && (
            // biome-ignore lint/suspicious/noArrayIndexKey: a card is its place in the list
            <Sentence key={k}>
              card
              <InlineText
                label={`Card ${k + 1}: name`}
                value={card.name}
                width={90}
                check={aName}
                onCommit={(name) =>
                  onChange(
                    "named a card",
                    cards((all) => all.map((c, n) => (n === k ? { ...c, name } : c))),
                  )
                }
              />
              <Choice
                label={`Card ${k + 1}: side`}
                value={card.side}
                options={[
                  ["A", "on A"],
                  ["B", "on B"],
                ]}
                onChange={(side) =>
                  onChange(
                    "changed a card’s side",
                    cards((all) => all.map((c, n) => (n === k ? { ...c, side } : c))),
                  )
                }
              />
              <Where
                label={`Card ${k + 1}`}
                at={card.at}
                onChange={(field, value) =>
                  onChange(
                    "moved a card",
                    cards((all) => all.map((c, n) => (n === k ? { ...c, at: { ...c.at, [field]: value } } : c))),
                    `card ${k} ${field}`,
                  )
                }
              />
              <IconAction
                small
                icon="bin"
                name={`Take card ${k + 1} away`}
                onClick={() =>
                  onChange(
                    "took a card away",
                    cards((all) => all.filter((_, n) => n !== k)),
                  )
                }
              />
              <Choice
                label={`Card ${k + 1}: its printed words`}
                value={card.words}
                options={[
                  ["kept", "its words stay"],
                  ["covered", "its words are to be covered"],
                  ["cut off", "its words are to be cut off"],
                ]}
                onChange={(words) =>
                  onChange(
                    "said what becomes of the words",
                    cards((all) => all.map((c, n) => (n === k ? { ...c, words } : c))),
                  )
                }
              />
              {card.outline.length > 0 && (
                <Button
                  size="small"
                  onClick={() =>
                    onChange(
                      "took an outline away",
                      cards((all) => all.map((c, n) => (n === k ? { ...c, outline: [] } : c))),
                    )
                  }
                >
                  Cut as a rectangle
                </Button>
              )}
              <CardLines
                label={`Card ${k + 1}`}
                lines={card.lines}
                onChange={(what, lines, group) =>
                  onChange(
                    what,
                    cards((all) => all.map((c, n) => (n === k ? { ...c, lines } : c))),
                    group && `card ${k} lines ${group}`,
                  )
                }
              />
            </Sentence>
          ),
      )}
      {paper.holes.map(
        (hole, k) =>
          shown("hole", k) && (
            // biome-ignore lint/suspicious/noArrayIndexKey: a hole is its place in the list
            <Sentence key={k}>
              hole
              <Choice
                label={`Shape of hole ${k + 1}`}
                value={hole.figure}
                options={[
                  ["rectangle", "rectangle"],
                  ["circle", "circle"],
                ]}
                onChange={(figure) =>
                  onChange(
                    "changed a hole",
                    holes((all) => all.map((h, n) => (n === k ? { ...h, figure } : h))),
                  )
                }
              />
              <Where
                label={`Hole ${k + 1}`}
                at={hole}
                onChange={(field, value) =>
                  onChange(
                    "moved a hole",
                    holes((all) => all.map((h, n) => (n === k ? { ...h, [field]: value } : h))),
                    `hole ${k} ${field}`,
                  )
                }
              />
              <IconAction
                small
                icon="bin"
                name={`Take hole ${k + 1} away`}
                onClick={() =>
                  onChange(
                    "took a hole away",
                    holes((all) => all.filter((_, n) => n !== k)),
                  )
                }
              />
            </Sentence>
          ),
      )}
      <Button
        size="small"
        startIcon={<Icon name="add" size={16} />}
        onClick={() => {
          onChange(
            "added a card",
            cards((all) => [
              ...all,
              { name: nextName(all), at: usual.card_at, side: "A", lines: null, outline: [], words: "kept" },
            ]),
          );
          setChosen({ kind: "card", k: paper.cards.length });
        }}
      >
        A card printed on it
      </Button>
      <CardsInRows
        paper={paper}
        onLay={(laid) =>
          onChange(
            "laid out cards",
            cards((all) => [...all, ...laid]),
          )
        }
      />
      {(["A", "B"] as const).map(
        (side) =>
          (side === "A" ? paper.a : paper.b).picture && (
            <Button
              key={side}
              size="small"
              startIcon={<Icon name="add" size={16} />}
              onClick={() => void find(side)}
            >
              Motifs found on side {side}
            </Button>
          ),
      )}
      <Button
        size="small"
        startIcon={<Icon name="add" size={16} />}
        onClick={() => {
          onChange(
            "added a hole",
            holes((all) => [...all, usual.hole]),
          );
          setChosen({ kind: "hole", k: paper.holes.length });
        }}
      >
        A hole in it
      </Button>
    </>
  );
}

/** A sheet that is printed with equal cards: so many down and across share out what the strip leaves. */
function CardsInRows({ paper, onLay }: { paper: Paper; onLay: (cards: Paper["cards"]) => void }) {
  const [open, setOpen] = useState(false);
  const [rows, setRows] = useState(4);
  const [columns, setColumns] = useState(3);
  const [side, setSide] = useState<"A" | "B">("A");
  if (!open) {
    return (
      <Button size="small" startIcon={<Icon name="add" size={16} />} onClick={() => setOpen(true)}>
        Cards in rows
      </Button>
    );
  }
  async function lay(): Promise<void> {
    onLay(await cardsInRows(paper, rows, columns, side));
    setOpen(false);
  }
  return (
    <Sentence>
      <CountField label="Rows of cards" most={20} value={rows} onCommit={setRows} />
      rows of
      <CountField label="Cards in a row" most={20} value={columns} onCommit={setColumns} />
      equal cards
      <Choice
        label="Side of the cards"
        value={side}
        options={[
          ["A", "on A"],
          ["B", "on B"],
        ]}
        onChange={setSide}
      />
      <Button size="small" variant="outlined" onClick={() => void lay()}>
        Lay them out
      </Button>
    </Sentence>
  );
}

function nextName(cards: Paper["cards"]): string {
  for (let n = cards.length + 1; ; n++) if (!cards.some((card) => card.name === String(n))) return String(n);
}

const FIELDS = [
  ["x", "from the left", "gap"],
  ["y", "from the top", "gap"],
  ["width", "wide", "size"],
  ["height", "high", "size"],
] as const;

function Where({
  label,
  at,
  onChange,
}: {
  label: string;
  at: At;
  onChange: (field: keyof At, value: string) => void;
}) {
  return FIELDS.map(([field, words, range]) => (
    <span key={field} style={{ whiteSpace: "nowrap" }}>
      <LengthField
        label={`${label}: ${words}`}
        range={range}
        value={at[field]}
        onCommit={(value) => onChange(field, value)}
      />{" "}
      {words}
    </span>
  ));
}
