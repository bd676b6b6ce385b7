/** Clusters proposed on the page itself: another proposal at a key, why each is so; kept, or gone back. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import type { Recipe } from "../../api/pages";
import { proposeClusters } from "../../api/things";
import type { Part } from "../../parts/kinds";
import { Choice } from "../../ui/Choice";
import { underBar } from "./underBar";

interface Props {
  id: string;
  page: Recipe;
  onTry: (what: string, parts: Part[]) => void;
  onClose: () => void;
}

export function Proposal({ id, page, onTry, onClose }: Props) {
  const [before] = useState(page);
  const [seed, setSeed] = useState(0);
  const [count, setCount] = useState<"3" | "5">("3");
  const [styles, setStyles] = useState<"one" | "any">("one");
  const [why, setWhy] = useState<string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const bar = useRef<HTMLDivElement>(null);

  useEffect(() => bar.current?.focus(), []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked anew where what is asked for changes
  useEffect(() => {
    let gone = false;
    void (async () => {
      try {
        const found = await proposeClusters(before, id, count === "3" ? 3 : 5, seed, styles === "any");
        if (gone) return;
        onTry("proposed clusters", [...(before.parts as Part[]), ...(found.parts as Part[])]);
        setWhy(found.why);
        setTrouble(null);
      } catch (error) {
        if (!gone) setTrouble((error as Error).message);
      }
    })();
    return () => {
      gone = true;
    };
  }, [seed, count, styles, before]);

  function back(): void {
    onTry("went back to the page before", before.parts as Part[]);
    onClose();
  }

  return (
    <Box
      ref={bar}
      tabIndex={0}
      role="group"
      aria-label="Clusters proposed"
      onKeyDown={(event: React.KeyboardEvent) => {
        if (event.target !== bar.current) return;
        if (event.key === "ArrowRight" || event.key === ".") setSeed(seed + 1);
        else if ((event.key === "ArrowLeft" || event.key === ",") && seed) setSeed(seed - 1);
        else if (event.key === "Enter") onClose();
        else if (event.key === "Escape") back();
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
      sx={{ ...underBar, flexWrap: "wrap" }}
    >
      <Box sx={{ display: "flex", flexDirection: "column", gap: 0.5 }}>
        <Choice
          label="How many clusters"
          value={count}
          options={[
            ["3", "three clusters"],
            ["5", "five clusters"],
          ]}
          onChange={setCount}
        />
        <Choice
          label="Styles"
          value={styles}
          options={[
            ["one", "of one style"],
            ["any", "styles together"],
          ]}
          onChange={setStyles}
        />
      </Box>
      <Box
        component="ul"
        role="status"
        aria-label="Why"
        sx={{
          flex: "1 1 260px",
          m: 0,
          pl: 2,
          maxHeight: 96,
          overflow: "auto",
          fontSize: "0.85rem",
          lineHeight: 1.35,
        }}
      >
        {trouble ? <li>{trouble}</li> : why.map((one) => <li key={one}>{one}</li>)}
      </Box>
      <Box sx={{ display: "flex", flexDirection: "column", gap: 0.5 }}>
        <Button size="small" variant="outlined" onClick={() => setSeed(seed + 1)}>
          Another proposal
        </Button>
        <Box sx={{ display: "flex", gap: 0.5 }}>
          <Button size="small" variant="contained" onClick={onClose}>
            Keep it
          </Button>
          <Button size="small" onClick={back}>
            Go back
          </Button>
        </Box>
      </Box>
    </Box>
  );
}
