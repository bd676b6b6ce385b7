/** A photograph of a sheet: its four corners are put in place, and it is laid flat at the sheet's size. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import type { Paper } from "../../api/kits";
import { addSheetPicture, straighten } from "../../api/kits";
import { pictureAt } from "../../api/pictures";
import { useFrame } from "../../app/FrameContext";
import { Corners, Outline, START } from "./Corners";

export function SheetPhoto({
  paper,
  onClose,
  onDone,
}: {
  paper: Pick<Paper, "name" | "width" | "height">;
  onClose: () => void;
  onDone: (id: string) => void;
}) {
  const [picture, setPicture] = useState<string | null>(null);
  const [corners, setCorners] = useState(START);
  const { say } = useFrame();

  async function choose(file: File): Promise<void> {
    try {
      setPicture((await addSheetPicture(file)).id);
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function layFlat(): Promise<void> {
    if (!picture) return;
    try {
      const flat = await straighten(picture, corners, paper);
      onDone(flat.id);
      onClose();
    } catch (error) {
      say((error as Error).message);
    }
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md">
      <DialogTitle>A photograph of {paper.name}</DialogTitle>
      <DialogContent>
        {!picture ? (
          <>
            <p>
              Photograph the sheet from above, all four corners in the picture. Then put a corner mark on each of
              them.
            </p>
            <Button variant="contained" component="label">
              Choose the photograph
              <input
                type="file"
                accept="image/jpeg,image/png,image/webp,image/heic,image/heif"
                hidden
                onChange={(event) => {
                  const file = event.target.files?.[0];
                  if (file) void choose(file);
                }}
              />
            </Button>
          </>
        ) : (
          <Box sx={{ position: "relative", touchAction: "none", lineHeight: 0 }}>
            <img
              src={pictureAt(picture, "view")}
              alt={`The photograph of ${paper.name}`}
              style={{ maxWidth: "100%", maxHeight: "60vh", display: "block" }}
              draggable={false}
            />
            <Outline corners={corners} />
            <Corners corners={corners} onChange={setCorners} />
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button variant="contained" disabled={!picture} onClick={() => void layFlat()}>
          Lay it flat
        </Button>
      </DialogActions>
    </Dialog>
  );
}
