/** Photos: the roll on the left, the chosen picture large with its crop, look and print size. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type DragEvent, memo, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { incoming } from "../../api/incoming";
import {
  addTemplate,
  firstPhotosQuery,
  type PhotoOut,
  photosQuery,
  type TemplateOut,
  templatesQuery,
} from "../../api/photos";
import { photoAt, pictureWith } from "../../api/pictures";
import { useUsual } from "../../api/usual";
import { colours, narrow, small } from "../../app/theme";
import { Choice } from "../../ui/Choice";
import { FileInput } from "../../ui/FileInput";
import { Icon } from "../../ui/Icon";
import { SearchField } from "../../ui/SearchField";
import { isCalled, wordsOf } from "../../ui/search";
import { useInSight } from "../../ui/useInSight";
import { useSome } from "../../ui/useSome";
import { useTold } from "../../ui/useTold";
import { ComingIn } from "./ComingIn";
import { PhotoBench } from "./PhotoBench";
import { TemplateBench } from "./TemplateBench";

const KINDS = "image/jpeg,image/png,image/webp,image/heic,image/heif,.heic,.heif";

type Order = "date" | "name" | "added";
type Show = "all" | "unused" | "card";

export default function Photos() {
  const { id } = useParams();
  const { data: first } = useQuery(firstPhotosQuery);
  // A long roll takes a moment to read: what begins it is on the screen by then.
  const { data: all } = useQuery({ ...photosQuery, enabled: Boolean(first) });
  const photos = all ?? first;
  const { data: templates = [] } = useQuery(templatesQuery);
  const usual = useUsual();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const picker = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const [order, setOrder] = useState<Order>("date");
  const [show, setShow] = useState<Show>("all");
  const coming = useTold(incoming);
  const [typed, setTyped] = useState("");
  const asked = useDeferredValue(typed);
  const listed = useMemo(() => arranged(photos ?? [], order, show, asked), [photos, order, show, asked]);
  const { some, before, after } = useSome(
    listed,
    listed.findIndex(({ saved }) => saved.id === id),
  );

  const alone = useRef(false);
  function add(files: File[]): void {
    alone.current = files.length === 1 && coming.state !== "running";
    incoming.add(files);
  }
  // One picture that was added is meant to be worked on; many are looked through first.
  useEffect(() => {
    const before = incoming.onCame;
    incoming.onCame = (came) => {
      before(came);
      if (alone.current) navigate(`/photos/${came.photo.saved.id}`);
      alone.current = false;
    };
    return () => {
      incoming.onCame = before;
    };
  }, [navigate]);

  /** A template begins as six photos on a usual print. */
  async function begin(): Promise<void> {
    const six = usual.template;
    const cells = (photos ?? [])
      .slice(0, six.rows * six.columns)
      .map(({ saved }) => ({ ...usual.template_cell, photo: saved.id }));
    const made = await addTemplate({ ...six, name: `Template ${templates.length + 1}`, cells });
    await queries.invalidateQueries({ queryKey: ["templates"] });
    navigate(`/photos/${made.saved.id}`);
  }

  if (!photos) return null;
  const template = templates.find((one) => one.saved.id === id);
  const open = template
    ? undefined
    : (photos.find((photo) => photo.saved.id === id) ?? (all || !id ? listed[0] : undefined));

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
        add([...event.dataTransfer.files]);
      }}
      sx={{
        height: "100%",
        display: "grid",
        gridTemplateColumns: photos.length ? "minmax(240px, 320px) minmax(0, 1fr)" : "1fr",
        outline: over ? `4px dashed ${colours.verdigris}` : "none",
        outlineOffset: -10,
        [narrow]: { gridTemplateColumns: "minmax(0, 1fr)", gridTemplateRows: "auto minmax(0, 1fr)" },
        [small]: { height: "auto" },
      }}
    >
      <FileInput label="Photos" accept={KINDS} inputRef={picker} multiple onFiles={add} />
      {photos.length ? (
        <Box sx={{ borderRight: `1px solid ${colours.line}`, overflow: "auto", scrollPaddingTop: "132px" }}>
          <Box sx={{ position: "sticky", top: 0, zIndex: 1, p: 1.5, pb: 1, background: colours.ground }}>
            <Box sx={{ display: "flex", gap: 1 }}>
              <Button
                variant="contained"
                sx={{ flex: 1 }}
                startIcon={<Icon name="add" size={18} />}
                onClick={() => picker.current?.click()}
              >
                Add photos
              </Button>
              <Button component={Link} to="/photos/prints" variant="outlined">
                Print sheets
              </Button>
            </Box>
            <Box sx={{ display: "flex", gap: 0.75, pt: 1, alignItems: "center", fontSize: "0.9rem" }}>
              <Choice
                label="Which photos"
                value={show}
                options={[
                  ["all", `all ${all?.length ?? ""}`],
                  ["unused", "on no page yet"],
                  ["card", "cards"],
                ]}
                onChange={setShow}
              />
              <Choice
                label="Order of photos"
                value={order}
                options={[
                  ["date", "by date"],
                  ["name", "by name"],
                  ["added", "as they came"],
                ]}
                onChange={setOrder}
              />
            </Box>
            {photos.length > FEW && (
              <SearchField label="Look for a photo" placeholder="its name …" value={typed} onChange={setTyped} />
            )}
            <ComingIn />
          </Box>
          <Box sx={{ [narrow]: { display: "flex", overflowX: "auto", alignItems: "flex-start" } }}>
            <Box component="ul" aria-label="The roll" sx={grid}>
              {before}
              {some.map((photo) => (
                <li key={photo.saved.id}>
                  <Thumb photo={photo} open={photo === open} />
                </li>
              ))}
              {after}
            </Box>
            {!listed.length && <Box sx={{ px: 1.5, color: colours.soft }}>None of the photos is so.</Box>}
            <Box
              sx={{
                p: 1.5,
                pt: 0.5,
                [narrow]: { flex: "none", pt: 0, display: "flex", gap: 1, "& h2": { display: "none" } },
              }}
            >
              <Box component="h2" sx={{ m: 0, fontSize: "0.95rem" }}>
                Many on one print
              </Box>
              <Box component="ul" aria-label="Templates" sx={{ ...grid, p: 0, pt: 0.5 }}>
                {templates.map((one) => (
                  <li key={one.saved.id}>
                    <TemplateThumb template={one} open={one === template} />
                  </li>
                ))}
              </Box>
              <Button size="small" startIcon={<Icon name="add" size={16} />} onClick={() => void begin()}>
                Template
              </Button>
            </Box>
          </Box>
        </Box>
      ) : (
        <NoPhotos onAdd={() => picker.current?.click()} />
      )}
      {open && <PhotoBench key={open.saved.id} answer={open} />}
      {template && <TemplateBench key={template.saved.id} answer={template} />}
    </Box>
  );
}

