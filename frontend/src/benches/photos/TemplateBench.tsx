/** A template: many photos printed as one picture, in rows and columns or at places of their own. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { type Template, type TemplateOut, templateSource, usePhotos } from "../../api/photos";
import { photoAt, pictureWith } from "../../api/pictures";
import { useDesk } from "../../api/useDesk";
import { useUsual } from "../../api/usual";
import { useInFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { box, NOTHING } from "../../page/scale";
import { PictureChoice } from "../../parts/PictureChoice";
import { Sentence } from "../../parts/Sentence";
import { Choice } from "../../ui/Choice";
import { CountField } from "../../ui/CountField";
import { Finding } from "../../ui/Finding";
import { unbroken } from "../../ui/figures";
import { Icon } from "../../ui/Icon";
import { IconAction } from "../../ui/IconAction";
import { InlineText, wholeNumber } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";
import { useSome } from "../../ui/useSome";
import { PictureHead } from "./PictureHead";
import { PrintThis } from "./PrintThis";

type Cell = Template["cells"][number];
export function TemplateBench({ answer }: { answer: TemplateOut }) {
  const [desk, state] = useDesk("template", answer, templateSource);
  useInFrame(desk, state);
  const usual = useUsual();
  const photos = usePhotos();
  const { some, after } = useSome(photos);
  const [chosen, setChosen] = useState<number | null>(null);
  const template = state.body;
  const { places, cell: size } = state.answer;
  const id = answer.saved.id;
  const edit = (what: string, change: Partial<Template>, group?: string) =>
    desk.edit(what, { ...desk.getState().body, ...change }, group);
  const inRows = template.cells.filter((cell) => !cell.place);
  const own = template.cells.filter((cell) => cell.place);
  const setCells = (what: string, rows: Cell[], free: Cell[], group?: string) =>
    edit(what, { cells: [...rows, ...free] }, group);

  /** The chosen place gets this photo, else the next free one. */
  function put(photo: string): void {
    const rows = [...inRows];
    const at = chosen ?? firstFree(rows, places.length);
    if (at === null) return;
    while (rows.length <= at) rows.push(usual.template_cell);
    rows[at] = { ...(rows[at] ?? usual.template_cell), photo, frame: null };
    setCells("put a photo in", rows, own);
    setChosen(null);
  }

  /** Changes what lies at the chosen place. */
  function change(what: string, by: (cell: Cell) => Cell): void {
    if (chosen === null) return;
    const rows = [...inRows];
    while (rows.length <= chosen) rows.push(usual.template_cell);
    rows[chosen] = by(rows[chosen] ?? usual.template_cell);
    setCells(what, rows, own);
  }

  /** The photo changes places with the one so many places further on. */
  function swap(by: number): void {
    if (chosen === null) return;
    const rows = [...inRows];
    while (rows.length <= Math.max(chosen, chosen + by)) rows.push(usual.template_cell);
    const [one, other] = [rows[chosen], rows[chosen + by]];
    if (!one || !other) return;
    rows[chosen] = { ...one, photo: other.photo, frame: other.frame };
    rows[chosen + by] = { ...other, photo: one.photo, frame: one.frame };
    setCells("moved a photo", rows, own);
    setChosen(chosen + by);
  }

  /** Out of the rows, to lie where it is put; its place in the rows is empty then. */
  function free(): void {
    const place = chosen === null ? undefined : places[chosen];
    const cell = chosen === null ? undefined : inRows[chosen];
    if (!place || !cell || chosen === null) return;
    const rows = inRows.map((one, k) => (k === chosen ? { ...one, photo: null, frame: null } : one));
    setCells("gave a photo a place of its own", rows, [
      ...own,
      { ...usual.template_cell, photo: cell.photo, place },
    ]);
    setChosen(null);
  }

  return (
    <Box
      sx={{
        display: "flex",
        flexDirection: "column",
        minHeight: 0,
        minWidth: 0,
        p: 2,
        gap: 0.75,
        overflow: "auto",
      }}
    >
      <PictureHead
        kind="template"
        name={template.name}
        onName={(name) => edit("named a template", { name })}
        saved={() => desk.getState().answer.saved}
      >
        <PrintThis
          id={id}
          name={template.name}
          print={{ ...usual.print, width: template.width, height: template.height }}
        />
      </PictureHead>
      <TemplateSentence template={template} onEdit={edit} />
      <Box data-cell-size sx={{ color: size ? colours.verdigris : colours.madder, fontWeight: 700 }}>
        {size ? unbroken(`Each photo is ${size}`) : "Gaps and rim leave nothing for the photos; make them smaller."}
      </Box>
      {state.answer.told.map((sentence) => (
        <Finding key={sentence} severity="note" sentence={sentence} />
      ))}
      {own.map((cell, k) => (
        <OwnPlace
          // biome-ignore lint/suspicious/noArrayIndexKey: a place is its number in the list
          key={k}
          number={k + 1}
          cell={cell}
          onChange={(what, next, group) =>
            setCells(
              what,
              inRows,
              next ? own.map((c, n) => (n === k ? next : c)) : own.filter((_, n) => n !== k),
              group && `${group} ${k}`,
            )
          }
        />
      ))}
      <Box>
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() =>
            setCells("added a place of its own", inRows, [
              ...own,
              { ...usual.template_cell, photo: photos[0]?.saved.id ?? null, place: usual.template_place },
            ])
          }
        >
          A photo at a place of its own
        </Button>
      </Box>
      {chosen !== null && places[chosen] && (
        <PlaceFields
          number={chosen + 1}
          many={places.length}
          cell={inRows[chosen] ?? usual.template_cell}
          onSpan={(span) => change("let a photo span", (cell) => ({ ...cell, ...span }))}
          onEmpty={() => change("took a photo out", (cell) => ({ ...cell, photo: null, frame: null }))}
          onSwap={swap}
          onFree={free}
        />
      )}
      <Box sx={{ flex: 1, minHeight: 240, display: "flex", gap: 2, minWidth: 0 }}>
        <Sheet template={template} answer={state.answer} chosen={chosen} onChoose={setChosen} />
        <Box sx={{ flex: "0 0 168px", overflow: "auto" }}>
          <Box sx={{ fontSize: "0.9rem", color: colours.soft, pb: 0.5 }}>
            {chosen === null
              ? "Press a place, then a photo; or a photo for the next free place."
              : `For place ${chosen + 1}:`}
          </Box>
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 0.75 }}>
            {some.map((photo) => (
              <Box
                key={photo.saved.id}
                component="button"
                type="button"
                aria-label={`Put ${photo.photo.name} in`}
                title={photo.photo.name}
                onClick={() => put(photo.saved.id)}
                sx={{ p: 0, border: 0, background: "none", cursor: "pointer" }}
              >
                <Box
                  component="img"
                  src={photoAt(photo, "thumb")}
                  alt=""
                  loading="lazy"
                  sx={{ width: "100%", height: 60, objectFit: "cover", display: "block" }}
                />
              </Box>
            ))}
            {after}
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

