/** What is done to the edges of a part's pieces before they are glued, and under what its own edge is slipped. */
import Box from "@mui/material/Box";
import { useState } from "react";
import type { Schemas } from "../api/client";
import type { Recipe } from "../api/pages";
import type { Evaluated } from "../api/recipe";
import { useUsual } from "../api/usual";
import { colours } from "../app/theme";
import { Choice } from "../ui/Choice";
import { Sentence } from "./Sentence";

type EdgeWork = Schemas["EdgeWork"];
type How = EdgeWork["how"] | "";

interface Props {
  part: string;
  page: Recipe;
  evaluated: Evaluated | undefined;
  onChange: (what: string, change: Partial<Recipe>) => void;
}

const HOW: readonly (readonly [How, string])[] = [
  ["", "left clean"],
  ["inked", "inked"],
  ["outlined", "outlined with a pen"],
  ["roughened", "roughened"],
  ["sanded", "sanded"],
  ["curled", "curled up"],
];
const MOST = 6;

export function EdgeFields({ part, page, evaluated, onChange }: Props) {
  const usual = useUsual();
  const [open, setOpen] = useState(false);
  const mine = (evaluated?.pieces ?? []).filter(
    (piece) => piece.part === part && piece.role !== "thing" && piece.role !== "tape" && piece.role !== "sticker",
  );
  const pieces = [...new Map(mine.map((piece) => [piece.whole || piece.id, piece])).entries()].slice(0, MOST);
  const others = (evaluated?.parts ?? []).filter((one) => one.id !== part && one.box);
  const placed = page.parts.some((one) => one.id === part && one.kind !== "base");
  const tuck = page.tucks.find((one) => one.part === part);
  if (!pieces.length && !mine.length && !others.length) return null;

  function work(piece: string, { how, ...change }: { how: How; colour?: string }): void {
    const rest = page.edges.filter((one) => one.piece !== piece);
    const old = page.edges.find((one) => one.piece === piece);
    const begun: EdgeWork = { ...usual.edge, ...old, piece };
    onChange("worked an edge", { edges: how ? [...rest, { ...begun, ...change, how }] : rest });
  }

  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <Box
        component="summary"
        sx={{ cursor: "pointer", color: colours.soft, "@media (pointer: coarse)": { minHeight: 44 } }}
      >
        Edges and tucks
      </Box>
      {open && (
        <>
          {pieces.map(([id, piece]) => {
            const edge = page.edges.find((one) => one.piece === id);
            return (
              <Sentence key={id}>
                edges of {piece.name}
                <Choice
                  label={`Edges of ${piece.name}`}
                  value={(edge?.how ?? "") as How}
                  options={HOW}
                  onChange={(how) => work(id, { how })}
                />
                {(edge?.how === "inked" || edge?.how === "outlined") && (
                  <input
                    type="color"
                    aria-label={`Colour of the edges of ${piece.name}`}
                    value={edge.colour}
                    onChange={(event) => work(id, { how: edge.how, colour: event.target.value })}
                    style={{ width: 44, height: 36, border: `1px solid ${colours.line}`, background: "none" }}
                  />
                )}
              </Sentence>
            );
          })}
          {placed && (
            <Sentence>
              its edge is
              <Choice
                label="Tucked under"
                value={tuck?.under ?? ""}
                options={[
                  ["", "tucked under nothing"],
                  ...others.map((one) => [one.id, `tucked under ${one.name}`] as const),
                ]}
                onChange={(under) => {
                  const rest = page.tucks.filter((one) => one.part !== part);
                  onChange(under ? "tucked a part" : "took a tuck away", {
                    tucks: under ? [...rest, { part, under }] : rest,
                  });
                }}
              />
            </Sentence>
          )}
        </>
      )}
    </details>
  );
}
