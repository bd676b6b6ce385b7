/** Everything in one file, kept and brought back by a press; when that was done last. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { BACKUP, backupQuery, takeParcelIn, told } from "../api/parcels";
import { FileInput } from "../ui/FileInput";
import { useFrame } from "./FrameContext";

export function Backups() {
  const { data } = useQuery(backupQuery);
  const queries = useQueryClient();
  const { say } = useFrame();
  const file = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const last = data?.last ? new Date(data.last) : null;

  async function bringBack(chosen: File): Promise<void> {
    setBusy(true);
    try {
      say(told(await takeParcelIn(chosen)));
      await queries.invalidateQueries();
    } catch (error) {
      say(`${chosen.name}: ${(error as Error).message}`);
    }
    setBusy(false);
  }

  return (
    <Box sx={{ gridColumn: "1 / 3" }}>
      <Typography variant="h2" sx={{ mt: 1 }}>
        Backup
      </Typography>
      <Box sx={{ fontSize: "0.9rem", py: 0.5 }}>
        {last
          ? `Last kept on ${last.toLocaleDateString()}, ${last.toLocaleTimeString()}.`
          : "Not kept from here yet."}
      </Box>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        <Button
          size="small"
          variant="outlined"
          href={BACKUP}
          download
          onClick={() => setTimeout(() => void queries.invalidateQueries({ queryKey: ["backup"] }), 3_000)}
        >
          Keep a backup
        </Button>
        <Button size="small" disabled={busy} onClick={() => file.current?.click()}>
          {busy ? "Bringing back …" : "Bring back what is gone"}
        </Button>
      </Box>
      <FileInput
        label="A backup or parcel"
        accept=".zip,application/zip"
        inputRef={file}
        onFiles={([chosen]) => chosen && void bringBack(chosen)}
      />
    </Box>
  );
}
