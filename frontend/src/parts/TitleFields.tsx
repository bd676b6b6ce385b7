/** A title: its words, what its letters are taken from, how they are set. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { lettersQuery } from "../api/letters";
import { useUsual } from "../api/usual";
import { colours } from "../app/theme";
import { Choice } from "../ui/Choice";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { InlineText } from "../ui/InlineText";
import { LengthField } from "../ui/LengthField";
import { FaceChoice } from "./FaceChoice";
import type { PaperChoice, PartProps, TitlePart } from "./kinds";
import { OwnLength } from "./OwnLength";
import { PartText } from "./PartText";
import { RegionChoice } from "./RegionChoice";
import { Sentence } from "./Sentence";
import { TitleUnder } from "./TitleUnder";
import { ALIGNED, CountValue, EitherValue, LengthValue, PapersValue, PlaceOf, WordValue } from "./values";
import { TitlePrint } from "./WordsPrint";

type Style = TitlePart["styles"][number];

const LONGEST = 400;
const SMALL = 24;
const CUT = "";
const MADE: readonly (readonly [Style["made"], string])[] = [
  ["cut", "cut"],
  ["stamped", "stamped"],
  ["written", "written"],
  ["printed", "printed"],
];

export function TitleFields(of: PartProps<TitlePart>) {
  const usual = useUsual();
  const { part, onChange } = of;
  const { id } = useParams();
  const { data: alphabets = [] } = useQuery(lettersQuery(id));
  const put = (what: string, change: Partial<TitlePart>, group?: string) =>
    onChange(what, { ...part, ...change }, group);
  const setStyle = (k: number, what: string, change: Partial<Style>, group?: string) =>
    put(
      what,
      { styles: part.styles.map((old, n) => (n === k ? { ...old, ...change } : old)), swaps: [] },
      group && `${group} ${k}`,
    );
  const cut = part.styles.some((style) => !style.alphabet && style.made === "cut");
  return (
    <>
      <PartText
        label="What the title says"
        rows={Math.min(5, part.text.split("\n").length + 1)}
        most={LONGEST}
        value={part.text}
        onChange={(text) => put("wrote the title", { text, swaps: [] }, "text")}
      />
      {part.styles.map((style, k) => {
        const known = alphabets.find((one) => one.alphabet === style.alphabet);
        const which = part.styles.length > 1 ? ` ${k + 1}` : "";
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a style is its place in the turn
          <Box key={k}>
            <Sentence>
              {k ? "in turn with" : "in"}
              <Choice
                wide
                label={`Letters${which}`}
                value={style.alphabet ?? CUT}
                options={[
                  [CUT, "letters made by hand"],
                  ...alphabets.map((one) => [one.alphabet, one.name] as const),
                  ...(style.alphabet && !known ? [[style.alphabet, "an alphabet that is gone"] as const] : []),
                ]}
                onChange={(alphabet) => setStyle(k, "chose letters", { alphabet: alphabet || null })}
              />
              {!style.alphabet && (
                <>
                  <Choice
                    label={`How they are made${which}`}
                    value={style.made}
                    options={MADE}
                    onChange={(made) => setStyle(k, "changed how letters are made", { made })}
                  />
                  <FaceChoice
                    label={`Face${which}`}
                    value={style.face}
                    onChange={(face) => setStyle(k, "chose a face", { face })}
                  />
                  {(!part.fit || style.made !== "cut") && (
                    <>
                      <LengthField
                        label={`Cap height${which}`}
                        value={style.height}
                        onCommit={(height) => setStyle(k, "changed the cap height", { height }, "cap height")}
                      />
                      high
                    </>
                  )}
                </>
              )}
              {k > 0 && (
                <IconAction
                  small
                  icon="bin"
                  name="One kind of letters only"
                  onClick={() => put("took letters away", { styles: part.styles.slice(0, 1), swaps: [] })}
                />
              )}
            </Sentence>
            {known?.says && (
              <Box sx={{ fontSize: "0.85rem", color: colours.ochre, pl: 2 }}>other pages leave {known.says}</Box>
            )}
            {!style.alphabet && style.made !== "cut" && (
              <Sentence inset>
                in
                <Box
                  component="input"
                  type="color"
                  aria-label={`Ink${which}`}
                  value={style.ink}
                  onChange={(event: React.ChangeEvent<HTMLInputElement>) =>
                    setStyle(k, "changed the ink", { ink: event.target.value }, "ink")
                  }
                  sx={{
                    width: 34,
                    height: 34,
                    p: 0.25,
                    border: `1px solid ${colours.line}`,
                    background: colours.paper,
                  }}
                />
              </Sentence>
            )}
            {!style.alphabet && style.made === "cut" && (
              <>
                <StylePapers of={of} style={style} onChange={(what, papers) => setStyle(k, what, { papers })} />
                <Sentence inset>
                  <OwnLength
                    label={`Square of the letter punch${which}`}
                    value={style.takes}
                    without="With a letter punch"
                    begins={usual.apart}
                    before="a letter punch takes a square of"
                    leave={`No letter punch${which}`}
                    onChange={(what, takes, group) => setStyle(k, what, { takes }, group)}
                  />
                </Sentence>
              </>
            )}
          </Box>
        );
      })}
      {part.styles.length < 2 ? (
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() => put("took a second kind of letters", { styles: [...part.styles, usual.style] })}
        >
          Other letters in turn
        </Button>
      ) : (
        <Sentence inset>
          in turn
          <WordValue
            of={of}
            field="by"
            label="In turn by"
            options={[
              ["word", "word by word"],
              ["letter", "letter by letter"],
            ]}
          />
        </Sentence>
      )}
      {part.swaps.length > 0 && (
        <Sentence inset>
          {part.swaps.map((swap) => (
            <span key={`${swap.wanted}${swap.taken}`}>
              {swap.taken ? `a ${swap.taken} for ${swap.wanted}` : `${swap.wanted} cut`}
              {swap.times > 1 ? `, ${swap.times} times, ` : ", "}
            </span>
          ))}
          <Button size="small" onClick={() => put("took the swaps back", { swaps: [] })}>
            As it was
          </Button>
        </Sentence>
      )}
      <Sentence>
        <LengthValue of={of} field="letters" label="Gap between letters" range="offset" /> between letters,
        <LengthValue of={of} field="lines" label="Gap between lines" range="offset" /> between lines,
        {part.text.includes("\n") && (
          <EitherValue
            of={of}
            field="nested"
            label="Lines nested"
            yes="from letter to letter"
            no="from line to line"
          />
        )}
        <WordValue
          of={of}
          field="align"
          label="How lines are set"
          options={[...ALIGNED, ["count", "centred by count"]]}
        />
      </Sentence>
      <Sentence>
        <WordValue
          of={of}
          field="form"
          label="Line of the letters"
          options={[
            ["straight", "on a straight line"],
            ["slope", "on a slope"],
            ["arc", "on an arc"],
            ["staggered", "staggered"],
          ]}
        />
        {part.form !== "straight" && (
          <>
            by
            <LengthValue of={of} field="rise" label="Rise" range="offset" />
          </>
        )}
        <WordValue
          of={of}
          field="upright"
          label="Way of the title"
          options={[
            ["", "level"],
            ["up", "upright, reading up"],
            ["down", "upright, reading down"],
          ]}
        />
      </Sentence>
      {cut && (
        <Sentence>
          <EitherValue
            of={of}
            field="fit"
            label="As large as it fits"
            yes="as large as fits into"
            no="as high as said"
          />
          {part.fit && (
            <>
              <LengthValue of={of} field="width" label="Room across" /> ×
              <LengthValue of={of} field="height" label="Room down" />
            </>
          )}
          , cut
          <CountValue of={of} field="layers" label="Layers" />
          {part.layers > 1 ? "times, laid on each other" : "time"}
        </Sentence>
      )}
      <Sentence>
        a small word
        <InlineText
          label="Small word"
          placeholder="a year"
          value={part.small}
          width="8ch"
          onCommit={(small) => put("changed the small word", { small: small.trim().slice(0, SMALL), swaps: [] })}
        />
        {part.small && (
          <WordValue
            of={of}
            field="small_in"
            label="Where the small word stands"
            options={[
              ["line", "beside the short line"],
              ["counter", "in the largest counter"],
            ]}
          />
        )}
      </Sentence>
      {part.styles.some((style) => style.alphabet) && (
        <Sentence>
          <EitherValue
            of={of}
            field="stuck"
            label="Letters stuck"
            yes="its letters are stuck: they are off for good"
            no="its letters are not stuck yet"
          />
        </Sentence>
      )}
      {part.styles.some((style) => !style.alphabet && style.made === "printed") && <TitlePrint part={part.id} />}
      <TitleUnder {...of} />
      <RegionChoice of={of} />
      <PlaceOf of={of} />
    </>
  );
}

interface PapersProps {
  of: PartProps<TitlePart>;
  style: Style;
  onChange: (what: string, papers: PaperChoice[]) => void;
}

/** The papers of letters that are cut, in turn or by chance. */
function StylePapers({ of, style, onChange }: PapersProps) {
  return (
    <>
      <PapersValue of={{ part: style, pages: of.pages, onChange: (what, next) => onChange(what, next.papers) }} />
      {style.papers.length > 1 && (
        <Sentence inset>
          <EitherValue
            of={of}
            field="drawn"
            label="Order of the papers"
            yes="by chance, no two alike"
            no="in turn"
          />
          {of.part.drawn && (
            <Button
              size="small"
              onClick={() => of.onChange("drew the papers again", { ...of.part, seed: of.part.seed + 1 }, "seed")}
            >
              Once more
            </Button>
          )}
        </Sentence>
      )}
    </>
  );
}
