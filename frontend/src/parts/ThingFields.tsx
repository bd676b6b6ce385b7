/** Things: one or several of a kind, clusters of them, a scatter, a stamp repeated. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { marksFile, mirrorCluster, triesQuery, useThings } from "../api/things";
import { useUsual } from "../api/usual";
import { useFrame } from "../app/FrameContext";
import { colours } from "../app/theme";
import { CountField } from "../ui/CountField";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { InlineText } from "../ui/InlineText";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import { ThingPicker } from "../ui/ThingPicker";
import { ThingPicture } from "../ui/ThingPicture";
import type { ClusterPart, PartProps, ScatterPart, StampedPart, ThingPart } from "./kinds";
import { usePageHere } from "./PageHere";
import { Sentence } from "./Sentence";
import {
  AngleValue,
  CountValue,
  EitherValue,
  LengthValue,
  PaperValue,
  PlaceOf,
  SeedButton,
  WordValue,
} from "./values";

const HALVES = [
  ["", "whole"],
  ["left", "the left half of it"],
  ["right", "the right half of it"],
  ["top", "the upper half of it"],
  ["bottom", "the lower half of it"],
] as const;
const RAISED = [
  ["flat", "flat"],
  ["foam", "on foam"],
  ["double foam", "on double foam"],
] as const;
const SAYS = 60;

export function ThingFields(of: PartProps<ThingPart>) {
  const usual = useUsual();
  const here = usePageHere();
  const { part, onChange } = of;
  const things = useThings(here?.id);
  const known = things.find((one) => one.thing.id === part.thing);
  return (
    <>
      <Sentence>
        <CountValue of={of} field="count" label="How many" />×
        <ThingPicker
          label="Thing"
          value={part.thing}
          page={here?.id}
          onChange={(thing, name) => onChange(`chose ${name}`, { ...part, thing, ink: null })}
        />
        {known && `${known.width} × ${known.height}`}
      </Sentence>
      {part.count > 1 && (
        <Sentence inset>
          <LengthValue of={of} field="apart" label="Apart" range="offset" /> apart,
          <EitherValue of={of} field="upright" label="Row or column" yes="one below the other" no="side by side" />
        </Sentence>
      )}
      <Sentence>
        <WordValue of={of} field="half" label="Whole or half of it" options={HALVES} />
        <WordValue of={of} field="raised" label="Level" options={RAISED} />
        <AngleValue of={of} />
      </Sentence>
      {known?.thing.clear && (
        <Sentence>
          {part.backing ? (
            <>
              backed with
              <PaperValue of={of} field="backing" label="Paper of the backing" />
              <IconAction
                small
                icon="bin"
                name="Without a backing"
                onClick={() => onChange("took the backing away", { ...part, backing: null })}
              />
            </>
          ) : (
            <Button size="small" onClick={() => onChange("backed it", { ...part, backing: usual.choice })}>
              A backing of its own outline
            </Button>
          )}
        </Sentence>
      )}
      <TriedFirst of={of} />
      <PlaceOf of={of} />
    </>
  );
}

/** One stamp in several inks, one thing in its colours, others of its kind: side by side, a press tries it. */
function TriedFirst<P extends ThingPart | StampedPart>({ of }: { of: PartProps<P> }) {
  const [open, setOpen] = useState(false);
  const here = usePageHere();
  const { part, onChange } = of;
  const tries =
    useQuery({
      ...triesQuery(here?.page as never, here?.id, part.id),
      enabled: open && here !== null && part.thing !== null,
    }).data ?? [];
  const things = useThings(here?.id);
  if (!part.thing) return null;
  return (
    <>
      <Sentence>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          Try it first
        </Button>
      </Sentence>
      {open && (
        <Box
          role="group"
          aria-label="What else it could be"
          sx={{ display: "flex", flexWrap: "wrap", gap: 1, pl: 2 }}
        >
          {tries.length === 0 && (
            <Box sx={{ color: colours.soft }}>There is no other ink, colour or thing of its kind on the shelf.</Box>
          )}
          {tries.map((one) => {
            const tried = one.part as ThingPart | StampedPart;
            const ink = tried.kind === "stamped" ? tried.inks[0] : tried.ink;
            return (
              <Button
                key={one.says}
                size="small"
                variant="outlined"
                sx={{ gap: 1 }}
                onClick={() => onChange(`tried it ${one.says}`, tried as P, "tried")}
              >
                <ThingPicture thing={things.find((t) => t.thing.id === tried.thing)} size={34} colour={ink} />
                {one.says}
              </Button>
            );
          })}
        </Box>
      )}
    </>
  );
}

