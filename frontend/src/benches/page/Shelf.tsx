/**
 * What one works with, within reach beside the page: papers by both sides with what is left of them, and photos. Dragged
 * onto the page, or put on with a press or Enter what is chosen there.
 */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import type { Schemas } from "../../api/client";
import { byPile, type ShelfPaper, shelfQuery, useShelf } from "../../api/kits";
import { type PhotoOut, usePhotos } from "../../api/photos";
import { pictureAt } from "../../api/pictures";
import { colours, narrow, words } from "../../app/theme";
import { begin, type Carried } from "../../page/carrying";
import { Choice } from "../../ui/Choice";
import { IconAction } from "../../ui/IconAction";
import { SearchField } from "../../ui/SearchField";
import { Swatch } from "../../ui/Swatch";
import { isCalled, wordsOf } from "../../ui/search";
import { unseen } from "../../ui/unseen";
import { useSome } from "../../ui/useSome";

interface Props {
  id: string;
  /** What is chosen on the page, in a word; nothing where nothing is. */
  onto: string | null;
  onPut: (carried: Carried) => void;
  onClose: () => void;
}

const ALL = "all";
const ROOM = { width: 78, height: 58 } as const;

export function Shelf({ id, onto, onPut, onClose }: Props) {
  const [typed, setTyped] = useState("");
  const [kit, setKit] = useState(ALL);
  const [taken, setTaken] = useState<readonly string[]>([]);
  const asked = useDeferredValue(typed);
  const shelf = useShelf();
  const photos = usePhotos();
  const { data: there = [] } = useQuery(shelfQuery(id));
  const kits = [...new Set(shelf.map((one) => one.kit))];
  const about = new Map(there.map((one) => [one.paper, one]));
  const papers = byPile(
    shelf.filter(
      ({ paper, kit: of }) =>
        (kit === ALL || kit === of) && isCalled(asked, [...(about.get(paper.id)?.words ?? []), ...wordsOf(of)]),
    ),
  );
  const shown = photos.filter(({ photo }) => isCalled(asked, wordsOf(photo.name)));
  const { some: here, after: furtherPapers } = useSome(papers);
  const { some, after } = useSome(shown);
  const several = taken.length > 1;

  function take(photo: string, more: boolean): void {
    if (!more) onPut({ photos: [photo] });
    else setTaken(taken.includes(photo) ? taken.filter((one) => one !== photo) : [...taken, photo]);
  }

  return (
    <Box component="section" aria-label="Shelf" sx={COLUMN}>
      <Box sx={{ p: 1, display: "grid", gap: 0.75, position: "relative" }}>
        <Box sx={{ display: "none", [narrow]: { display: "block", justifySelf: "end" } }}>
          <IconAction icon="right" name="Close the shelf" onClick={onClose} />
        </Box>
        <SearchField
          label="Look for a paper or photo"
          placeholder="name, colour, dots …"
          value={typed}
          onChange={setTyped}
        />
        {kits.length > 1 && (
          <Choice
            wide
            label="Which kit"
            value={kit}
            options={[[ALL, "every kit"], ...kits.map((name) => [name, name] as const)]}
            onChange={setKit}
          />
        )}
        <Box sx={{ fontSize: "0.82rem", color: colours.soft }}>
          {onto ? `Press puts it on ${onto}; or drag it.` : "Drag onto the page, or choose there what it goes on."}
        </Box>
      </Box>
      <Box sx={{ overflow: "auto", flex: 1, px: 1, pb: 1 }}>
        <Box component="h2" sx={HEADING}>
          Papers
        </Box>
        {!papers.length && <Nothing any={shelf.length > 0} what="paper" />}
        <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
          {here.map((one) => (
            <PaperOnShelf key={one.paper.id} one={one} about={about.get(one.paper.id)} onPut={onPut} />
          ))}
          {furtherPapers}
        </Box>
        <Box component="h2" sx={HEADING}>
          Photos
        </Box>
        {several && (
          <Button size="small" variant="contained" onClick={() => onPut({ photos: [...taken] })} sx={{ mb: 1 }}>
            Put {taken.length} on {onto ?? "the page"}
          </Button>
        )}
        {!shown.length && <Nothing any={photos.length > 0} what="photo" />}
        <Box sx={{ display: "grid", gap: 1, gridTemplateColumns: "repeat(auto-fill, minmax(92px, 1fr))" }}>
          {some.map((photo) => (
            <PhotoOnShelf
              key={photo.saved.id}
              photo={photo}
              place={taken.indexOf(photo.saved.id)}
              among={taken}
              onTake={take}
            />
          ))}
          {after}
        </Box>
      </Box>
    </Box>
  );
}

interface PaperProps {
  one: ShelfPaper;
  about: Schemas["OnShelf"] | undefined;
  onPut: (carried: Carried) => void;
}