function firstFree(rows: Cell[], room: number): number | null {
  const empty = rows.findIndex((cell) => !cell.photo);
  if (empty >= 0) return empty;
  return rows.length < room ? rows.length : null;
}

/** The print as it will be, its places to press. */
function Sheet({
  template,
  answer,
  chosen,
  onChoose,
}: {
  template: Template;
  answer: TemplateOut;
  chosen: number | null;
  onChoose: (place: number | null) => void;
}) {
  const { width, height } = box({ x: NOTHING, y: NOTHING, width: template.width, height: template.height });
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label="The print"
      sx={{
        flex: 1,
        minWidth: 0,
        minHeight: 0,
        maxHeight: "100%",
        filter: "drop-shadow(1px 2px 3px rgba(42,34,22,.3))",
      }}
    >
      <rect width={width} height={height} fill="#fff" />
      <image
        href={pictureWith(answer.saved.id, "view", answer.query)}
        width={width}
        height={height}
        preserveAspectRatio="none"
      />
      {answer.places.map((place, k) => {
        const at = box(place);
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a place is its number
            key={k}
            {...at}
            role="button"
            tabIndex={0}
            aria-label={`Place ${k + 1}`}
            aria-pressed={chosen === k}
            data-place={k}
            fill={chosen === k ? colours.verdigris : "#c9bfa8"}
            fillOpacity={chosen === k ? 0.35 : template.cells[k]?.photo ? 0 : 0.5}
            stroke={chosen === k ? colours.verdigris : "transparent"}
            strokeWidth={width / 120}
            style={{ cursor: "pointer" }}
            onClick={() => onChoose(chosen === k ? null : k)}
            onKeyDown={(event) => {
              if (event.key !== "Enter" && event.key !== " ") return;
              event.preventDefault();
              onChoose(chosen === k ? null : k);
            }}
          />
        );
      })}
    </Box>
  );
}