// ---- a cluster ---------------------------------------------------------------------------------------

type Member = ClusterPart["members"][number];

export function ClusterFields(of: PartProps<ClusterPart>) {
  const usual = useUsual();
  const here = usePageHere();
  const { part, onChange } = of;
  const put = (what: string, members: Member[], group?: string) => onChange(what, { ...part, members }, group);
  const set = (k: number, what: string, change: Partial<Member>, group?: string) =>
    put(
      what,
      part.members.map((old, n) => (n === k ? { ...old, ...change } : old)),
      group && `${group} ${k}`,
    );
  const blank: Member = {
    thing: null,
    paper: null,
    width: null,
    height: null,
    says: "",
    across: "0 in",
    down: "0 in",
    angle: 0,
    half: "",
    raised: "flat",
    ink: null,
  };
  const { say } = useFrame();
  async function mirror(): Promise<void> {
    try {
      onChange("mirrored the cluster", await mirrorCluster(part), undefined, part);
    } catch (error) {
      say((error as Error).message);
    }
  }
  return (
    <>
      <Box component="ol" aria-label="In the cluster, from underneath" sx={{ m: 0, pl: 2.5 }}>
        {part.members.map((member, k) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a member is its place in the pile
          <li key={k}>
            <Sentence>
              {member.paper ? (
                <>
                  <PaperPicker
                    label={`Paper of scrap ${k + 1}`}
                    value={member.paper}
                    onChange={(paper, name) => set(k, `chose ${name}`, { paper })}
                  />
                  <LengthField
                    label={`Width of scrap ${k + 1}`}
                    value={member.width}
                    onCommit={(width) => set(k, "changed a scrap", { width }, "width")}
                  />
                  ×
                  <LengthField
                    label={`Height of scrap ${k + 1}`}
                    value={member.height}
                    onCommit={(height) => set(k, "changed a scrap", { height }, "height")}
                  />
                </>
              ) : (
                <ThingPicker
                  label={`Thing ${k + 1} of the cluster`}
                  value={member.thing}
                  page={here?.id}
                  of={() => true}
                  onChange={(thing, name) => set(k, `chose ${name}`, { thing })}
                />
              )}
              <IconAction
                small
                icon="up"
                name={`Further underneath: ${k + 1}`}
                disabled={k === 0}
                onClick={() => put("changed the pile", moved(part.members, k, k - 1))}
              />
              <IconAction
                small
                icon="bin"
                name={`Take ${k + 1} out of the cluster`}
                onClick={() =>
                  put(
                    "took a thing out of the cluster",
                    part.members.filter((_, n) => n !== k),
                  )
                }
              />
            </Sentence>
            <Sentence inset>
              <LengthField
                label={`Across ${k + 1}`}
                range="offset"
                value={member.across}
                onCommit={(across) => set(k, "moved a thing", { across }, "across")}
              />
              right,
              <LengthField
                label={`Down ${k + 1}`}
                range="offset"
                value={member.down}
                onCommit={(down) => set(k, "moved a thing", { down }, "down")}
              />
              down from the middle, turned
              <CountField
                label={`Angle ${k + 1}`}
                least={-180}
                most={180}
                value={member.angle}
                onCommit={(angle) => set(k, "turned a thing", { angle }, "angle")}
              />
              °
              {(member.paper || member.says) && (
                <>
                  says
                  <InlineText
                    label={`Words on ${k + 1}`}
                    placeholder="no words"
                    value={member.says}
                    width="12ch"
                    onCommit={(says) => set(k, "wrote on it", { says: says.trim().slice(0, SAYS) })}
                  />
                </>
              )}
            </Sentence>
          </li>
        ))}
      </Box>
      <Sentence>
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() => put("put a thing into the cluster", [...part.members, blank])}
        >
          Thing
        </Button>
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() =>
            put("put a scrap into the cluster", [
              ...part.members,
              { ...blank, paper: usual.choice, width: usual.apart, height: usual.wide },
            ])
          }
        >
          Scrap or strip
        </Button>
        <Button size="small" onClick={() => void mirror()}>
          Mirror it
        </Button>
      </Sentence>
      <PlaceOf of={of} />
    </>
  );
}

function moved<T>(all: readonly T[], from: number, to: number): T[] {
  const next = [...all];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(to, 0, one);
  return next;
}

