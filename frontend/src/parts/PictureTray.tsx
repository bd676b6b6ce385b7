/** Pictures to choose from as they look, with a word to find them by. */
import Box from "@mui/material/Box";
import { type ReactNode, useState } from "react";
import type { Picture } from "../api/photos";
import { colours } from "../app/theme";
import { SearchField } from "../ui/SearchField";
import { isCalled, wordsOf } from "../ui/search";
import { useSome } from "../ui/useSome";

interface Props {
  pictures: readonly Picture[];
  /** What else is to be known of one. */
  about?: (id: string) => ReactNode;
  chosen: readonly string[];
  onChoose: (id: string) => void;
}

/** So many lie in sight at once: more want a word to look for. */
const FEW = 24;

export function PictureTray({ pictures, about, chosen, onChoose }: Props) {
  const [typed, setTyped] = useState("");
  const found = pictures.filter(({ name }) => isCalled(typed, wordsOf(name)));
  const { some, after } = useSome(found);
  return (
    <>
      {pictures.length > FEW && (
        <SearchField label="Look for a photo" placeholder="its name …" value={typed} onChange={setTyped} />
      )}
      {!found.length && pictures.length > 0 && (
        <Box sx={{ color: colours.soft, py: 1 }}>No photo goes by that word.</Box>
      )}
      <Box sx={{ display: "grid", gap: 1.5, gridTemplateColumns: "repeat(auto-fill, minmax(120px, 1fr))", pt: 1 }}>
        {some.map((one) => (
          <OnTray
            key={one.id}
            one={one}
            place={chosen.indexOf(one.id)}
            about={about?.(one.id)}
            onChoose={onChoose}
          />
        ))}
        {after}
      </Box>
    </>
  );
}

interface OneProps {
  one: Picture;
  /** Which of those chosen, from 0; −1 where it is not. */
  place: number;
  about: ReactNode;
  onChoose: (id: string) => void;
}

function OnTray({ one, place, about, onChoose }: OneProps) {
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={place >= 0}
      onClick={() => onChoose(one.id)}
      sx={{
        font: "inherit",
        fontSize: "0.92rem",
        lineHeight: 1.3,
        color: "inherit",
        textAlign: "left",
        alignSelf: "start",
        p: 0.5,
        border: `3px solid ${place >= 0 ? colours.verdigris : "transparent"}`,
        borderRadius: 1,
        background: place >= 0 ? colours.tint : "transparent",
        cursor: "pointer",
        overflowWrap: "anywhere",
      }}
    >
      <Box
        component="img"
        src={one.thumb}
        alt=""
        loading="lazy"
        sx={{ width: "100%", height: 100, objectFit: "cover", display: "block", mb: 0.5 }}
      />
      {place >= 0 && `${place + 1} · `}
      {one.name}
      {about}
    </Box>
  );
}
