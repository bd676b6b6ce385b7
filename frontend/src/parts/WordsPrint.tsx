/** Words on paper at true size: a test, what of it came out in the wrong place, the words alone; a strip to rule by. */

import Button from "@mui/material/Button";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { putSettings, type Settings, settingsQuery } from "../api/settings";
import { printWords, wordsFile } from "../api/words";
import { useFrame } from "../app/FrameContext";
import { LengthField } from "../ui/LengthField";
import { usePageHere } from "./PageHere";
import { Sentence } from "./Sentence";

/** Puts what a part says on the print list as a picture of its true size. */
function useOntoSheets(part: string, what: string): () => Promise<void> {
  const here = usePageHere();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();
  return async () => {
    if (!here?.id) return;
    try {
      queries.setQueryData(["prints"], await printWords(here.id, part));
      await queries.invalidateQueries({ queryKey: ["photos"] });
      say(`${what} on the print list`, { name: "Print sheets", run: () => navigate("/photos/prints") });
    } catch (error) {
      say((error as Error).message);
    }
  };
}

/** Letters of a title that are printed. */
export function TitlePrint({ part }: { part: string }) {
  const ontoSheets = useOntoSheets(part, "The letters are");
  return (
    <Sentence>
      <Button size="small" onClick={() => void ontoSheets()}>
        Printed letters onto the print sheets
      </Button>
    </Sentence>
  );
}

export function WordsPrint({ part, strip }: { part: string; strip: boolean }) {
  const [open, setOpen] = useState(false);
  const here = usePageHere();
  const ontoSheets = useOntoSheets(part, "The words are");
  if (!here?.id) return null;
  const file = (what: "test" | "words" | "strip") => wordsFile(here.id, part, what);
  return (
    <>
      <Sentence>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          Print the words
        </Button>
      </Sentence>
      {open && (
        <>
          <Sentence inset>
            <Button size="small" href={file("test")} download>
              A test to hold against the light
            </Button>
            <Button size="small" href={file("words")} download>
              The words alone
            </Button>
            <Button size="small" onClick={() => void ontoSheets()}>
              Onto the print sheets
            </Button>
            {strip && (
              <Button size="small" href={file("strip")} download>
                A strip to rule by
              </Button>
            )}
          </Sentence>
          <CameOut />
        </>
      )}
    </>
  );
}

/** How far off a test came out: the household's printer does so with every card. */
function CameOut() {
  const { data } = useQuery(settingsQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  if (!data) return null;
  const { settings, saved } = data;

  async function keep(change: Partial<Settings>): Promise<void> {
    try {
      queries.setQueryData(settingsQuery.queryKey, await putSettings({ ...settings, ...change }, saved.version));
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Sentence inset>
      The test came out
      <LengthField
        label="Too low by"
        range="offset"
        value={settings.printed_low}
        onCommit={(printed_low) => void keep({ printed_low })}
      />
      too low and
      <LengthField
        label="Too far right by"
        range="offset"
        value={settings.printed_right}
        onCommit={(printed_right) => void keep({ printed_right })}
      />
      too far right; the words alone make up for it.
    </Sentence>
  );
}