/** So many are looked through at a glance. */
const FEW = 24;

const grid = {
  listStyle: "none",
  m: 0,
  p: 1.5,
  pt: 0,
  display: "grid",
  gap: 1,
  gridTemplateColumns: "1fr 1fr",
  "& > li": { contentVisibility: "auto", containIntrinsicSize: "auto 140px" },
  [narrow]: {
    gridTemplateColumns: "none",
    gridAutoFlow: "column",
    gridAutoColumns: "132px",
    justifyContent: "start",
    flex: "none",
  },
} as const;

function arranged(photos: PhotoOut[], order: Order, show: Show, asked: string): PhotoOut[] {
  const shown = photos.filter(
    (photo) =>
      (show === "all" || (show === "unused" ? !photo.used_on.length : photo.photo.kind === "card")) &&
      isCalled(asked, wordsOf(photo.photo.name)),
  );
  if (order === "name")
    return shown.sort((a, b) => a.photo.name.localeCompare(b.photo.name, undefined, { numeric: true }));
  if (order === "added") return shown.sort((a, b) => (a.added < b.added ? -1 : 1));
  return shown;
}

const frameOf = (open: boolean) =>
  ({
    display: "block",
    color: "inherit",
    textDecoration: "none",
    p: 0.5,
    borderRadius: 1,
    border: `3px solid ${open ? colours.verdigris : "transparent"}`,
    background: open ? colours.tint : "transparent",
  }) as const;

const Thumb = memo(function Thumb({ photo, open }: { photo: PhotoOut; open: boolean }) {
  return (
    <Box
      ref={useInSight(open)}
      component={Link}
      to={`/photos/${photo.saved.id}`}
      aria-current={open ? "true" : undefined}
      sx={frameOf(open)}
    >
      <Box
        component="img"
        loading="lazy"
        src={photoAt(photo, "thumb")}
        alt=""
        sx={{ width: "100%", height: 104, objectFit: "cover", display: "block", borderRadius: "2px" }}
      />
      <Box sx={{ fontSize: "0.9rem", lineHeight: 1.3, pt: 0.25, overflowWrap: "anywhere" }}>{photo.photo.name}</Box>
      {photo.used_on.length > 0 && (
        <Box sx={{ fontSize: "0.8rem", color: colours.soft }}>
          on {photo.used_on.map((page) => page.name).join(", ")}
        </Box>
      )}
    </Box>
  );
});

function TemplateThumb({ template, open }: { template: TemplateOut; open: boolean }) {
  const { saved, query } = template;
  return (
    <Box component={Link} to={`/photos/${saved.id}`} aria-current={open ? "true" : undefined} sx={frameOf(open)}>
      <Box
        component="img"
        loading="lazy"
        src={pictureWith(saved.id, "thumb", query)}
        alt=""
        sx={{ width: "100%", height: 104, objectFit: "contain", display: "block", background: colours.faint }}
      />
      <Box sx={{ fontSize: "0.9rem", lineHeight: 1.3, pt: 0.25, overflowWrap: "anywhere" }}>
        {template.template.name}
      </Box>
    </Box>
  );
}

/** What an empty roll says: what to do first. */
function NoPhotos({ onAdd }: { onAdd: () => void }) {
  return (
    <Box sx={{ maxWidth: 620, mx: "auto", px: 3, py: 8 }}>
      <Typography variant="h1" gutterBottom>
        The photos of a story
      </Typography>
      <Typography sx={{ mb: 3 }}>
        Drop them anywhere here, or choose them: JPEG, PNG, WebP or HEIC, as many as you like. The files stay as
        they are; crop, look and size are notes beside them.
      </Typography>
      <Button variant="contained" onClick={onAdd}>
        Add photos
      </Button>
      <ComingIn />
    </Box>
  );
}
