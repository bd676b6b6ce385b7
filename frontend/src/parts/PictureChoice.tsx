/** Which photo or template a print shows: from a short list by name, from a long one by how it looks. */
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { type PhotoOut, usePhotos, usePictures } from "../api/photos";
import { Choice } from "../ui/Choice";
import { PictureTray } from "./PictureTray";

interface Props {
  label: string;
  value: string | null | undefined;
  /** Whether what was made of many photos can be chosen too. */
  templates?: boolean;
  wide?: boolean;
  /** `photo` is undefined for a template, and where nothing is chosen any more. */
  onChoose: (id: string | null, name: string | undefined, photo: PhotoOut | undefined) => void;
}

const FEW = 60;
const ANOTHER = "another";

export function PictureChoice({ label, value, templates = false, wide, onChoose }: Props) {
  const photos = usePhotos();
  const every = usePictures();
  const pictures = templates ? every : every.slice(0, photos.length);
  const [looking, setLooking] = useState(false);
  const now = pictures.find((one) => one.id === value);
  const listed = pictures.length > FEW ? pictures.filter((one) => one === now) : pictures;

  function choose(id: string): void {
    setLooking(id === ANOTHER);
    if (id === ANOTHER) return;
    const photo = photos.find((one) => one.saved.id === id);
    onChoose(id || null, pictures.find((one) => one.id === id)?.name, photo);
  }

  return (
    <>
      <Choice
        label={label}
        wide={wide}
        value={value ?? ""}
        options={[
          ["", "not chosen yet"],
          ...listed.map((one) => [one.id, one.name] as const),
          ...(value && photos.length && !now ? [[value, "a photo that is gone"] as const] : []),
          ...(listed.length < pictures.length ? [[ANOTHER, "look for another …"] as const] : []),
        ]}
        onChange={choose}
      />
      {looking && (
        <Dialog open onClose={() => setLooking(false)} maxWidth="md" fullWidth>
          <DialogTitle>Which photo?</DialogTitle>
          <DialogContent>
            <PictureTray pictures={pictures} chosen={[]} onChoose={choose} />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setLooking(false)}>Not now</Button>
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
