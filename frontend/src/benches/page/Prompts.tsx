/** Questions to be answered one after the other, where a story does not begin by itself; one's own among them. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { putSettings, settingsQuery } from "../../api/settings";
import { useFrame } from "../../app/FrameContext";
import { colours, words } from "../../app/theme";
import { IconAction } from "../../ui/IconAction";
import { InlineText } from "../../ui/InlineText";
import { cutTo } from "../../ui/letters";

const LONGEST = 2_000;
const LONGEST_QUESTION = 120;

export function Prompts({ onAnswered }: { onAnswered: (answers: string) => void }) {
  const { data } = useQuery(settingsQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  const [open, setOpen] = useState(false);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  if (!data) return null;
  const { settings, saved } = data;

  async function keep(prompts: string[]): Promise<void> {
    try {
      queries.setQueryData(settingsQuery.queryKey, await putSettings({ ...settings, prompts }, saved.version));
    } catch (error) {
      say((error as Error).message);
    }
  }

  const said = settings.prompts.map((one) => (answers[one] ?? "").trim()).filter(Boolean);
  return (
    <>
      <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        Ask me
      </Button>
      {open && (
        <Box sx={{ display: "grid", gap: 1, pt: 0.5 }}>
          {settings.prompts.map((prompt) => (
            <Box key={prompt}>
              <Box sx={{ display: "flex", alignItems: "center" }}>
                <Box component="label" htmlFor={`prompt ${prompt}`} sx={{ flex: 1, color: colours.soft }}>
                  {prompt}
                </Box>
                <IconAction
                  small
                  icon="bin"
                  name={`Do not ask: ${prompt}`}
                  onClick={() => void keep(settings.prompts.filter((one) => one !== prompt))}
                />
              </Box>
              <Box
                component="textarea"
                id={`prompt ${prompt}`}
                rows={1}
                value={answers[prompt] ?? ""}
                onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) =>
                  setAnswers({ ...answers, [prompt]: cutTo(event.target.value, LONGEST) })
                }
                sx={{
                  width: "100%",
                  ...words,
                  color: "inherit",
                  p: 0.75,
                  border: 0,
                  borderBottom: `2px solid ${colours.soft}`,
                  background: colours.paper,
                  fieldSizing: "content",
                  resize: "vertical",
                }}
              />
            </Box>
          ))}
          <InlineText
            label="A question of my own"
            placeholder="A question of my own"
            value=""
            width="100%"
            onCommit={(text) => {
              const own = text.trim().slice(0, LONGEST_QUESTION);
              if (own && !settings.prompts.includes(own)) void keep([...settings.prompts, own]);
            }}
          />
          <Button
            variant="outlined"
            size="small"
            disabled={!said.length}
            onClick={() => {
              onAnswered(said.join(" "));
              setAnswers({});
              setOpen(false);
            }}
          >
            Into the story
          </Button>
        </Box>
      )}
    </>
  );
}
