/** One photo: its print size and rim, its crop, its focal point, how sharp it prints. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { useState } from "react";
import { type PhotoOut, type PhotoRecord, photoSource, useDesk } from "../../api/documents";
import { useInFrame } from "../../app/FrameContext";
import { colours, words } from "../../app/theme";
import { usePutAway } from "../../app/usePutAway";
import { PrintSizeFields } from "../../parts/PrintFields";
import { Icon } from "../../ui/Icon";
import { aName, InlineText } from "../../ui/InlineText";
import { CropFrame } from "./CropFrame";

const SHARPNESS = {
  good: "good: sharp at reading distance",
  fine: "fine",
  soft: "soft: better a size smaller",
  "too few": "too few: it would look blurred; print it smaller",
} as const;

export function PhotoBench({ answer }: { answer: PhotoOut }) {
  const [desk, state] = useDesk("photo", answer, photoSource);
  useInFrame(desk, state);
  const putAway = usePutAway();
  const [spotting, setSpotting] = useState(false);
  const photo = state.body;
  const { crop, ppi, word } = state.answer;
  const id = answer.saved.id;

  const edit = (what: string, change: Partial<PhotoRecord>, group?: string) =>
    desk.edit(what, { ...desk.getState().body, ...change }, group);
  const frame = (what: string, change: Partial<PhotoRecord["framing"]>, group?: string) =>
    edit(what, { framing: { ...desk.getState().body.framing, ...change } }, group);

  return (
    <Box
      sx={{ display: "flex", flexDirection: "column", minHeight: 0, minWidth: 0, p: 2, gap: 1, overflow: "auto" }}
    >
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, flexWrap: "wrap" }}>
        <Box component="h1" sx={{ m: 0, ...words, fontSize: "1.35rem", fontWeight: 600, flex: "1 1 220px" }}>
          <InlineText
            label="Name of the photo"
            value={photo.name}
            width="100%"
            check={aName}
            onCommit={(name) => edit("named a photo", { name: name.trim() })}
          />
        </Box>
        <Box sx={{ color: colours.soft }}>
          {photo.taken && `${new Date(photo.taken).toLocaleDateString(undefined, { dateStyle: "long" })} · `}
          {photo.width} × {photo.height} pixels
        </Box>
        <Button
          size="small"
          color="error"
          onClick={() => putAway("photo", photo.name, desk.getState().answer.saved)}
        >
          Put away
        </Button>
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 3, rowGap: 0.5 }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
          Print
          <PrintSizeFields
            print={photo.print}
            label="Print"
            onChange={(what, print, group) => edit(what, { print: { ...photo.print, ...print } }, group)}
          />
        </Box>
        {crop && word && (
          <Box data-sharpness sx={{ color: word === "too few" ? colours.madder : colours.ink }}>
            <b>{ppi}</b> pixels per inch, {SHARPNESS[word]}
            {crop.lost > 0.005 && `; ${Math.round(crop.lost * 100)} % of the picture is cut away`}
          </Box>
        )}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2 }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, width: 280 }}>
          Closer
          <Slider
            aria-label="Closer"
            size="small"
            min={1}
            max={5}
            step={0.01}
            value={photo.framing.zoom}
            onChange={(_, zoom) => frame("cropped closer", { zoom: zoom as number }, "zoom")}
          />
        </Box>
        <Button
          size="small"
          variant={spotting ? "contained" : "text"}
          startIcon={<Icon name="spot" size={18} />}
          aria-pressed={spotting}
          onClick={() => setSpotting(!spotting)}
        >
          {spotting ? "Press on what must stay in" : "Set the focal point"}
        </Button>
        {photo.framing.focal_x !== null && (
          <Button size="small" onClick={() => frame("took the focal point away", { focal_x: null, focal_y: null })}>
            No focal point
          </Button>
        )}
        <Button
          size="small"
          onClick={() => frame("took the crop back", { x: 0.5, y: 0.5, zoom: 1 })}
          disabled={photo.framing.zoom === 1 && photo.framing.x === 0.5 && photo.framing.y === 0.5}
        >
          As much as fits
        </Button>
      </Box>
      <CropFrame
        id={id}
        name={photo.name}
        pixels={[photo.width, photo.height]}
        framing={photo.framing}
        crop={crop}
        settled={state.saving === "saved"}
        spotting={spotting}
        onSpot={(x, y) => {
          frame("set the focal point", { focal_x: x, focal_y: y });
          setSpotting(false);
        }}
        onMove={(x, y) => frame("moved the crop", { x, y }, "crop")}
        onZoom={(zoom) => frame("cropped closer", { zoom }, "zoom")}
      />
    </Box>
  );
}
