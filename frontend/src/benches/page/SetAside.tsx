/** A page is set aside, with why: it comes back where it was left. */

import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { type PageOut, putPage } from "../../api/pages";
import { useDoing } from "../../app/useDoing";
import { usePutAway } from "../../app/usePutAway";

export function SetAside({ page, onClose }: { page: PageOut; onClose: () => void }) {
  const [why, setWhy] = useState(page.page.waits_for);
  const putAway = usePutAway();
  const { busy, doing } = useDoing();
  const { saved, page: recipe } = page;

  const away = () =>
    doing(async () => {
      const said = why.trim();
      const kept =
        said === recipe.waits_for
          ? saved
          : (await putPage(saved.id, saved.version, "said why it waits", { ...recipe, waits_for: said })).saved;
      putAway("page", recipe.name, kept);
      onClose();
    });

  return (
    <Dialog open onClose={onClose} aria-labelledby="set-aside" fullWidth maxWidth="xs">
      <DialogTitle id="set-aside">Set {recipe.name} aside</DialogTitle>
      <DialogContent>
        <form
          id="why-it-waits"
          onSubmit={(event) => {
            event.preventDefault();
            void away();
          }}
        >
          <TextField
            autoFocus
            fullWidth
            variant="standard"
            label="Why, for when you come back to it"
            placeholder="waits for its photos"
            value={why}
            slotProps={{ htmlInput: { maxLength: 200 } }}
            onChange={(event) => setWhy(event.target.value)}
          />
        </form>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button type="submit" form="why-it-waits" variant="contained" disabled={busy}>
          Put it away
        </Button>
      </DialogActions>
    </Dialog>
  );
}
