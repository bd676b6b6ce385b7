/** Grids and tiles: what lies in which cell. */

import Button from "@mui/material/Button";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { CountField } from "../ui/CountField";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { PaperPicker } from "../ui/PaperPicker";
import { CardChoice } from "./CardChoice";
import { type GridPart, type PartProps, printOf, type TilesPart } from "./kinds";
import { PictureChoice } from "./PictureChoice";
import { Sentence } from "./Sentence";
import {
  CountValue,
  EitherValue,
  FIGURES,
  LengthValue,
  PapersValue,
  PlaceOf,
  RoomValue,
  SeedButton,
  WordValue,
} from "./values";

type Cell = GridPart["cells"][number];

export function GridFields(of: PartProps<GridPart>) {
  const usual = useUsual();
  const { part } = of;
  const { open } = part;
  return (
    <>
      <Sentence>
        {open === "how many" ? (
          "Grid; what follows from the rest:"
        ) : (
          <>
            Grid of
            <CountValue of={of} field="rows" label="Rows" least={0} />
            rows and
            <CountValue of={of} field="columns" label="Columns" least={0} />
            columns; what follows from the rest:
          </>
        )}
        <WordValue
          of={of}
          field="open"
          label="What follows from the rest"
          options={[
            ["cells", "the cells"],
            ["gap", "the gaps"],
            ["margins", "the margins"],
            ["equal gaps", "equal gaps all round"],
            ["how many", "how many fit"],
            ["nothing", "nothing: all is set"],
          ]}
        />
      </Sentence>
      <Sentence>
        {open !== "cells" && (
          <>
            cells
            <LengthValue of={of} field="cell_width" label="Cell width" />×
            <LengthValue of={of} field="cell_height" label="Cell height" />
          </>
        )}
        {open !== "gap" && open !== "equal gaps" && (
          <>
            gap
            <LengthValue of={of} field="gap" label="Gap" range="gap" />
          </>
        )}
        {open !== "margins" && open !== "equal gaps" && (
          <>
            margin
            <LengthValue of={of} field="margin" label="Margin" range="gap" />
          </>
        )}
      </Sentence>
      <Sentence>
        <RoomValue of={of} field="width" label="Width" own={usual.grid_room} />
        <RoomValue of={of} field="height" label="Height" own={usual.grid_room} />
      </Sentence>
      <Sentence>
        cells not named here are
        <WordValue
          of={of}
          field="rest"
          label="Other cells"
          options={[
            ["paper", "of paper"],
            ["photo", "places for photos"],
            ["empty", "left empty"],
          ]}
        />
        {part.rest === "paper" && <SeedButton of={of} words="Another arrangement" />}
      </Sentence>
      <PapersValue of={of} />
      {part.cells.map((cell, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a named cell is its place in the list
        <CellFields key={k} of={of} k={k} cell={cell} />
      ))}
      <Sentence>
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() => of.onChange("named a cell", { ...part, cells: [...part.cells, nextCell(part)] })}
        >
          A cell of its own
        </Button>
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

/** The first cell, row by row, that no named one lies on. */
function nextCell(part: GridPart): Cell {
  const lies = (row: number, column: number) =>
    part.cells.some(
      (c) => row >= c.row && row < c.row + c.rows && column >= c.column && column < c.column + c.columns,
    );
  const free = {
    row: 0,
    column: 0,
    rows: 1,
    columns: 1,
    what: "photo",
    print: null,
    choice: null,
    figure: "rectangle",
  } as const;
  for (let row = 0; row < part.rows; row++)
    for (let column = 0; column < part.columns; column++) if (!lies(row, column)) return { ...free, row, column };
  return free;
}

function CellFields({ of, k, cell }: { of: PartProps<GridPart>; k: number; cell: Cell }) {
  const usual = useUsual();
  const { part, onChange } = of;
  const put = (what: string, change: Partial<Cell>, group?: string) =>
    onChange(
      what,
      { ...part, cells: part.cells.map((old, n) => (n === k ? { ...old, ...change } : old)) },
      group && `${group} ${k}`,
    );
  const name = `Cell ${k + 1}`;
  return (
    <Sentence inset>
      row
      <CountField
        label={`${name}: row`}
        value={cell.row + 1}
        most={100}
        onCommit={(row) => put("moved a cell", { row: row - 1 }, "row")}
      />
      column
      <CountField
        label={`${name}: column`}
        value={cell.column + 1}
        most={100}
        onCommit={(column) => put("moved a cell", { column: column - 1 }, "column")}
      />
      over
      <CountField
        label={`${name}: rows it spans`}
        value={cell.rows}
        most={100}
        onCommit={(rows) => put("changed a cell’s span", { rows }, "rows")}
      />
      ×
      <CountField
        label={`${name}: columns it spans`}
        value={cell.columns}
        most={100}
        onCommit={(columns) => put("changed a cell’s span", { columns }, "columns")}
      />
      <Choice
        label={`${name}: what lies there`}
        value={cell.what}
        options={[
          ["photo", "photo"],
          ["paper", "paper"],
          ["card", "card"],
          ["title", "title"],
          ["words", "words"],
          ["empty", "nothing"],
        ]}
        onChange={(what) => put("changed what lies in a cell", { what })}
      />
      {cell.what === "photo" && (
        <PictureChoice
          label={`${name}: which photo`}
          value={cell.print?.photo}
          onChoose={(_, chosen, photo) =>
            put(chosen ? `chose ${chosen}` : "took the photo out", { print: photo ? printOf(usual, photo) : null })
          }
        />
      )}
      {(cell.what === "paper" || cell.what === "card") && (
        <>
          <Choice
            label={`${name}: figure`}
            value={cell.figure}
            options={FIGURES}
            onChange={(figure) => put("changed a cell’s shape", { figure })}
          />
          <PaperPicker
            label={`${name}: paper`}
            value={cell.choice ?? usual.choice}
            onChange={(choice, paper) => put(`chose ${paper}`, { choice })}
          />
        </>
      )}
      <IconAction
        small
        icon="bin"
        name={`${name}: like the others again`}
        onClick={() => onChange("took a cell back", { ...part, cells: part.cells.filter((_, n) => n !== k) })}
      />
    </Sentence>
  );
}

type Taken = TilesPart["taken"][number];

export function TilesFields(of: PartProps<TilesPart>) {
  const usual = useUsual();
  const { part, onChange } = of;
  return (
    <>
      <Sentence>
        <WordValue
          of={of}
          field="shape"
          label="Tile"
          options={[
            ["hexagon", "honeycomb"],
            ["hexagon flat up", "honeycomb, flat side up"],
            ["square", "squares"],
            ["triangle", "triangles"],
            ["circle", "circles"],
          ]}
        />
        of
        <LengthValue of={of} field="size" label="Tile size" />
        gap
        <LengthValue of={of} field="gap" label="Gap" range="gap" />
      </Sentence>
      <Sentence>
        <WordValue
          of={of}
          field="layout"
          label="Layout"
          options={[
            ["region", "all over"],
            ["ring", "in a ring,"],
            ["scattered", "scattered,"],
          ]}
        />
        <RoomValue of={of} field="width" label="Width" own={usual.tiles_room} />
        <RoomValue of={of} field="height" label="Height" own={usual.tiles_room} />
        <EitherValue of={of} field="trimmed" label="At the edge" yes="trimmed at the edge" no="whole tiles only" />
      </Sentence>
      {part.layout === "ring" && (
        <Sentence inset>
          round
          <RoomValue of={of} field="hole_width" label="Hole width" own={usual.tiles_hole} />
          <RoomValue of={of} field="hole_height" label="Hole height" own={usual.tiles_hole} />
        </Sentence>
      )}
      {part.layout === "scattered" && (
        <Sentence inset>
          on
          <CountField
            label="Share of the cells"
            value={part.share}
            most={100}
            onCommit={(share) => onChange("changed the share", { ...part, share }, "share")}
          />
          % of the cells
        </Sentence>
      )}
      <PapersValue of={of} />
      <Sentence>
        <SeedButton of={of} words="Another arrangement" />
        <Choice
          label="How many of each"
          value={part.asked.length ? "asked" : "even"}
          options={[
            ["even", "evenly shared out"],
            ["asked", "so many of each:"],
          ]}
          onChange={(way) =>
            onChange("changed the counts", { ...part, asked: way === "even" ? [] : part.papers.map(() => 5) })
          }
        />
        {part.asked.length > 0 &&
          part.papers.map((_, k) => (
            <CountField
              // biome-ignore lint/suspicious/noArrayIndexKey: a count is its paper's place
              key={k}
              label={`Tiles of paper ${k + 1}`}
              least={0}
              value={part.asked[k] ?? 0}
              onCommit={(count) =>
                onChange(
                  "changed the counts",
                  { ...part, asked: part.papers.map((_, n) => (n === k ? count : (part.asked[n] ?? 0))) },
                  "asked",
                )
              }
            />
          ))}
      </Sentence>
      {part.taken.map((taken, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a taken cell is its place in the list
        <TakenFields key={k} of={of} k={k} taken={taken} />
      ))}
      <Sentence>
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() => {
            const taken = { ...usual.taken, column: part.taken.length };
            onChange("took a cell", { ...part, taken: [...part.taken, taken] });
          }}
        >
          A photo or card in a cell
        </Button>
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

function TakenFields({ of, k, taken }: { of: PartProps<TilesPart>; k: number; taken: Taken }) {
  const usual = useUsual();
  const { part, onChange } = of;
  const put = (what: string, change: Partial<Taken>, group?: string) =>
    onChange(
      what,
      { ...part, taken: part.taken.map((old, n) => (n === k ? { ...old, ...change } : old)) },
      group && `${group} ${k}`,
    );
  const name = `Taken cell ${k + 1}`;
  return (
    <Sentence inset>
      row
      <CountField
        label={`${name}: row`}
        least={-100}
        most={100}
        value={taken.row + 1}
        onCommit={(row) => put("moved it", { row: row - 1 }, "row")}
      />
      column
      <CountField
        label={`${name}: column`}
        least={-100}
        most={100}
        value={taken.column + 1}
        onCommit={(column) => put("moved it", { column: column - 1 }, "column")}
      />
      <Choice
        label={`${name}: what lies there`}
        value={taken.what}
        options={[
          ["photo", "photo"],
          ["paper", "paper"],
          ["card", "printed card"],
          ["words", "words"],
          ["empty", "nothing"],
        ]}
        onChange={(what) => put("changed what lies in a cell", { what })}
      />
      {taken.what === "photo" && (
        <PictureChoice
          label={`${name}: which photo`}
          value={taken.print?.photo}
          onChoose={(_, chosen, photo) =>
            put(chosen ? `chose ${chosen}` : "took the photo out", { print: printOf(usual, photo) })
          }
        />
      )}
      {taken.what === "paper" && (
        <PaperPicker
          label={`${name}: paper`}
          value={taken.choice}
          onChange={(choice, paper) => put(`chose ${paper}`, { choice })}
        />
      )}
      {taken.what === "card" && <CardChoice label={`${name}: `} value={taken} onChange={put} />}
      <IconAction
        small
        icon="bin"
        name={`${name}: a tile again`}
        onClick={() => onChange("gave a cell back", { ...part, taken: part.taken.filter((_, n) => n !== k) })}
      />
    </Sentence>
  );
}
