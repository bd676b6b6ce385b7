/** A stack of mats, the inner one first: borders, paper, gutted or solid. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { CountField } from "../ui/CountField";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import type { Mat } from "./kinds";
import { MatChooser } from "./MatChooser";
import { usePageHere } from "./PageHere";
import { Sentence } from "./Sentence";

interface Props {
  /** The part that they lie under. */
  part: string;
  mats: Mat[];
  onChange: (what: string, mats: Mat[], group?: string) => void;
}

const SIDES = ["left", "top", "right", "bottom"] as const;

export function MatList({ part, mats, onChange }: Props) {
  const usual = useUsual();
  const replace = (k: number, mat: Mat) => mats.map((old, n) => (n === k ? mat : old));
  return (
    <>
      {mats.map((mat, k) => (
        <OneMat
          // biome-ignore lint/suspicious/noArrayIndexKey: a mat is its place in the stack
          key={k}
          mat={mat}
          number={k + 1}
          last={k === mats.length - 1}
          onChange={(what, next, group) => onChange(what, replace(k, next), group && `${group} ${k}`)}
          onRemove={() =>
            onChange(
              "took a mat away",
              mats.filter((_, n) => n !== k),
            )
          }
          onOutward={() => onChange("changed the order of mats", swapped(mats, k))}
          part={part}
        />
      ))}
      <Button
        size="small"
        startIcon={<Icon name="add" size={16} />}
        onClick={() => onChange("added a mat", [...mats, mats.length ? usual.narrow_mat : usual.mat])}
      >
        {mats.length ? "Another mat under it" : "Mat under it"}
      </Button>
    </>
  );
}

function swapped(mats: Mat[], k: number): Mat[] {
  const next = [...mats];
  const [mat] = next.splice(k, 1);
  if (mat) next.splice(k + 1, 0, mat);
  return next;
}

interface OneProps {
  part: string;
  mat: Mat;
  number: number;
  last: boolean;
  onChange: (what: string, mat: Mat, group?: string) => void;
  onRemove: () => void;
  onOutward: () => void;
}

function OneMat({ part, mat, number, last, onChange, onRemove, onOutward }: OneProps) {
  const here = usePageHere();
  const kind = here?.page.parts.find((p) => p.id === part)?.kind;
  const hasPhoto = kind === "photo" || kind === "joint";
  const [choosing, setChoosing] = useState(false);
  const b = mat.borders;
  const usual = useUsual();
  const even = SIDES.every((side) => b[side] === b.left);
  const name = `Mat ${number}`;
  return (
    <>
      <Sentence>
        {name}
        {even ? (
          <LengthField
            label={`${name} border`}
            range="gap"
            value={b.left}
            onCommit={(v) =>
              onChange(
                "changed a mat’s border",
                { ...mat, borders: { left: v, top: v, right: v, bottom: v } },
                "border",
              )
            }
          />
        ) : (
          SIDES.map((side) => (
            <span key={side}>
              {side === "top" ? "above" : side === "bottom" ? "below" : side}{" "}
              <LengthField
                label={`${name} border ${side}`}
                range="gap"
                value={b[side]}
                onCommit={(v) => onChange("changed a mat’s border", { ...mat, borders: { ...b, [side]: v } }, side)}
              />
            </span>
          ))
        )}
        <PaperPicker
          label={`${name} paper`}
          value={mat.choice}
          onChange={(choice, paper) => onChange(`chose ${paper}`, { ...mat, choice })}
        />
        {here && hasPhoto && (
          <Button size="small" aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
            Papers that suit it
          </Button>
        )}
      </Sentence>
      {choosing && (
        <MatChooser
          part={part}
          mat={number - 1}
          value={mat.choice}
          onChange={(choice, paper) => onChange(`tried ${paper}`, { ...mat, choice }, "try on")}
        />
      )}
      <Sentence inset>
        <Choice
          label={`${name} borders`}
          value={even ? "even" : "uneven"}
          options={[
            ["even", "even all round"],
            ["uneven", "each side its own"],
          ]}
          onChange={(way) =>
            onChange("changed a mat’s border", {
              ...mat,
              borders:
                way === "even"
                  ? { left: b.left, top: b.left, right: b.left, bottom: b.left }
                  : { ...b, bottom: b.bottom === usual.wide ? usual.border : usual.wide },
            })
          }
        />
        <Choice
          label={`${name} solid or gutted`}
          value={mat.pieced ? (mat.any_scraps ? "scraps" : "pieced") : mat.gutted ? "gutted" : "solid"}
          options={[
            ["solid", "solid"],
            ["gutted", "gutted"],
            ["pieced", "pieced from strips"],
            ["scraps", "pieced from any scraps"],
          ]}
          onChange={(way) =>
            onChange(way === "gutted" ? "gutted a mat" : way === "solid" ? "made a mat solid" : "pieced a mat", {
              ...mat,
              gutted: way === "gutted",
              pieced: way === "pieced" || way === "scraps",
              any_scraps: way === "scraps",
            })
          }
        />
        turned
        <CountField
          label={`${name} turned, in degrees`}
          least={-45}
          most={45}
          value={mat.angle}
          onCommit={(angle) => onChange("turned a mat", { ...mat, angle }, "angle")}
        />
        °
        {(mat.gutted || mat.pieced) && (
          <Box component="span" sx={{ display: "inline-flex", alignItems: "baseline", gap: 0.75 }}>
            glue margin
            <LengthField
              label={`${name} lap`}
              range="gap"
              value={mat.lap}
              onCommit={(lap) => onChange("changed the lap", { ...mat, lap }, "lap")}
            />
          </Box>
        )}
        {!last && (
          <IconAction small icon="swap" name={`${name}: change places with the next`} onClick={onOutward} />
        )}
        <IconAction small icon="bin" name={`Take ${name.toLowerCase()} away`} onClick={onRemove} />
      </Sentence>
    </>
  );
}
