/** A hand, measured: the sample is written on ruled paper, and how long it came out and how far apart the lines are is told. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { putSettings, settingsQuery } from "../api/settings";
import { WORKED_OUT } from "../api/useDesk";
import { sampleQuery } from "../api/words";
import { useFrame } from "../app/FrameContext";
import { colours, words } from "../app/theme";
import { Choice } from "../ui/Choice";
import { aName, InlineText } from "../ui/InlineText";
import { LengthField } from "../ui/LengthField";
import { newId } from "./kinds";
import { Sentence } from "./Sentence";

interface Props {
  value: string | null;
  onChoose: (hand: string, name: string) => void;
}

const ANOTHER = "another";

export function HandFields({ value, onChoose }: Props) {
  const { data } = useQuery(settingsQuery);
  const { data: sample } = useQuery(sampleQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  const [measuring, setMeasuring] = useState(false);
  if (!data) return null;
  const { settings, saved } = data;
  const hand = settings.hands.find((one) => one.id === value) ?? settings.hands[0];
  if (!hand) return null;

  async function keep(hands: typeof settings.hands): Promise<void> {
    try {
      queries.setQueryData(settingsQuery.queryKey, await putSettings({ ...settings, hands }, saved.version));
      for (const follows of WORKED_OUT) void queries.invalidateQueries({ queryKey: [follows] });
    } catch (error) {
      say((error as Error).message);
    }
  }
  const change = (by: Partial<typeof hand>) =>
    void keep(settings.hands.map((one) => (one === hand ? { ...one, ...by } : one)));

  async function another(): Promise<void> {
    if (!hand) return;
    const next = { ...hand, id: newId("hand"), name: "another hand" };
    await keep([...settings.hands, next]);
    onChoose(next.id, next.name);
    setMeasuring(true);
  }

  return (
    <>
      <Sentence>
        in
        <Choice
          wide
          label="Hand"
          value={hand.id}
          options={[...settings.hands.map((one) => [one.id, one.name] as const), [ANOTHER, "another hand …"]]}
          onChange={(id) => {
            const found = settings.hands.find((one) => one.id === id);
            if (found) onChoose(found.id, found.name);
            else void another();
          }}
        />
        <Button size="small" aria-expanded={measuring} onClick={() => setMeasuring(!measuring)}>
          Measure it
        </Button>
      </Sentence>
      {measuring && (
        <Box sx={{ pl: 2, borderLeft: `3px solid ${colours.tint}` }}>
          <Box sx={{ fontSize: "0.88rem", color: colours.soft }}>
            Write this on lined paper as you write on pages, then measure it:
          </Box>
          <Box sx={{ ...words, py: 0.5 }}>{sample?.text}</Box>
          <Sentence>
            <InlineText
              label="Name of the hand"
              value={hand.name}
              width="20ch"
              check={aName}
              onCommit={(name) => change({ name: name.trim() })}
            />
            came out
            <LengthField
              label="Length of the sample"
              value={hand.sample}
              onCommit={(length) => change({ sample: length })}
            />
            long, lines
            <LengthField label="Distance of its lines" value={hand.pitch} onCommit={(pitch) => change({ pitch })} />
            apart
          </Sentence>
        </Box>
      )}
    </>
  );
}
