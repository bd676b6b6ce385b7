/** A question in a window of its own: what is asked, the way out of it, and what is done then. */
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import type { ReactNode } from "react";

interface Props {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** The way out. */
  not?: string;
  /** What is done, in red where it is grave; left out where the question has buttons of its own. */
  act?: string;
  grave?: boolean;
  onAct?: () => void;
  /** As narrow as a column of words. */
  narrow?: boolean;
}

export function Asking({ title, onClose, children, not = "Not now", act, grave, onAct, narrow }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth={narrow} maxWidth={narrow ? "xs" : undefined}>
      <DialogTitle>{title}</DialogTitle>
      <DialogContent sx={narrow ? { display: "grid", gap: 2 } : undefined}>{children}</DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{not}</Button>
        {act && (
          <Button
            variant="contained"
            color={grave ? "error" : undefined}
            onClick={() => {
              onAct?.();
              onClose();
            }}
          >
            {act}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