function PaperOnShelf({ one: { paper, tiles }, about, onPut }: PaperProps) {
  const same = JSON.stringify(paper.a) === JSON.stringify(paper.b);
  const sides = paper.up === "B" ? (["B", "A"] as const) : (["A", "B"] as const);
  return (
    <Box component="li" sx={{ py: 0.75, borderBottom: `1px solid ${colours.faint}` }}>
      <Box sx={{ display: "flex", gap: 0.75 }}>
        {(same ? sides.slice(0, 1) : sides).map((side) => (
          <Box
            key={side}
            component="button"
            type="button"
            draggable
            aria-label={`${paper.name}, side ${side}${about?.left ? "" : ", none left whole"}`}
            onDragStart={(event: React.DragEvent) => begin(event, { paper: paper.id, side })}
            onClick={() => onPut({ paper: paper.id, side })}
            sx={{ ...PRESSED, opacity: about && !about.left && !about.scraps ? 0.45 : 1 }}
          >
            <Swatch tile={side === "A" ? tiles?.a : tiles?.b} {...ROOM} inches={4} />
          </Box>
        ))}
      </Box>
      <Box sx={{ fontSize: "0.86rem", lineHeight: 1.35, overflowWrap: "anywhere" }}>
        <b>{paper.name}</b> {about && <span>{left(about)}</span>}
        {paper.pile !== "not sorted" && <Box sx={{ color: colours.soft }}>{paper.pile}</Box>}
      </Box>
    </Box>
  );
}

function left({ left: whole, scraps }: Schemas["OnShelf"]): string {
  const found = [whole ? `${whole} whole` : ""];
  if (scraps) found.push(scraps === 1 ? "1 scrap" : `${scraps} scraps`);
  return found.filter(Boolean).join(", ") || "none left";
}

interface PhotoProps {
  photo: PhotoOut;
  /** Which of several that are taken together, from 0; −1 where it is not. */
  place: number;
  among: readonly string[];
  onTake: (photo: string, more: boolean) => void;
}

function PhotoOnShelf({ photo: { saved, photo, look, used_on }, place, among, onTake }: PhotoProps) {
  const number = place >= 0 ? `${place + 1} · ` : "";
  const carried = place >= 0 ? [...among] : [saved.id];
  return (
    <Box sx={{ position: "relative" }}>
      <Box
        component="button"
        type="button"
        draggable
        aria-pressed={place >= 0}
        onDragStart={(event: React.DragEvent) => begin(event, { photos: carried })}
        onClick={(event: React.MouseEvent) => onTake(saved.id, event.shiftKey || event.ctrlKey || event.metaKey)}
        sx={{
          ...PRESSED,
          width: "100%",
          textAlign: "left",
          fontSize: "0.82rem",
          lineHeight: 1.25,
          color: colours.ink,
        }}
      >
        <Box
          component="img"
          src={pictureAt(saved.id, "thumb", look)}
          alt=""
          loading="lazy"
          draggable={false}
          sx={{
            width: "100%",
            height: 66,
            objectFit: "cover",
            display: "block",
            outline: place >= 0 ? `3px solid ${colours.verdigris}` : "none",
          }}
        />
        {number}
        {photo.name}
        {used_on.length > 0 && (
          <Box sx={{ color: colours.soft }}>
            on a page
            <Box component="span" sx={unseen}>
              : {used_on.map((page) => page.name).join(", ")}
            </Box>
          </Box>
        )}
      </Box>
      <Box
        component="input"
        type="checkbox"
        aria-label={`Take ${photo.name} with others`}
        checked={place >= 0}
        onChange={() => onTake(saved.id, true)}
        sx={{
          position: "absolute",
          right: 2,
          top: 2,
          width: 20,
          height: 20,
          accentColor: colours.verdigris,
          "@media (pointer: coarse)": { width: 32, height: 32 },
        }}
      />
    </Box>
  );
}

function Nothing({ any, what }: { any: boolean; what: string }) {
  return (
    <Box sx={{ color: colours.soft, fontSize: "0.88rem", py: 0.5 }}>
      {any ? `No ${what} goes by that word.` : `No ${what} is here yet.`}
    </Box>
  );
}

const COLUMN = {
  display: "flex",
  flexDirection: "column",
  minHeight: 0,
  background: colours.paper,
  borderLeft: `1px solid ${colours.line}`,
  [narrow]: {
    position: "fixed",
    right: 0,
    top: 0,
    bottom: 0,
    width: "min(250px, 62vw)",
    zIndex: 6,
    boxShadow: "-4px 0 18px rgba(40, 30, 15, 0.3)",
  },
} as const;

const HEADING = { ...words, fontSize: "1.05rem", fontWeight: 600, m: 0, py: 0.75 } as const;

const PRESSED = { font: "inherit", border: 0, p: 0, background: "none", cursor: "grab" } as const;
