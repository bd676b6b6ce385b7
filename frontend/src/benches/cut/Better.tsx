/** How good a list is that is not begun yet, and a longer search for a better one, with progress, to be stopped. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { beginSearch, type CuttingOut, cuttingQuery, searchQuery, stopSearch } from "../../api/cutting";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";

const SECONDS = 10;
const OFTEN = 250;
const FOUND = {
  "": "",
  "fewer sheets": "A plan that begins fewer sheets was found: it is on the list.",
  "better rest": "A plan with a better rest was found: it is on the list.",
  "nothing better": "Nothing better was found.",
} as const;

export function Better({ id, data }: { id: string; data: CuttingOut }) {
  const queries = useQueryClient();
  const { say } = useFrame();
  const key = searchQuery(id).queryKey;
  const { data: search } = useQuery({
    ...searchQuery(id),
    refetchInterval: (query) => (query.state.data?.state === "searching" ? OFTEN : false),
    enabled: !data.begun,
  });
  const state = search?.state;
  useEffect(() => {
    if (state === "ended" || state === "stopped")
      void queries.invalidateQueries({ queryKey: cuttingQuery(id).queryKey });
  }, [state, id, queries]);

  async function begin(): Promise<void> {
    try {
      queries.setQueryData(key, await beginSearch(id, SECONDS));
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function stop(): Promise<void> {
    queries.setQueryData(key, await stopSearch(id));
  }

  if (data.begun || data.cuts.sheets.length === 0) return null;
  const sheets = `${data.opened} ${data.opened === 1 ? "sheet" : "sheets"}`;
  return (
    <Box
      sx={{ width: "100%", display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5 }}
      data-better
    >
      <span>
        Opens <b>{sheets}</b>
        {data.proved && data.opened > 0 ? "; fewer will not do." : "."}
      </span>
      {state === "searching" ? (
        <>
          <LinearProgress
            variant="determinate"
            aria-label="Looking for a better plan"
            value={(search?.share ?? 0) * 100}
            sx={{ width: 180, height: 8, borderRadius: 1 }}
          />
          <Button size="small" onClick={() => void stop()}>
            Stop
          </Button>
        </>
      ) : (
        <>
          <Button size="small" onClick={() => void begin()}>
            {data.proved ? "Look for a better rest" : "Look for a better plan"}
          </Button>
          {search?.found && (
            <Box component="span" role="status" sx={{ color: colours.soft }}>
              {FOUND[search.found]}
            </Box>
          )}
        </>
      )}
    </Box>
  );
}
