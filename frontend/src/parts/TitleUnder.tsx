/** What lies under the letters of a title, and letters that are openings in a sheet. */

import Button from "@mui/material/Button";
import type { Schemas } from "../api/client";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import type { PartProps, TitlePart } from "./kinds";
import { Sentence } from "./Sentence";
import { PapersValue } from "./values";

type Under = Schemas["Under"];

const HOW: readonly (readonly [Under["how"], string])[] = [
  ["outline", "an outline wider by"],
  ["shadow", "a shadow moved by"],
  ["strip", "a strip under each line, wider by"],
  ["backing", "a backing of each word, wider by"],
  ["lines", "three lines above it, each high"],
];
const MOST = 4;

export function TitleUnder(of: PartProps<TitlePart>) {
  const usual = useUsual();
  const { part, onChange } = of;
  const under = (what: string, next: Under[], group?: string) => onChange(what, { ...part, under: next }, group);
  const change = (k: number, what: string, by: Partial<Under>, group?: string) =>
    under(
      what,
      part.under.map((old, n) => (n === k ? { ...old, ...by } : old)),
      group && `${group} ${k}`,
    );
  if (part.openings) return <OpenedFields {...of} />;
  return (
    <>
      {part.under.map((one, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: what lies under it is its place in the list
        <div key={k}>
          <Sentence>
            on
            <Choice
              label={`Under the letters ${k + 1}`}
              value={one.how}
              options={HOW}
              onChange={(how) => change(k, "changed what lies under it", { how })}
            />
            <LengthField
              label={`Under the letters ${k + 1}: by`}
              value={one.by}
              onCommit={(by) => change(k, "changed what lies under it", { by }, "by")}
            />
            <IconAction
              small
              icon="bin"
              name={`Take what lies under it away, ${k + 1}`}
              onClick={() =>
                under(
                  "took what lies under it away",
                  part.under.filter((_, n) => n !== k),
                )
              }
            />
          </Sentence>
          <PapersValue
            of={{
              part: one,
              pages: of.pages,
              onChange: (what, next) => change(k, what, { papers: next.papers }),
            }}
            label={`Under the letters ${k + 1}: paper`}
          />
        </div>
      ))}
      <Sentence>
        {part.under.length < MOST && (
          <Button
            size="small"
            startIcon={<Icon name="add" size={16} />}
            onClick={() => under("laid something under it", [...part.under, usual.under])}
          >
            Something under it
          </Button>
        )}
        {part.under.length === 0 && (
          <Button
            size="small"
            startIcon={<Icon name="add" size={16} />}
            onClick={() => onChange("cut it out of a sheet", { ...part, openings: usual.openings })}
          >
            Cut out of a sheet
          </Button>
        )}
      </Sentence>
    </>
  );
}

function OpenedFields({ part, onChange }: PartProps<TitlePart>) {
  const openings = part.openings;
  if (!openings) return null;
  const put = (what: string, change: Partial<typeof openings>, group?: string) =>
    onChange(what, { ...part, openings: { ...openings, ...change } }, group);
  return (
    <Sentence>
      cut out of
      <PaperPicker
        label="Sheet with the openings"
        value={openings.sheet}
        onChange={(sheet, name) => put(`chose ${name}`, { sheet })}
      />
      with
      <LengthField
        label="Left round the openings"
        range="gap"
        value={openings.margin}
        onCommit={(margin) => put("changed what is left round it", { margin }, "margin")}
      />
      left round them, papers behind;
      <Choice
        label="Middles of letters"
        value={openings.bridges ? "bridges" : "loose"}
        options={[
          ["bridges", "bridges hold their middles"],
          ["loose", "their middles are loose"],
        ]}
        onChange={(how) => put("changed the middles", { bridges: how === "bridges" })}
      />
      <IconAction
        small
        icon="bin"
        name="Letters laid on, not cut out"
        onClick={() => onChange("laid the letters on", { ...part, openings: null })}
      />
    </Sentence>
  );
}
