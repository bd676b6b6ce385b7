/** The alphabets of a kit: how high, what is on a sheet of them, how wide they come out, what is left. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Alphabet, type Letters, lettersQuery } from "../../api/letters";
import { useUsual } from "../../api/usual";
import { colours, figures, words } from "../../app/theme";
import { FaceChoice } from "../../parts/FaceChoice";
import { newId } from "../../parts/kinds";
import { Sentence } from "../../parts/Sentence";
import { Choice } from "../../ui/Choice";
import { CountField } from "../../ui/CountField";
import { IconAction } from "../../ui/IconAction";
import { aName, InlineText } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";
import { NextName } from "./NextName";

interface Props {
  alphabets: Alphabet[];
  onChange: (what: string, alphabets: Alphabet[], group?: string) => void;
}

const MATERIALS = ["flat sticker", "foam", "puffy", "chipboard", "cork", "wood", "die-cut card", "stamps"] as const;
const FIXINGS = ["own adhesive", "glue", "foam squares"] as const;
const LONGEST = 2_000;

export function AlphabetList({ alphabets, onChange }: Props) {
  const usual = useUsual();
  const { data: left = [] } = useQuery(lettersQuery());
  return (
    <Box sx={{ p: 1.5, maxWidth: 900 }}>
      {alphabets.map((one) => (
        <OneAlphabet
          key={one.id}
          one={one}
          left={left.find((found) => found.alphabet === one.id)}
          onChange={(what, change, group) =>
            onChange(
              what,
              alphabets.map((old) => (old.id === one.id ? { ...old, ...change } : old)),
              group && `${one.id} ${group}`,
            )
          }
          onRemove={() =>
            onChange(
              "took an alphabet out",
              alphabets.filter((old) => old.id !== one.id),
            )
          }
        />
      ))}
      <NextName
        label="Name of the next alphabet"
        onAdd={(name) =>
          onChange("added an alphabet", [...alphabets, { ...usual.alphabet, id: newId("alphabet"), name }])
        }
      />
    </Box>
  );
}

interface OneProps {
  one: Alphabet;
  left: Letters | undefined;
  onChange: (what: string, change: Partial<Alphabet>, group?: string) => void;
  onRemove: () => void;
}

function OneAlphabet({ one, left, onChange, onRemove }: OneProps) {
  const measured = one.measured.find((found) => [...found.text].length > 1);
  const others = one.measured.filter((found) => found !== measured);
  return (
    <Box
      role="group"
      aria-label={one.name}
      sx={{ borderBottom: `1px solid ${colours.line}`, py: 1.5, display: "grid", gap: 0.5 }}
    >
      <Sentence>
        <Box
          component="input"
          type="color"
          aria-label={`Colour of ${one.name}`}
          value={one.colour}
          onChange={(event: React.ChangeEvent<HTMLInputElement>) =>
            onChange("changed a colour", { colour: event.target.value }, "colour")
          }
          sx={{ width: 34, height: 34, p: 0.25, border: `1px solid ${colours.line}`, background: colours.paper }}
        />
        <InlineText
          label={`Name of ${one.name}`}
          value={one.name}
          width="22ch"
          check={aName}
          onCommit={(name) => onChange("named an alphabet", { name: name.trim() })}
        />
        <LengthField
          label={`Cap height of ${one.name}`}
          value={one.height}
          onCommit={(height) => onChange("changed a cap height", { height }, "height")}
        />
        high, looks like
        <FaceChoice
          label={`Face of ${one.name}`}
          value={one.face}
          onChange={(face) => onChange("changed a face", { face })}
        />
        <Choice
          label={`Material of ${one.name}`}
          value={one.material}
          options={MATERIALS.map((name) => [name, name] as const)}
          onChange={(material) => onChange("changed what it is", { material })}
        />
        fixed with
        <Choice
          label={`Fixing of ${one.name}`}
          value={one.fixing}
          options={FIXINGS.map((name) => [name, name] as const)}
          onChange={(fixing) => onChange("changed how it is fixed", { fixing })}
        />
        <IconAction small icon="bin" name={`Take ${one.name} out`} onClick={onRemove} />
      </Sentence>
      <Run
        label={`Letters on a sheet of ${one.name}`}
        hint="What is on one sheet, as it stands there: aaaabbccd …"
        value={one.letters}
        onChange={(letters) => onChange("counted the letters", { letters }, "letters")}
      />
      <Sentence>
        <CountField
          label={`Sheets of ${one.name}`}
          value={one.packs}
          least={0}
          most={100}
          onCommit={(packs) => onChange("counted the sheets", { packs })}
        />
        {one.packs === 1 ? "such sheet." : "such sheets."}
        <Button
          size="small"
          onClick={() => onChange("counted the letters", { letters: twice(one.letters) })}
          disabled={!one.letters || one.letters.length * 2 > LONGEST}
        >
          Twice that on it
        </Button>
        A measured word:
        <InlineText
          label={`Measured word of ${one.name}`}
          value={measured?.text ?? ""}
          width="12ch"
          onCommit={(text) =>
            onChange("measured a word", {
              measured: text.trim()
                ? [{ width: measured?.width ?? one.height, text: text.trim() }, ...others]
                : others,
            })
          }
        />
        {measured && (
          <>
            laid edge to edge is
            <LengthField
              label={`Length of the measured word of ${one.name}`}
              value={measured.width}
              onCommit={(width) =>
                onChange("measured a word", { measured: [{ ...measured, width }, ...others] }, "measured")
              }
            />
            long
          </>
        )}
      </Sentence>
      <OneByOne one={one} onChange={onChange} />
      <SingleLetters one={one} onChange={onChange} />
      {left && <WhatIsLeft left={left} />}
      <Run
        label={`Spoiled letters of ${one.name}`}
        hint="Torn or lost: ae"
        value={one.spoiled}
        onChange={(spoiled) => onChange("took spoiled letters off", { spoiled }, "spoiled")}
      />
    </Box>
  );
}

/** Letters that were measured by themselves, where one word does not do: each with its own width. */
function SingleLetters({ one, onChange }: Pick<OneProps, "one" | "onChange">) {
  const single = one.measured.map((found, k) => ({ found, k })).filter(({ found }) => [...found.text].length === 1);
  const put = (measured: Alphabet["measured"], group?: string) =>
    onChange("measured a letter", { measured }, group);
  return (
    <Sentence inset>
      {single.map(({ found, k }) => (
        <span key={found.text} style={{ whiteSpace: "nowrap" }}>
          {found.text} is
          <LengthField
            label={`Width of ${found.text} of ${one.name}`}
            value={found.width}
            onCommit={(width) =>
              put(
                one.measured.map((old, n) => (n === k ? { ...old, width } : old)),
                `letter ${found.text}`,
              )
            }
          />
          wide,
        </span>
      ))}
      <InlineText
        label={`A letter of ${one.name} measured by itself`}
        placeholder="measure one letter"
        value=""
        width="18ch"
        onCommit={(text) => {
          const [letter] = [...text.trim()];
          if (letter && !one.measured.some((old) => old.text === letter))
            put([...one.measured, { text: letter, width: one.height }]);
        }}
      />
    </Sentence>
  );
}

