/** Photos: the pictures on the left, the chosen one large with its crop and print size. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type DragEvent, useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { sendFile } from "../../api/client";
import { type PhotoOut, photosQuery } from "../../api/documents";
import { colours, narrow, small } from "../../app/theme";
import { FileInput } from "../../ui/FileInput";
import { Icon } from "../../ui/Icon";
import { useInSight } from "../../ui/useInSight";
import { PhotoBench } from "./PhotoBench";

const KINDS = "image/jpeg,image/png,image/webp,image/heic,image/heif,.heic,.heif";

interface Coming {
  done: number;
  of: number;
  refused: string[];
}

export default function Photos() {
  const { id } = useParams();
  const { data: photos } = useQuery(photosQuery);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const picker = useRef<HTMLInputElement>(null);
  const [coming, setComing] = useState<Coming | null>(null);
  const [over, setOver] = useState(false);
  const stop = useRef<AbortController | null>(null);

  async function add(files: File[]): Promise<void> {
    if (!files.length) return;
    const control = new AbortController();
    stop.current = control;
    const refused: string[] = [];
    let last: PhotoOut | undefined;
    for (const [k, file] of files.entries()) {
      if (control.signal.aborted) break;
      setComing({ done: k, of: files.length, refused: [...refused] });
      try {
        last = await sendFile<PhotoOut>("/api/photos", file, control.signal);
        void queries.invalidateQueries({ queryKey: ["photos"] });
      } catch (error) {
        if (!control.signal.aborted) refused.push(sentence(file, error as Error));
      }
    }
    setComing({ done: files.length, of: files.length, refused });
    stop.current = null;
    await queries.invalidateQueries({ queryKey: ["photos"] });
    if (last) navigate(`/photos/${last.saved.id}`);
  }

  if (!photos) return null;
  const open = photos.find((photo) => photo.saved.id === id) ?? photos[0];
  const busy = coming !== null && coming.done < coming.of;

  return (
    <Box
      onDragOver={(event: DragEvent) => {
        if (!event.dataTransfer.types.includes("Files")) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={(event: DragEvent) => event.currentTarget === event.target && setOver(false)}
      onDrop={(event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        void add([...event.dataTransfer.files]);
      }}
      sx={{
        height: "100%",
        display: "grid",
        gridTemplateColumns: photos.length ? "minmax(240px, 340px) minmax(0, 1fr)" : "1fr",
        outline: over ? `4px dashed ${colours.verdigris}` : "none",
        outlineOffset: -10,
        [narrow]: { gridTemplateColumns: "minmax(0, 1fr)", gridTemplateRows: "auto minmax(0, 1fr)" },
        [small]: { height: "auto" },
      }}
    >
      <FileInput label="Photos" accept={KINDS} inputRef={picker} multiple onFiles={(files) => void add(files)} />
      {photos.length ? (
        <Box sx={{ borderRight: `1px solid ${colours.line}`, overflow: "auto", scrollPaddingTop: "72px" }}>
          <Box sx={{ position: "sticky", top: 0, zIndex: 1, p: 1.5, background: colours.ground }}>
            <Button
              variant="contained"
              fullWidth
              startIcon={<Icon name="add" size={18} />}
              onClick={() => picker.current?.click()}
              disabled={busy}
            >
              Add photos
            </Button>
            <Progress
              coming={coming}
              busy={busy}
              onStop={() => stop.current?.abort()}
              onClose={() => setComing(null)}
            />
          </Box>
          <Box
            component="ul"
            sx={{
              listStyle: "none",
              m: 0,
              p: 1.5,
              pt: 0,
              display: "grid",
              gap: 1,
              gridTemplateColumns: "1fr 1fr",
              [narrow]: {
                gridTemplateColumns: "none",
                gridAutoFlow: "column",
                gridAutoColumns: "132px",
                justifyContent: "start",
                overflowX: "auto",
              },
            }}
          >
            {photos.map((photo) => (
              <li key={photo.saved.id}>
                <Thumb photo={photo} open={photo === open} />
              </li>
            ))}
          </Box>
        </Box>
      ) : (
        <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
          <Typography variant="h1" gutterBottom>
            The photos of a story
          </Typography>
          <Typography sx={{ mb: 3 }}>
            Drop them anywhere here, or choose them: JPEG, PNG, WebP or HEIC. The files stay as they are; crop and
            size are notes beside them.
          </Typography>
          <Button variant="contained" onClick={() => picker.current?.click()} disabled={busy}>
            Add photos
          </Button>
          <Progress
            coming={coming}
            busy={busy}
            onStop={() => stop.current?.abort()}
            onClose={() => setComing(null)}
          />
        </Box>
      )}
      {open && <PhotoBench key={open.saved.id} answer={open} />}
    </Box>
  );
}

/** The server's sentence names the file already where the file is at fault. */
function sentence(file: File, error: Error): string {
  return error.message.startsWith(file.name) ? error.message : `${file.name}: ${error.message}`;
}

function Progress({
  coming,
  busy,
  onStop,
  onClose,
}: {
  coming: Coming | null;
  busy: boolean;
  onStop: () => void;
  onClose: () => void;
}) {
  if (!coming) return null;
  return (
    <Box sx={{ mt: 1.5 }} role="status">
      {busy && (
        <>
          <LinearProgress
            variant="determinate"
            aria-label="Photos coming in"
            value={(100 * coming.done) / coming.of}
          />
          <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between" }}>
            {coming.done} of {coming.of}
            <Button size="small" onClick={onStop}>
              Stop
            </Button>
          </Box>
        </>
      )}
      {coming.refused.length > 0 && (
        <Box
          sx={{
            border: `1px solid ${colours.madder}`,
            borderRadius: 1,
            p: 1,
            mt: 1,
            fontSize: "0.9rem",
            overflowWrap: "anywhere",
          }}
        >
          <b>{coming.refused.length === 1 ? "One file stayed out" : `${coming.refused.length} files stayed out`}</b>
          {coming.refused.map((words) => (
            <Box key={words} sx={{ pt: 0.5 }}>
              {words}
            </Box>
          ))}
          {!busy && (
            <Button size="small" onClick={onClose}>
              All right
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}

function Thumb({ photo, open }: { photo: PhotoOut; open: boolean }) {
  return (
    <Box
      ref={useInSight(open)}
      component={Link}
      to={`/photos/${photo.saved.id}`}
      aria-current={open ? "true" : undefined}
      sx={{
        display: "block",
        color: "inherit",
        textDecoration: "none",
        p: 0.5,
        borderRadius: 1,
        border: `3px solid ${open ? colours.verdigris : "transparent"}`,
        background: open ? colours.tint : "transparent",
      }}
    >
      <Box
        component="img"
        src={`/api/pictures/${photo.saved.id}/thumb`}
        alt=""
        sx={{ width: "100%", height: 104, objectFit: "cover", display: "block", borderRadius: "2px" }}
      />
      <Box sx={{ fontSize: "0.9rem", lineHeight: 1.3, pt: 0.25, overflowWrap: "anywhere" }}>{photo.photo.name}</Box>
      {photo.used_on.length > 0 && (
        <Box sx={{ fontSize: "0.8rem", color: colours.soft }}>on {photo.used_on.join(", ")}</Box>
      )}
    </Box>
  );
}