// ---- a scatter, a stamp ----------------------------------------------------------------------------------

export function ScatterFields(of: PartProps<ScatterPart>) {
  const here = usePageHere();
  const { part, onChange } = of;
  const put = (what: string, things: string[]) => onChange(what, { ...part, things });
  return (
    <>
      <Sentence>
        <CountValue of={of} field="count" label="How many are scattered" /> of
        {part.things.map((id, k) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a thing is its place in the turn
          <span key={k} style={{ display: "inline-flex", alignItems: "center" }}>
            <ThingPicker
              label={`Thing ${k + 1}`}
              value={id}
              page={here?.id}
              onChange={(next, name) =>
                next &&
                put(
                  `chose ${name}`,
                  part.things.map((old, n) => (n === k ? next : old)),
                )
              }
            />
            <IconAction
              small
              icon="bin"
              name={`Take thing ${k + 1} away`}
              onClick={() =>
                put(
                  "took a thing away",
                  part.things.filter((_, n) => n !== k),
                )
              }
            />
          </span>
        ))}
        <ThingPicker
          label={part.things.length ? "One more thing" : "Thing 1"}
          value={null}
          page={here?.id}
          onChange={(next, name) => next && put(`added ${name}`, [...part.things, next])}
        />
      </Sentence>
      <Sentence>
        over
        <LengthValue of={of} field="width" label="Width of the scatter" />×
        <LengthValue of={of} field="height" label="Height of the scatter" />
        <WordValue
          of={of}
          field="along"
          label="How they lie"
          options={[
            ["diagonal", "along the diagonal"],
            ["other diagonal", "along the other diagonal"],
            ["all over", "all over"],
            ["round the middle", "round the middle"],
            ["round the clusters", "round the clusters"],
          ]}
        />
        <SeedButton of={of} words="Another scatter" />
      </Sentence>
      {here?.id && (
        <Sentence>
          <Button size="small" href={marksFile(here.id, part.id)} download>
            A sheet to mark through
          </Button>
        </Sentence>
      )}
      <PlaceOf of={of} />
    </>
  );
}

const MOST_INKS = 12;

export function StampedFields(of: PartProps<StampedPart>) {
  const here = usePageHere();
  const { part, onChange } = of;
  const put = (what: string, inks: string[], group?: string) => onChange(what, { ...part, inks }, group);
  return (
    <>
      <Sentence>
        stamp
        <ThingPicker
          label="Stamp"
          value={part.thing}
          page={here?.id}
          of={(one) => one.thing.kind === "stamp"}
          onChange={(thing, name) => onChange(`chose ${name}`, { ...part, thing })}
        />
        <CountValue of={of} field="rows" label="Rows" /> ×
        <CountValue of={of} field="columns" label="Columns" />
      </Sentence>
      <Sentence>
        <LengthValue of={of} field="across" label="Pitch across" /> across,
        <LengthValue of={of} field="down" label="Pitch down" /> down,
        <EitherValue of={of} field="shifted" label="Every second row" yes="every second row shifted" no="in rows" />
        <AngleValue of={of} />
      </Sentence>
      <Sentence>
        inks
        {part.inks.map((ink, k) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: an ink is its place in the turn
          <span key={k} style={{ display: "inline-flex", alignItems: "center" }}>
            <input
              type="color"
              aria-label={`Ink ${k + 1}`}
              value={ink}
              style={{ width: 34, height: 28, border: 0, padding: 0, background: "none" }}
              onChange={(event) =>
                put(
                  "changed an ink",
                  part.inks.map((old, n) => (n === k ? event.target.value : old)),
                  `ink ${k}`,
                )
              }
            />
            {part.inks.length > 1 && (
              <IconAction
                small
                icon="bin"
                name={`Take ink ${k + 1} away`}
                onClick={() =>
                  put(
                    "took an ink away",
                    part.inks.filter((_, n) => n !== k),
                  )
                }
              />
            )}
          </span>
        ))}
        {part.inks.length < MOST_INKS && (
          <Button
            size="small"
            startIcon={<Icon name="add" size={16} />}
            onClick={() => put("added an ink", [...part.inks, part.inks[0] ?? "#4a545c"])}
          >
            Ink
          </Button>
        )}
        in turn, inked for every
        <CountValue of={of} field="wiped" label="Impressions of one inking" />
        {part.wiped > 1 ? "impressions, each lighter" : "impression"}
      </Sentence>
      <TriedFirst of={of} />
      <PlaceOf of={of} />
    </>
  );
}
