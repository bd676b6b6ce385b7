/** The date of a page: which one, and how it is put down. */

import Button from "@mui/material/Button";
import { usePhotos } from "../api/photos";
import { InlineText } from "../ui/InlineText";
import { HandFields } from "./HandFields";
import type { DatePart, PartProps } from "./kinds";
import { usePageHere } from "./PageHere";
import { Sentence } from "./Sentence";
import { LengthValue, PlaceOf, WordValue } from "./values";

export function DateFields(of: PartProps<DatePart>) {
  const { part, onChange } = of;
  const here = usePageHere();
  const photos = usePhotos();
  const shown = JSON.stringify(here?.page.parts ?? []);
  const days = photos
    .filter((one) => one.photo.taken && shown.includes(`"${one.saved.id}"`))
    .map((one) => new Date(one.photo.taken as string))
    .filter((day) => !Number.isNaN(day.getTime()))
    .sort((a, b) => a.getTime() - b.getTime());
  const first = days[0];
  const last = days.at(-1);
  const say = (text: string) => onChange("said the date", { ...part, text });
  return (
    <>
      <Sentence>
        <InlineText label="Date" value={part.text} width="22ch" onCommit={(text) => say(text.trim())} />
        <WordValue
          of={of}
          field="made"
          label="How the date is put down"
          options={[
            ["stamped", "stamped"],
            ["written", "written"],
            ["printed", "printed"],
          ]}
        />
        {part.made === "stamped" && (
          <>
            figures
            <LengthValue of={of} field="high" label="Height of the figures" /> high
          </>
        )}
      </Sentence>
      <Sentence>
        {first && (
          <Button size="small" onClick={() => say(written(first))}>
            {written(first)}, of the photos
          </Button>
        )}
        {first && last && written(first) !== written(last) && (
          <Button size="small" onClick={() => say(`${written(first)} – ${written(last)}`)}>
            From the first photo to the last
          </Button>
        )}
        <Button size="small" onClick={() => say(written(new Date()))}>
          Today
        </Button>
      </Sentence>
      {part.made !== "stamped" && (
        <HandFields value={part.hand} onChoose={(hand, name) => onChange(`wrote in ${name}`, { ...part, hand })} />
      )}
      <PlaceOf of={of} />
    </>
  );
}

const written = (day: Date): string =>
  day.toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" });
