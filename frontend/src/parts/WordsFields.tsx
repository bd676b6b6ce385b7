/** A block of words, or lines to write on: the text, the hand, its lines, and the lines as a table to rule by. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useUsual } from "../api/usual";
import { linesQuery } from "../api/words";
import { colours, figures } from "../app/theme";
import { Choice } from "../ui/Choice";
import { IconAction } from "../ui/IconAction";
import { InlineText } from "../ui/InlineText";
import { PaperPicker } from "../ui/PaperPicker";
import { HandFields } from "./HandFields";
import type { PartProps, WordsPart } from "./kinds";
import { OwnLength } from "./OwnLength";
import { type Here, usePageHere } from "./PageHere";
import { PartText } from "./PartText";
import { RegionChoice } from "./RegionChoice";
import { Sentence } from "./Sentence";
import { ALIGNED, CountValue, EitherValue, FIGURES, LengthValue, PaperValue, PlaceOf, WordValue } from "./values";
import { WordsPrint } from "./WordsPrint";

const LONGEST = 20_000;
const SERIES = 40;
const HEADING = 120;

export function WordsFields(of: PartProps<WordsPart>) {
  const usual = useUsual();
  const { part, onChange } = of;
  const here = usePageHere();
  const series = (here?.page.parts ?? []).filter((one) => one.kind === "words" && one.series === part.series);
  const goesOn = Boolean(part.series) && series.length > 1 && series[0]?.id !== part.id;
  const put = (what: string, change: Partial<WordsPart>, group?: string) =>
    onChange(what, { ...part, ...change }, group);
  return (
    <>
      {!goesOn && (
        <PartText
          label="What the words say"
          placeholder="What is written there; nothing for lines to write on"
          rows={4}
          most={LONGEST}
          value={part.tells && here ? here.page.story : part.text}
          onChange={(text) => (part.tells && here ? here.tell(text) : put("wrote words", { text }, "text"))}
        />
      )}
      {goesOn && (
        <Box sx={{ fontSize: "0.85rem", color: colours.soft }}>Its text goes on from the words before.</Box>
      )}
      <HandFields value={part.hand} onChoose={(hand, name) => put(`wrote in ${name}`, { hand, pitch: null })} />
      <Sentence>
        <LengthValue of={of} field="width" label="Width of the words" /> wide,{" "}
        <OwnLength
          label="Room down"
          value={part.height}
          without="as high as it takes"
          begins={usual.grid_room}
          before="in"
          after="of height"
          leave="As high as it takes"
          onChange={(what, height, group) => put(what, { height }, group)}
        />
        <WordValue of={of} field="shape" label="Shape of the words" options={FIGURES} />
      </Sentence>
      {(part.height !== null || part.shape !== "rectangle") && (
        <Sentence>
          <WordValue
            of={of}
            field="elsewhere"
            label="What does not go in"
            options={[
              ["", "what does not go in is told"],
              ["back", "what does not go in goes on the back"],
              ["tag", "what does not go in goes on a tag behind"],
            ]}
          />
          {part.elsewhere === "tag" && <PaperValue of={of} field="tag" label="Paper of the tag" />}
        </Sentence>
      )}
      <Sentence>
        lines
        <OwnLength
          label="Distance of the lines"
          value={part.pitch}
          without="as far apart as the hand has them"
          begins={usual.border}
          after="apart"
          leave="As the hand has them"
          onChange={(what, pitch, group) => put(what, { pitch }, group)}
        />
        <WordValue
          of={of}
          field="align"
          label="How lines are set"
          options={[...ALIGNED, ["justified", "from edge to edge"]]}
        />
        <OwnLength
          label="First line from the top"
          value={part.first}
          without="the first as far down"
          begins={usual.wide}
          before="the first"
          after="from the top"
          leave="The first as far down as the others are apart"
          onChange={(what, first, group) => put(what, { first }, group)}
        />
        <EitherValue of={of} field="ruled" label="Lines drawn" yes="with lines drawn" no="without lines" />
      </Sentence>
      <Sentence>
        <CountValue of={of} field="columns" label="Columns of words" />
        {part.columns === 1 ? "column," : "columns"}
        {part.columns > 1 && (
          <>
            <LengthValue of={of} field="apart" label="Gap between columns" range="gap" /> apart,
          </>
        )}
        <CountValue of={of} field="more" label="Empty lines" least={0} /> more lines, empty
      </Sentence>
      <Sentence>
        {part.paper ? (
          <>
            on
            <PaperPicker
              label="Paper of the words"
              value={part.paper}
              onChange={(paper, name) => put(`chose ${name}`, { paper })}
            />
            with a margin of
            <LengthValue of={of} field="margin" label="Margin of the words" range="gap" />
            <IconAction
              small
              icon="bin"
              name="Not on a paper of its own"
              onClick={() => put("took its paper away", { paper: null })}
            />
          </>
        ) : (
          <Button size="small" onClick={() => put("put words on a paper", { paper: usual.choice })}>
            On a paper of its own
          </Button>
        )}
      </Sentence>
      <Sentence>
        <EitherValue of={of} field="tells" label="Whose words" yes="the page’s story" no="words of their own" />
        in a series
        <InlineText
          label="Series"
          placeholder="of no series"
          value={part.series}
          width="14ch"
          onCommit={(series) => put("put it in a series", { series: series.trim().slice(0, SERIES) })}
        />
        {part.series && (
          <EitherValue of={of} field="numbered" label="Numbers" yes="numbered" no="without numbers" />
        )}
        {(part.series || part.heading) && (
          <>
            headed
            <InlineText
              label="Heading"
              placeholder="without a heading"
              value={part.heading}
              width="18ch"
              onCommit={(heading) => put("headed it", { heading: heading.trim().slice(0, HEADING) })}
            />
          </>
        )}
      </Sentence>
      <ToRuleBy of={of} />
      <WordsPrint part={part.id} strip />
      <RegionChoice of={of} />
      <PlaceOf of={of} />
    </>
  );
}

/** Each line as one sets a ruler: from the top, and where it starts and ends. */
function ToRuleBy({ of }: { of: PartProps<WordsPart> }) {
  const [open, setOpen] = useState(false);
  const here = usePageHere();
  return (
    <>
      <Sentence>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          Lines to rule by
        </Button>
        {open && (
          <Choice
            label="Counted from"
            value={of.part.centre ? "centre" : "left"}
            options={[
              ["centre", "from the centre"],
              ["left", "from the left"],
            ]}
            onChange={(from) => of.onChange("changed the ruler", { ...of.part, centre: from === "centre" })}
          />
        )}
      </Sentence>
      {open && here && <LinesTable part={of.part} here={here} />}
    </>
  );
}

function LinesTable({ part, here }: { part: WordsPart; here: Here }) {
  const { data: lines = [] } = useQuery(linesQuery(here.page, part.id, here.id));
  return (
    <Box
      component="table"
      aria-label="Lines to rule by"
      sx={{
        borderCollapse: "collapse",
        fontSize: "0.88rem",
        ...figures,
        "& th": { textAlign: "left", fontWeight: 400, color: colours.soft, pr: 2 },
        "& td": { pr: 2, py: 0.25, borderTop: `1px solid ${colours.line}`, whiteSpace: "nowrap" },
      }}
    >
      <thead>
        <tr>
          {part.columns > 1 && <th>column</th>}
          <th>from the top</th>
          <th>starts</th>
          <th>ends</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={`${line.column} ${line.down}`} title={line.text}>
            {part.columns > 1 && <td>{line.column}</td>}
            <td>{line.down}</td>
            <td>{line.starts}</td>
            <td>{line.ends}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
