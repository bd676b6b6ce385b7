/** A photograph of a sheet: its four corners are put in place, and it is laid flat at the sheet's size. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { type KeyboardEvent, useRef, useState } from "react";
import type { Paper } from "../../api/kits";
import { addSheetPicture, straighten } from "../../api/kits";
import { pictureAt } from "../../api/pictures";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";

type Corner = [number, number];
const START: Corner[] = [
  [0.08, 0.08],
  [0.92, 0.08],
  [0.92, 0.92],
  [0.08, 0.92],
];
const NAMES = ["upper left", "upper right", "lower right", "lower left"];

export function SheetPhoto({
  paper,
  onClose,
  onDone,
}: {
  paper: Paper;
  onClose: () => void;
  onDone: (id: string) => void;
}) {
  const [picture, setPicture] = useState<string | null>(null);
  const [corners, setCorners] = useState(START);
  const held = useRef<number | null>(null);
  const frame = useRef<HTMLDivElement>(null);
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

  function put(k: number, x: number, y: number): void {
    const kept: Corner = [Math.min(1, Math.max(0, x)), Math.min(1, Math.max(0, y))];
    setCorners((old) => old.map((corner, n) => (n === k ? kept : corner)));
  }

  function onKey(event: KeyboardEvent, k: number): void {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    const corner = corners[k];
    if (!step || !corner) return;
    event.preventDefault();
    const far = event.shiftKey ? 0.02 : 0.002;
    put(k, corner[0] + (step[0] ?? 0) * far, corner[1] + (step[1] ?? 0) * far);
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
          <Box
            ref={frame}
            sx={{ position: "relative", touchAction: "none", lineHeight: 0 }}
            onPointerMove={(event) => {
              const rect = frame.current?.getBoundingClientRect();
              if (held.current === null || !rect) return;
              put(held.current, (event.clientX - rect.x) / rect.width, (event.clientY - rect.y) / rect.height);
            }}
            onPointerUp={() => {
              held.current = null;
            }}
          >
            <img
              src={pictureAt(picture, "view")}
              alt={`The photograph of ${paper.name}`}
              style={{ maxWidth: "100%", maxHeight: "60vh", display: "block" }}
              draggable={false}
            />
            <svg
              viewBox="0 0 1 1"
              preserveAspectRatio="none"
              style={{ position: "absolute", inset: 0, width: "100%", height: "100%", pointerEvents: "none" }}
              aria-hidden
            >
              <path
                d={`M${corners.map((c) => c.join(" ")).join("L")}Z`}
                fill="none"
                stroke={colours.verdigris}
                strokeWidth={2}
                vectorEffect="non-scaling-stroke"
              />
            </svg>
            {corners.map(([x, y], k) => (
              <Box
                key={NAMES[k]}
                component="button"
                type="button"
                aria-label={`Corner ${NAMES[k]}: ${Math.round(x * 100)} % across, ${Math.round(y * 100)} % down`}
                onPointerDown={(event: React.PointerEvent) => {
                  event.preventDefault();
                  (event.currentTarget as HTMLElement).focus();
                  held.current = k;
                }}
                onKeyDown={(event: KeyboardEvent) => onKey(event, k)}
                sx={{
                  position: "absolute",
                  left: `${x * 100}%`,
                  top: `${y * 100}%`,
                  width: 44,
                  height: 44,
                  ml: "-22px",
                  mt: "-22px",
                  p: 0,
                  borderRadius: "50%",
                  border: `3px solid ${colours.verdigris}`,
                  background: "rgba(255,253,248,.45)",
                  cursor: "move",
                }}
              />
            ))}
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