/** Counted one by one: a letter, and how many of it are on a sheet. */
function OneByOne({ one, onChange }: Pick<OneProps, "one" | "onChange">) {
  const [letter, setLetter] = useState("");
  const count = [...one.letters].filter((found) => found === letter).length;
  return (
    <Sentence inset>
      of
      <InlineText
        label={`One letter of ${one.name}`}
        placeholder="one letter"
        value={letter}
        width="9ch"
        onCommit={(text) => setLetter([...text.trim()][0] ?? "")}
      />
      {letter && (
        <>
          there are
          <CountField
            label={`How many ${letter} are on a sheet of ${one.name}`}
            value={count}
            least={0}
            most={200}
            onCommit={(many) =>
              onChange("counted the letters", { letters: withSo(one.letters, letter, many) }, `count ${letter}`)
            }
          />
          on a sheet
        </>
      )}
    </Sentence>
  );
}

/** The run with so many of one letter: where it stood, else at its end. */
function withSo(run: string, letter: string, many: number): string {
  const at = [...run].indexOf(letter);
  const rest = [...run].filter((found) => found !== letter);
  const place = at < 0 ? rest.length : at;
  return [...rest.slice(0, place), letter.repeat(many), ...rest.slice(place)].join("").slice(0, LONGEST);
}

/** As many again of each letter, each beside its like. */
function twice(run: string): string {
  return [...run].map((letter) => (letter.trim() ? letter + letter : letter)).join("");
}

interface RunProps {
  label: string;
  hint: string;
  value: string;
  onChange: (run: string) => void;
}

function Run({ label, hint, value, onChange }: RunProps) {
  return (
    <Box
      component="textarea"
      aria-label={label}
      placeholder={hint}
      rows={1}
      spellCheck={false}
      value={value}
      onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) => onChange(event.target.value.slice(0, LONGEST))}
      sx={{
        width: "100%",
        fieldSizing: "content",
        ...words,
        fontSize: "1.05rem",
        color: "inherit",
        background: colours.paper,
        border: 0,
        borderBottom: `1px solid ${colours.soft}`,
        p: 0.75,
        overflowWrap: "anywhere",
      }}
    />
  );
}

/** As people count: each letter with how many there are, those that are used up struck through. */
function WhatIsLeft({ left }: { left: Letters }) {
  if (!left.letters.length) {
    return <Box sx={{ color: colours.soft, fontSize: "0.88rem" }}>No letters are counted yet.</Box>;
  }
  return (
    <Box
      component="ul"
      aria-label={`Left of ${left.name}`}
      sx={{ listStyle: "none", m: 0, p: 0, display: "flex", flexWrap: "wrap", gap: 0.75, ...figures }}
    >
      {left.letters.map(({ character, had, left: count }) => (
        <Box
          component="li"
          key={character}
          sx={{ minWidth: 34, textAlign: "center", color: count ? colours.ink : colours.madder, lineHeight: 1.2 }}
        >
          <Box sx={{ ...words, fontSize: "1.1rem", textDecoration: count ? "none" : "line-through" }}>
            {character}
          </Box>
          <Box sx={{ fontSize: "0.78rem" }}>{count === had ? count : `${count} of ${had}`}</Box>
        </Box>
      ))}
    </Box>
  );
}
