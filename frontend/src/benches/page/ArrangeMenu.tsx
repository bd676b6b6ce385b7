/** What can be done with the chosen parts together. */

import Button from "@mui/material/Button";
import Divider from "@mui/material/Divider";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import type { Arrange as Asked } from "../../api/recipe";
import { useUsual } from "../../api/usual";
import { Sentence } from "../../parts/Sentence";
import { Asking } from "../../ui/Asking";
import { Choice } from "../../ui/Choice";
import { CountField } from "../../ui/CountField";
import { LengthField } from "../../ui/LengthField";
import { PrintsDialog } from "./PrintsDialog";

export type Arrange = (what: string, asked: Omit<Asked, "page" | "parts">) => Promise<void>;

interface Props {
  /** How many are chosen; of a group all its parts count. */
  many: number;
  grouped: boolean;
  pages: number;
  onArrange: Arrange;
}

export function ArrangeMenu({ many, grouped, pages, onArrange }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [repeating, setRepeating] = useState(false);
  const [trimming, setTrimming] = useState(false);
  const [printing, setPrinting] = useState(false);
  const one = many === 1 ? "" : "them ";

  function item(words: string, what: string, asked: Parameters<Arrange>[1], enough = 1) {
    return (
      <MenuItem
        key={words}
        disabled={many < enough}
        onClick={() => {
          setAnchor(null);
          void onArrange(what, asked);
        }}
      >
        {words}
      </MenuItem>
    );
  }

  return (
    <>
      <Button size="small" disabled={!many} onClick={(event) => setAnchor(event.currentTarget)}>
        Arrange
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ list: { dense: true } }}
      >
        {(["left", "centre", "right", "top", "middle", "bottom"] as const).map((edge) =>
          item(
            edge === "centre" || edge === "middle"
              ? `Middles level ${edge === "centre" ? "across" : "down"}`
              : `${edge[0]?.toUpperCase()}${edge.slice(1)} edges level`,
            "aligned parts",
            { act: "align", edge },
          ),
        )}
        {item("Equal gaps across", "shared out the gaps", { act: "distribute", way: "across" }, 3)}
        {item("Equal gaps down", "shared out the gaps", { act: "distribute", way: "down" }, 3)}
        <Divider />
        {item(`Mirror ${one}across the page`, "mirrored parts", { act: "mirror", way: "across", on: "left" })}
        {pages === 2 &&
          item(`Mirror ${one}across the spread`, "mirrored parts", { act: "mirror", way: "across", on: "spread" })}
        {item(`Mirror ${one}upside down`, "mirrored parts", { act: "mirror", way: "down", on: "spread" })}
        {item("Let the two change places", "swapped two parts", { act: "swap" }, 2)}
        {pages === 2 && item("Swap the left and the right page", "swapped the pages", { act: "swap pages" })}
        <Divider />
        {item(many === 1 ? "Another like it" : "Copy them", "copied parts", { act: "copy" })}
        <MenuItem
          onClick={() => {
            setAnchor(null);
            setRepeating(true);
          }}
        >
          Repeat in rows or a ring…
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(null);
            setTrimming(true);
          }}
        >
          The whole page as a panel…
        </MenuItem>
        <MenuItem
          disabled={!many}
          onClick={() => {
            setAnchor(null);
            setPrinting(true);
          }}
        >
          Print size, rim, shape…
        </MenuItem>
        {item("Photos on one mat", "put photos on one mat", { act: "join" }, 2)}
        {!grouped && item("Keep them together", "put parts together", { act: "group" }, 2)}
        {grouped && item("Let them go apart", "took a group apart", { act: "ungroup" })}
      </Menu>
      {trimming && <PanelDialog pages={pages} onArrange={onArrange} onClose={() => setTrimming(false)} />}
      {printing && <PrintsDialog onArrange={onArrange} onClose={() => setPrinting(false)} />}
      {repeating && <RepeatDialog onArrange={onArrange} onClose={() => setRepeating(false)} />}
    </>
  );
}

/** A finished page, trimmed all round, goes on a new base: all that lies on it goes along and ends where it ends. */
function PanelDialog({ pages, onArrange, onClose }: Omit<Props, "many" | "grouped"> & { onClose: () => void }) {
  const usual = useUsual();
  const [trim, setTrim] = useState(usual.border);
  const [on, setOn] = useState<"left" | "right">("left");
  return (
    <Asking
      title="The whole page as a panel"
      act="Make it a panel"
      onAct={() => void onArrange("made the page a panel", { act: "page as panel", trim, on })}
      onClose={onClose}
    >
      <Sentence>
        {pages === 2 && (
          <Choice
            label="Which page"
            value={on}
            options={[
              ["left", "the left page"],
              ["right", "the right page"],
            ]}
            onChange={setOn}
          />
        )}
        trimmed by
        <LengthField label="Trimmed all round by" value={trim} onCommit={setTrim} />
        all round, on a new base
      </Sentence>
    </Asking>
  );
}

function RepeatDialog({ onArrange, onClose }: { onArrange: Arrange; onClose: () => void }) {
  const [rows, setRows] = useState(1);
  const [columns, setColumns] = useState(3);
  const { apart } = useUsual();
  const [across, setAcross] = useState(apart);
  const [down, setDown] = useState(apart);
  const [count, setCount] = useState(6);
  const [radius, setRadius] = useState(apart);

  function done(what: string, asked: Parameters<Arrange>[1]): void {
    onClose();
    void onArrange(what, asked);
  }

  return (
    <Asking title="Repeat it" onClose={onClose}>
      <Sentence>
        <CountField label="Rows in all" value={rows} onCommit={setRows} />
        rows of
        <CountField label="In a row" value={columns} onCommit={setColumns} />,
        <LengthField label="Apart across" range="offset" value={across} onCommit={setAcross} />
        across and
        <LengthField label="Apart down" range="offset" value={down} onCommit={setDown} />
        down, from corner to corner
        <Button
          variant="contained"
          size="small"
          onClick={() => done("repeated parts", { act: "repeat", rows, columns, across, down })}
        >
          In rows
        </Button>
      </Sentence>
      <Sentence>
        <CountField label="In the ring" least={2} value={count} onCommit={setCount} />
        in a ring, the middles
        <LengthField label="Radius" value={radius} onCommit={setRadius} />
        from its middle
        <Button
          variant="contained"
          size="small"
          onClick={() => done("repeated parts", { act: "ring", count, radius })}
        >
          In a ring
        </Button>
      </Sentence>
    </Asking>
  );
}
