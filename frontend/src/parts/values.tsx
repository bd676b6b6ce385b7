/** One value of a part, as a field that changes it: what all kinds share. */

import Button from "@mui/material/Button";
import type { Range } from "../api/lengths";
import { useUsual } from "../api/usual";
import { Choice } from "../ui/Choice";
import { CountField } from "../ui/CountField";
import { Icon } from "../ui/Icon";
import { IconAction } from "../ui/IconAction";
import { LengthField } from "../ui/LengthField";
import { PaperPicker } from "../ui/PaperPicker";
import type { Figure, PaperChoice, PartProps, Placed } from "./kinds";
import { PlaceFields } from "./PlaceFields";
import { Sentence } from "./Sentence";

interface Of<P> {
  of: PartProps<P>;
  field: keyof P & string;
  label: string;
}

export function LengthValue<P>({ of, field, label, range }: Of<P> & { range?: Range }) {
  return (
    <LengthField
      label={label}
      range={range}
      value={of.part[field] as string | null}
      onCommit={(value) => of.onChange(`changed the ${label.toLowerCase()}`, { ...of.part, [field]: value }, field)}
    />
  );
}

/** A length that may be left out: all of what it lies on. */
export function RoomValue<P>({ of, field, label, own }: Of<P> & { own: string }) {
  const value = of.part[field] as string | null;
  return (
    <>
      {value !== null && <LengthValue of={of} field={field} label={label} />}
      <Choice
        label={`${label}: how it is sized`}
        value={value === null ? "all" : "own"}
        options={[
          ["all", `as ${/height/i.test(label) ? "high" : "wide"} as what it lies on`],
          ["own", /height/i.test(label) ? "high" : "wide"],
        ]}
        onChange={(way) =>
          of.onChange(`changed the ${label.toLowerCase()}`, { ...of.part, [field]: way === "all" ? null : own })
        }
      />
    </>
  );
}

export function CountValue<P>({ of, field, label, least = 1 }: Of<P> & { least?: number }) {
  return (
    <CountField
      label={label}
      least={least}
      value={of.part[field] as number}
      onCommit={(value) => of.onChange(`changed the ${label.toLowerCase()}`, { ...of.part, [field]: value }, field)}
    />
  );
}

export function WordValue<P, V extends string>({
  of,
  field,
  label,
  options,
}: Of<P> & { options: readonly (readonly [V, string])[] }) {
  return (
    <Choice<V>
      label={label}
      value={of.part[field] as V}
      options={options}
      onChange={(value) => of.onChange(`changed the ${label.toLowerCase()}`, { ...of.part, [field]: value })}
    />
  );
}

/** Yes or no, in words. */
export function EitherValue<P>({ of, field, label, yes, no }: Of<P> & { yes: string; no: string }) {
  return (
    <Choice
      label={label}
      value={of.part[field] ? "yes" : "no"}
      options={[
        ["no", no],
        ["yes", yes],
      ]}
      onChange={(value) =>
        of.onChange(`changed the ${label.toLowerCase()}`, { ...of.part, [field]: value === "yes" })
      }
    />
  );
}

export function PaperValue<P>({ of, field, label }: Of<P>) {
  const choice = of.part[field] as PaperChoice;
  return (
    <PaperPicker
      label={label}
      value={choice}
      onChange={(next, name) => of.onChange(`chose ${name}`, { ...of.part, [field]: next })}
    />
  );
}

const MOST_PAPERS = 24;

/** Several papers that are laid in turn, and with a seed in another order. */
export function PapersValue<P extends { papers: PaperChoice[] }>({
  of,
  label = "Paper",
}: {
  of: PartProps<P>;
  label?: string;
}) {
  const usual = useUsual();
  const { papers } = of.part;
  const put = (what: string, next: PaperChoice[]) => of.onChange(what, { ...of.part, papers: next });
  return (
    <Sentence>
      in
      {papers.map((paper, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a paper is its place in the turn
        <span key={k} style={{ display: "inline-flex", alignItems: "center" }}>
          <PaperPicker
            label={`${label} ${k + 1}`}
            value={paper}
            onChange={(next, name) =>
              put(
                `chose ${name}`,
                papers.map((old, n) => (n === k ? next : old)),
              )
            }
          />
          {papers.length > 1 && (
            <IconAction
              small
              icon="bin"
              name={`Take ${label.toLowerCase()} ${k + 1} away`}
              onClick={() =>
                put(
                  "took a paper away",
                  papers.filter((_, n) => n !== k),
                )
              }
            />
          )}
        </span>
      ))}
      {papers.length < MOST_PAPERS && (
        <Button
          size="small"
          startIcon={<Icon name="add" size={16} />}
          onClick={() => put("added a paper", [...papers, usual.choice])}
        >
          Paper
        </Button>
      )}
    </Sentence>
  );
}

/** Another arrangement of the same papers. */
export function SeedButton<P extends { seed: number | null }>({ of, words }: { of: PartProps<P>; words: string }) {
  return (
    <Button
      size="small"
      onClick={() =>
        of.onChange("tried another arrangement", { ...of.part, seed: (of.part.seed ?? 0) + 1 }, "seed")
      }
    >
      {words}
    </Button>
  );
}

/** How lines of letters or words are set. */
export const ALIGNED = [
  ["left", "flush left"],
  ["centre", "centred"],
  ["right", "flush right"],
] as const;

export const FIGURES: readonly (readonly [Figure, string])[] = [
  ["rectangle", "rectangle"],
  ["rounded", "rounded rectangle"],
  ["circle", "circle"],
  ["arch", "arch"],
  ["hexagon", "hexagon"],
  ["on the tip", "square on the tip"],
  ["heart", "heart"],
  ["banner", "banner"],
  ["pennant", "pennant"],
  ["triangle", "triangle"],
  ["tag", "tag"],
  ["scalloped", "scalloped"],
  ["scalloped round", "scalloped round"],
];

/** How far a part lies turned, in degrees: right is above nothing. */
export function AngleValue<P extends { angle: number }>({ of }: { of: PartProps<P> }) {
  return (
    <>
      turned
      <CountField
        label="Angle in degrees"
        least={-180}
        most={180}
        value={of.part.angle}
        onCommit={(angle) => of.onChange("turned it", { ...of.part, angle }, "angle")}
      />
      °
    </>
  );
}

export function PlaceOf<P extends Placed>({ of }: { of: PartProps<P> }) {
  return (
    <PlaceFields
      part={of.part.id}
      place={of.part.place}
      pages={of.pages}
      onChange={(what, place, group, asked) =>
        of.onChange(what, { ...of.part, place }, group, asked && { ...of.part, place: asked })
      }
    />
  );
}
