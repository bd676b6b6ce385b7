/** The crop of one print, where it is another than the photo's own; with the line at which the gutter cuts it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQuery } from "@tanstack/react-query";
import { cropQuery, usePictures } from "../api/photos";
import { pictureAt } from "../api/pictures";
import { CropFrame } from "../page/CropFrame";
import type { Print } from "./kinds";
import { Sharpness } from "./Sharpness";

interface Props {
  print: Print;
  onChange: (what: string, print: Print, group?: string) => void;
  line?: number | null;
  onLine?: (by: number) => void;
  onClose: () => void;
}

export function CropDialog({ print, onChange, line, onLine, onClose }: Props) {
  const { data, isPlaceholderData } = useQuery(cropQuery(print));
  const name = usePictures().find((p) => p.id === print.photo)?.name ?? "the photo";
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>The crop of {name} in this print</DialogTitle>
      <DialogContent sx={{ display: "flex", flexDirection: "column", gap: 1, height: "62vh" }}>
        {data && (
          <>
            <Sharpness {...data} />
            {line !== null && line !== undefined && (
              <Box>The gutter cuts it at the dashed line. Move the line, or the picture under it.</Box>
            )}
            <CropFrame
              src={pictureAt(print.photo ?? "", "view", data.look)}
              name={name}
              pixels={[data.pixels.width, data.pixels.height]}
              framing={data.framing}
              crop={data.crop}
              outline={data.outline}
              settled={!isPlaceholderData}
              onFrame={(what, frame, group) => onChange(what, { ...print, frame }, `own ${group}`)}
              line={line}
              onLine={onLine}
            />
          </>
        )}
      </DialogContent>
      <DialogActions>
        {print.frame && (
          <Button onClick={() => onChange("took a print’s own crop back", { ...print, frame: null })}>
            As on the photo
          </Button>
        )}
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}
