/** What was put away: kits, photos, templates and pages, each one press from being back. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import type { Schemas } from "../api/client";
import { bringBack } from "../api/history";
import { awayQuery } from "../api/settings";
import { useFrame } from "./FrameContext";
import { colours } from "./theme";

export function PutAway({ onClose }: { onClose: () => void }) {
  const { data = [] } = useQuery({ ...awayQuery, staleTime: 0 });
  const queries = useQueryClient();
  const { say } = useFrame();

  async function back({ kind, saved }: Schemas["Away"]): Promise<void> {
    try {
      await bringBack(kind, saved.id, saved.version);
    } catch (error) {
      say((error as Error).message);
    }
    await queries.invalidateQueries();
  }

  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Put away</DialogTitle>
      <DialogContent>
        {!data.length && "Nothing is put away."}
        {data.map((one) => (
          <Box
            key={one.saved.id}
            sx={{
              display: "flex",
              alignItems: "center",
              gap: 1,
              borderBottom: `1px solid ${colours.line}`,
              py: 0.5,
            }}
          >
            <Box sx={{ flex: 1 }}>
              {one.name}{" "}
              <Box component="span" sx={{ color: colours.soft }}>
                ({one.kind}){one.why && `, ${one.why}`}
              </Box>
            </Box>
            <Button size="small" onClick={() => void back(one)}>
              Bring back
            </Button>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
