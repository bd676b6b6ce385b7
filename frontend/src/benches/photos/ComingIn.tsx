/** How far photos have come in, what is to be told of them, and a button that stops them. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import type { ReactNode } from "react";
import { incoming } from "../../api/incoming";
import { colours } from "../../app/theme";
import { useTold } from "../../ui/useTold";

export function ComingIn() {
  const { state, of, done, refused, told, missing, why } = useTold(incoming);
  if (state === "nothing") return null;
  const busy = state !== "ended";
  const quiet = !refused.length && !told.length && !missing.length;
  if (!busy && quiet) return null;
  return (
    <Box sx={{ mt: 1.5, fontSize: "0.9rem", overflowWrap: "anywhere" }} role="status">
      {busy && (
        <>
          <LinearProgress variant="determinate" aria-label="Photos coming in" value={of ? (100 * done) / of : 0} />
          <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between" }}>
            {state === "waiting" ? "Waiting for Ulna to answer…" : `${done} of ${of}`}
            <Button size="small" onClick={() => incoming.stop()}>
              Stop
            </Button>
          </Box>
        </>
      )}
      {refused.length > 0 && (
        <Note
          ink={colours.madder}
          head={refused.length === 1 ? "One file stayed out" : `${refused.length} files stayed out`}
        >
          {refused}
        </Note>
      )}
      {!busy && missing.length > 0 && (
        <Note
          ink={colours.madder}
          head={`${missing.length === 1 ? "One file is" : `${missing.length} files are`} not in. ${why}`}
        >
          {missing}
        </Note>
      )}
      {told.length > 0 && (
        <Note ink={colours.soft} head="Good to know">
          {told}
        </Note>
      )}
      {!busy && (
        <Button size="small" onClick={() => incoming.close()}>
          All right
        </Button>
      )}
    </Box>
  );
}

function Note({ ink, head, children }: { ink: string; head: ReactNode; children: string[] }) {
  return (
    <Box sx={{ borderLeft: `3px solid ${ink}`, pl: 1, mt: 1, maxHeight: 180, overflow: "auto" }}>
      <b>{head}</b>
      {children.map((words) => (
        <Box key={words} sx={{ pt: 0.5, lineHeight: 1.35 }}>
          {words}
        </Box>
      ))}
    </Box>
  );
}
