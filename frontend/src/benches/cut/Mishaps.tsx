/** When the hand did otherwise: a piece is spoiled, or a cut was made elsewhere. The rest is planned again at once. */

import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import type { CutStep, CuttingOut } from "../../api/cutting";
import { colours } from "../../app/theme";
import { NOTHING } from "../../page/scale";
import { Asking } from "../../ui/Asking";
import { Choice } from "../../ui/Choice";
import { unbroken } from "../../ui/figures";
import { LengthField } from "../../ui/LengthField";
import type { CuttingDesk } from "./useCutting";

interface Props {
  data: CuttingOut;
  onAct: CuttingDesk["act"];
  onClose: () => void;
}

interface SpoiledProps extends Props {
  ticked: ReadonlySet<string>;
  last: number | null;
}

const NONE = { width: NOTHING, height: NOTHING };

export function Spoiled({ data, ticked, last, onAct, onClose }: SpoiledProps) {
  const pieces = data.cuts.sheets.flatMap((sheet) => {
    const given = new Set(sheet.steps.filter((s) => ticked.has(s.key)).flatMap((s) => s.gives));
    return sheet.pieces.filter((p) => given.has(p.number) && p.fate !== "spoiled");
  });
  const [number, setNumber] = useState(last ?? pieces[0]?.number ?? 0);
  const [left, setLeft] = useState<"nothing" | "all" | "some">("nothing");
  const piece = pieces.find((p) => p.number === number);
  const [size, setSize] = useState<{ width: string; height: string }>(NONE);
  if (!piece) return null;
  const all = { width: piece.rect.width, height: piece.rect.height };
  const given = left === "nothing" ? NONE : left === "all" ? all : size;

  return (
    <Asking
      narrow
      title="Which piece is spoiled?"
      not="Not spoiled"
      act="Plan it again"
      grave
      onAct={() => onAct({ kind: "spoiled", number, ...given })}
      onClose={onClose}
    >
      <Choice
        label="Spoiled piece"
        value={String(number)}
        options={pieces.map((p) => [String(p.number), `${p.number} · ${p.name}, ${data.sizes[p.number] ?? ""}`])}
        onChange={(one) => setNumber(Number(one))}
        wide
      />
      <Choice
        label="What is left of it"
        value={left}
        options={[
          ["nothing", "Nothing of it can be used"],
          ["all", "All of it, as a scrap"],
          ["some", "Part of it, as a scrap"],
        ]}
        onChange={(one) => {
          setLeft(one);
          if (one === "some") setSize(all);
        }}
        wide
      />
      {left === "some" && (
        <Box>
          What is left is{" "}
          <LengthField
            label="Width left"
            value={size.width}
            onCommit={(width) => setSize({ ...size, width })}
            range="gap"
          />{" "}
          ×{" "}
          <LengthField
            label="Height left"
            value={size.height}
            onCommit={(height) => setSize({ ...size, height })}
            range="gap"
            unit
          />
        </Box>
      )}
      <Box sx={{ color: colours.soft }}>
        It is cut again from what there is; what is cut already stays. You can undo this.
      </Box>
    </Asking>
  );
}

export function Elsewhere({ data, step, onAct, onClose }: Props & { step: Extract<CutStep, { kind: "cut" }> }) {
  const [setting, setSetting] = useState(data.directions[step.key]?.figure ?? "");
  const [keep, setKeep] = useState(false);
  const edge = step.axis === "vertical" ? "left" : "top";
  const many = step.gives.length > 1;
  return (
    <Asking
      narrow
      title="Where was it cut?"
      not="Not cut yet"
      act="Plan the rest again"
      grave
      onAct={() => onAct({ kind: "elsewhere", key: step.key, setting, keep })}
      onClose={onClose}
    >
      <Box sx={{ fontSize: "1.1rem" }}>
        At <LengthField label="Cut at" value={setting} onCommit={setSetting} unit /> from the {edge}, instead of{" "}
        {unbroken(data.directions[step.key]?.figure ?? "")}
      </Box>
      {step.gives.length > 0 && (
        <Box component="label" sx={{ display: "flex", alignItems: "center", minHeight: 44 }}>
          <Checkbox checked={keep} onChange={(event) => setKeep(event.target.checked)} />
          Use piece{many ? "s" : ""} {step.gives.join(" and ")} as {many ? "they are" : "it is"} now
        </Box>
      )}
      <Box sx={{ color: colours.soft }}>
        The rest is planned again from the parts that there really are. You can undo this.
      </Box>
    </Asking>
  );
}
