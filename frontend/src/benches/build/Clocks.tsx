/** What dries, each with a clock that runs on over a reload; it rings softly and says that it is dry. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import type { BuildingOut } from "../../api/building";
import { colours, figures } from "../../app/theme";

interface Props {
  clocks: BuildingOut["clocks"];
  onDry: (step: string) => void;
  /** One of them has run out. */
  onOver: () => void;
}

export function Clocks({ clocks, onDry, onOver }: Props) {
  const [now, setNow] = useState(Date.now());
  const asked = useRef(Date.now());
  // biome-ignore lint/correctness/useExhaustiveDependencies: counted from when the clocks came
  useEffect(() => {
    asked.current = Date.now();
    setNow(Date.now());
  }, [clocks]);
  useEffect(() => {
    if (!clocks.length) return;
    const every = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(every);
  }, [clocks.length]);
  const gone = (now - asked.current) / 1000;
  const over = clocks.some((one) => one.left - gone <= 0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: rung once
  useEffect(() => {
    if (!over) return;
    ring();
    onOver();
  }, [over]);
  if (!clocks.length) return null;
  return (
    <Box component="ul" aria-label="What dries" sx={{ listStyle: "none", m: 0, p: 0, width: "100%" }}>
      {clocks.map((one) => {
        const left = Math.max(0, Math.round(one.left - gone));
        return (
          <Box
            component="li"
            key={one.step}
            sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5, color: colours.verdigris }}
          >
            <Box role="timer" sx={{ ...figures, fontWeight: 700, fontSize: "1.25rem", minWidth: "4ch" }}>
              {Math.floor(left / 60)}:{String(left % 60).padStart(2, "0")}
            </Box>
            <span>
              till it is dry: {one.says}.{one.heat === "shortens" && " Heat shortens it."}
              {one.heat === "spoils" && " No heat: it blisters."}
            </span>
            <Button size="small" onClick={() => onDry(one.step)}>
              It is dry
            </Button>
          </Box>
        );
      })}
    </Box>
  );
}

/** Two soft notes. */
function ring(): void {
  try {
    const audio = new AudioContext();
    for (const [at, high] of [
      [0, 660],
      [0.35, 880],
    ] as const) {
      const tone = audio.createOscillator();
      const loud = audio.createGain();
      tone.frequency.value = high;
      loud.gain.setValueAtTime(0.0001, audio.currentTime + at);
      loud.gain.exponentialRampToValueAtTime(0.08, audio.currentTime + at + 0.05);
      loud.gain.exponentialRampToValueAtTime(0.0001, audio.currentTime + at + 0.9);
      tone.connect(loud).connect(audio.destination);
      tone.start(audio.currentTime + at);
      tone.stop(audio.currentTime + at + 1);
    }
  } catch {
    // A browser without sound, or before the first press: it is told in words all the same.
  }
}