interface PlaceProps {
  number: number;
  many: number;
  cell: Cell;
  onSpan: (span: Partial<Pick<Cell, "across" | "down">>) => void;
  onEmpty: () => void;
  onSwap: (by: 1 | -1) => void;
  onFree: () => void;
}

/** What the chosen place in the rows holds: how far it spans, and where its photo goes. */
function PlaceFields({ number, many, cell, onSpan, onEmpty, onSwap, onFree }: PlaceProps) {
  return (
    <Sentence>
      Place {number} spans
      <CountField label="Places across" most={20} value={cell.across} onCommit={(across) => onSpan({ across })} />×
      <CountField label="Places down" most={20} value={cell.down} onCommit={(down) => onSpan({ down })} />
      <Button size="small" disabled={!cell.photo} onClick={onEmpty}>
        Empty it
      </Button>
      <Button size="small" disabled={number < 2} onClick={() => onSwap(-1)}>
        Swap with the one before
      </Button>
      <Button size="small" disabled={number >= many} onClick={() => onSwap(1)}>
        Swap with the next
      </Button>
      <Button size="small" disabled={!cell.photo} onClick={onFree}>
        A place of its own
      </Button>
    </Sentence>
  );
}

interface OwnProps {
  number: number;
  cell: Cell;
  onChange: (what: string, cell: Cell | null, group?: string) => void;
}

function OwnPlace({ number, cell, onChange }: OwnProps) {
  const { place } = cell;
  if (!place) return null;
  const name = `Own place ${number}`;
  const length = (key: "x" | "y" | "width" | "height", words: string) => (
    <LengthField
      label={`${name}: ${words}`}
      range={key === "x" || key === "y" ? "gap" : "size"}
      value={place[key]}
      onCommit={(value) => onChange("moved a place", { ...cell, place: { ...place, [key]: value } }, key)}
    />
  );
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 0.75 }}>
      <PictureChoice
        label={`${name}: which`}
        wide
        value={cell.photo}
        onChoose={(photo) => onChange("chose a photo", { ...cell, photo })}
      />
      {length("width", "width")} × {length("height", "height")}, {length("x", "from the left")} from the left,
      {length("y", "from the top")} from the top
      <IconAction
        small
        icon="bin"
        name={`Take ${name.toLowerCase()} away`}
        onClick={() => onChange("took a place away", null)}
      />
    </Box>
  );
}

type Edit = (what: string, change: Partial<Template>, group?: string) => void;

/** Its size, its rows and columns, what is between and around them. */
function TemplateSentence({ template, onEdit }: { template: Template; onEdit: Edit }) {
  const count = (label: string, value: number, key: "rows" | "columns") => (
    <InlineText
      label={label}
      value={String(value)}
      width={44}
      align="center"
      numeric
      check={(text) => wholeNumber(1)(text) ?? (Number(text) > 20 ? "At most 20" : null)}
      onCommit={(text) => onEdit(`changed the ${key}`, { [key]: Number(text) })}
    />
  );
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 0.75 }}>
      One print of
      <LengthField
        label="Template width"
        value={template.width}
        onCommit={(width) => onEdit("changed a template’s size", { width }, "width")}
      />
      ×
      <LengthField
        label="Template height"
        value={template.height}
        onCommit={(height) => onEdit("changed a template’s size", { height }, "height")}
      />
      with {count("Columns", template.columns, "columns")} × {count("Rows", template.rows, "rows")} photos,
      <LengthField
        label="Gap"
        range="gap"
        value={template.gap}
        onCommit={(gap) => onEdit("changed the gap", { gap }, "gap")}
      />
      apart, rim
      <LengthField
        label="Rim"
        range="gap"
        value={template.rim}
        onCommit={(rim) => onEdit("changed the rim", { rim }, "rim")}
      />
      <Choice
        label="One piece or cut apart"
        value={template.cut_apart ? "apart" : "one"}
        options={[
          ["one", "one piece"],
          ["apart", "cut apart after printing"],
        ]}
        onChange={(way) => onEdit("changed how it is cut", { cut_apart: way === "apart" })}
      />
    </Box>
  );
}
