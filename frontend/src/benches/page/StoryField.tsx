/** The story that the page tells, in the person's own words. */
import Box from "@mui/material/Box";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { colours, words } from "../../app/theme";
import { cutTo } from "../../ui/letters";
import { Prompts } from "./Prompts";

const LONGEST = 20_000;
const PAUSE = 800;

export function StoryField({ story, onCommit }: { story: string; onCommit: (story: string) => void }) {
  const [draft, setDraft] = useState<string | null>(null);
  const keep = useRef(onCommit);
  useLayoutEffect(() => {
    keep.current = onCommit;
  });
  // A story is long in the writing: it is kept at every pause, not only when the field or the page is left.
  useEffect(() => {
    if (draft === null || draft === story) return;
    const commit = () => keep.current(draft);
    const timer = setTimeout(commit, PAUSE);
    window.addEventListener("pagehide", commit);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("pagehide", commit);
    };
  }, [draft, story]);
  return (
    <Box sx={{ px: 1.5, pb: 2 }}>
      <Box
        component="textarea"
        aria-label="Story"
        placeholder="The story: who, what, when, where, why"
        rows={4}
        value={draft ?? story}
        onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) => setDraft(cutTo(event.target.value, LONGEST))}
        onBlur={() => {
          if (draft !== null && draft !== story) onCommit(draft);
          setDraft(null);
        }}
        sx={{
          width: "100%",
          font: "inherit",
          ...words,
          lineHeight: 1.5,
          color: "inherit",
          p: 1,
          border: `1px solid ${colours.line}`,
          borderRadius: 1,
          background: colours.paper,
          resize: "vertical",
        }}
      />
      <Prompts
        onAnswered={(answers) => onCommit(cutTo([draft ?? story, answers].filter(Boolean).join(" "), LONGEST))}
      />
    </Box>
  );
}
