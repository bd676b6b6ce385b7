/** What can be added to a page. */

import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { type PhotoOut, usePhotos, usePictures } from "../../api/photos";
import { useRulesHere } from "../../api/rulesHere";
import { menuQuery, type Offered, useUsual } from "../../api/usual";
import { colours } from "../../app/theme";
import { begun, type Part, printOf } from "../../parts/kinds";
import { PictureTray } from "../../parts/PictureTray";
import { Icon } from "../../ui/Icon";
import { found } from "../../ui/search";
import type { PageFormat } from "./formats";
import type { Add } from "./useAdd";

interface Props {
  parts: Part[];
  format: PageFormat;
  onAdd: Add;
}

export function AddMenu({ parts, format, onAdd }: Props) {
  const usual = useUsual();
  const { pages } = format;
  const [choosing, setChoosing] = useState(false);
  const bases = parts.filter((part) => part.kind === "base");
  const free = (["left", "right"] as const).slice(0, pages).find((on) => !bases.some((base) => base.on === on));
  return (
    <Box sx={{ p: 1 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, alignItems: "center" }}>
        <Button size="small" startIcon={<Icon name="add" size={16} />} onClick={() => setChoosing(true)}>
          Photos
        </Button>
        {free && (
          <Button
            size="small"
            startIcon={<Icon name="add" size={16} />}
            onClick={() => void onAdd("added a base", [begun({ ...usual.base, on: free })], undefined, true)}
          >
            Base paper
          </Button>
        )}
        <Menu
          format={format}
          onPick={({ name, part }) =>
            void onAdd(`added ${name.toLowerCase()}`, [begun(part as Part)], undefined, true)
          }
        />
      </Box>
      {choosing && <PhotoChooser pages={pages} onAdd={onAdd} onClose={() => setChoosing(false)} />}
    </Box>
  );
}

/** Everything else: found by typing a word, or by its picture. */
function Menu({ format, onPick }: { format: PageFormat; onPick: (entry: Offered) => void }) {
  const { data: menu = [] } = useQuery(menuQuery(format, useRulesHere()));
  const [typed, setTyped] = useState("");
  return (
    <Autocomplete<Offered>
      size="small"
      options={menu}
      value={null}
      inputValue={typed}
      onInputChange={(_, text, reason) => reason !== "reset" && setTyped(text)}
      filterOptions={(_, { inputValue }) => found(menu, inputValue)}
      getOptionLabel={(entry) => entry.name}
      onChange={(_, entry) => {
        if (entry) onPick(entry);
        setTyped("");
      }}
      autoHighlight
      openOnFocus
      blurOnSelect
      noOptionsText="Nothing by that name. Try “strips”, “tiles”, “pocket”."
      slotProps={{ listbox: { style: { maxHeight: 420 } }, popper: { style: { minWidth: 300 } } }}
      renderOption={({ key, ...props }, entry) => (
        <Box component="li" key={key} {...props} sx={{ gap: 1.5, minHeight: 44 }}>
          <Box component="svg" viewBox="0 0 24 24" aria-hidden sx={{ width: 30, height: 30, flex: "none" }}>
            <path
              d={entry.picture}
              fill={colours.tint}
              stroke={colours.verdigris}
              strokeWidth={1.3}
              strokeLinejoin="round"
              strokeLinecap="round"
            />
          </Box>
          {entry.name}
        </Box>
      )}
      renderInput={(params) => (
        <TextField
          {...params}
          variant="standard"
          placeholder="Add: panel, strips, tiles …"
          slotProps={{
            ...params.slotProps,
            htmlInput: { ...params.slotProps?.htmlInput, "aria-label": "Add to the page" },
          }}
        />
      )}
      sx={{ flex: 1, minWidth: 190 }}
    />
  );
}

function PhotoChooser({ pages, onAdd, onClose }: { pages: number; onAdd: Add; onClose: () => void }) {
  const usual = useUsual();
  const photos = usePhotos();
  const [chosen, setChosen] = useState<string[]>([]);
  const [adding, setAdding] = useState(false);
  const picked = chosen.map((id) => photos.find((photo) => photo.saved.id === id));
  const pictures = usePictures().slice(0, photos.length);
  const used = useMemo(
    () => new Map(photos.map((one) => [one.saved.id, one.used_on.map((page) => page.name).join(", ")])),
    [photos],
  );

  // It closes once the parts are there: what is typed next is meant for them.
  async function add(what: string, added: Part[]): Promise<void> {
    setAdding(true);
    await onAdd(what, added);
    onClose();
  }

  const photoPart = (photo: PhotoOut | undefined) => begun({ ...usual.photo, print: printOf(usual, photo) });

  function each(): void {
    const [one] = picked;
    const what = picked.length > 1 ? `added ${picked.length} photos` : `added ${one?.photo.name ?? "a photo"}`;
    void add(what, picked.length ? picked.map(photoPart) : [begun(usual.photo)]);
  }

  function together(): void {
    const prints = picked.length ? picked.map((photo) => printOf(usual, photo)) : usual.joint.prints;
    void add("added photos on one mat", [begun({ ...usual.joint, prints })]);
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>Photos for this {pages === 2 ? "spread" : "page"}</DialogTitle>
      <DialogContent>
        {!photos.length && (
          <p>
            No photos are here yet: <Link to="/photos">add some</Link>, or keep a place for one and choose it later.
          </p>
        )}
        <PictureTray
          pictures={pictures}
          chosen={chosen}
          onChoose={(id) => setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id])}
          about={(id) => {
            const pages = used.get(id);
            return pages && <Box sx={{ fontSize: "0.8rem", color: colours.soft }}>on {pages}</Box>;
          }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Not now</Button>
        <Button onClick={together} disabled={adding || chosen.length === 1}>
          {chosen.length ? "Together on one mat" : "Two places on one mat"}
        </Button>
        <Button variant="contained" onClick={each} disabled={adding}>
          {chosen.length > 1 ? "Each on its own mat" : chosen.length ? "On its own mat" : "A place for one"}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
