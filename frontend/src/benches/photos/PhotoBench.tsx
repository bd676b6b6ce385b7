/** One photo: its print size, shape and rim, its crop and what must stay in, how it looks, how sharp it prints. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { useState } from "react";
import { Link } from "react-router";
import { merged } from "../../api/merge";
import { type PhotoOut, type PhotoRecord, photoSource } from "../../api/photos";
import { pictureAt } from "../../api/pictures";
import { useDesk } from "../../api/useDesk";
import { useInFrame } from "../../app/FrameContext";
import { colours, narrow } from "../../app/theme";
import { CropFrame, MOST_ZOOM } from "../../page/CropFrame";
import { PrintSizeFields } from "../../parts/PrintFields";
import { Sharpness } from "../../parts/Sharpness";
import { Choice } from "../../ui/Choice";
import { Icon } from "../../ui/Icon";
import { IconAction } from "../../ui/IconAction";
import { InlineText } from "../../ui/InlineText";
import { cutTo } from "../../ui/letters";
import { PictureHead } from "./PictureHead";
import { PrintThis } from "./PrintThis";
import { SizeFinder } from "./SizeFinder";

type Look = PhotoRecord["look"];
const AS_IT_CAME: Look = { turn: 0, straighten: 0, black_and_white: false, lighten: 0 };

export function PhotoBench({ answer }: { answer: PhotoOut }) {
  const [desk, state] = useDesk("photo", answer, photoSource);
  useInFrame(desk, state);
  const [marking, setMarking] = useState<"spot" | "face" | null>(null);
  const [finding, setFinding] = useState(false);
  const photo = state.body;
  const { crop, pixels, look: lookKey } = state.answer;
  const id = answer.saved.id;

  const edit = (what: string, change: Partial<PhotoRecord>, group?: string) =>
    desk.edit(what, { ...desk.getState().body, ...change }, group);
  const frame = (what: string, change: Partial<PhotoRecord["framing"]>, group?: string) =>
    edit(what, { framing: { ...desk.getState().body.framing, ...change } }, group);
  const mark = (kind: "spot" | "face") => setMarking(marking === kind ? null : kind);

  return (
    <Box
      sx={{
        display: "flex",
        flexDirection: "column",
        minHeight: 0,
        minWidth: 0,
        p: 2,
        pt: 1.25,
        gap: 0.75,
        overflow: "auto",
      }}
    >
      <PictureHead
        kind="photo"
        name={photo.name}
        onName={(name) => edit("named a photo", { name })}
        saved={() => desk.getState().answer.saved}
      >
        <Choice
          label="What it is"
          value={photo.kind}
          options={[
            ["photo", "a photo"],
            ["card", "a card or label"],
          ]}
          onChange={(kind) => edit(kind === "card" ? "called it a card" : "called it a photo", { kind })}
        />
      </PictureHead>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          columnGap: 2,
          color: colours.soft,
          fontSize: "0.92rem",
          alignItems: "baseline",
        }}
      >
        <span>
          {photo.taken && `${new Date(photo.taken).toLocaleDateString(undefined, { dateStyle: "long" })} · `}
          {photo.width} × {photo.height} pixels
        </span>
        <InlineText
          label="Caption"
          value={photo.caption}
          width="26ch"
          placeholder="a caption"
          onCommit={(caption) => edit("wrote a caption", { caption: cutTo(caption.trim(), 2000) })}
        />
        {answer.used_on.length > 0 && (
          <span>
            on{" "}
            {answer.used_on.map((page, k) => (
              <span key={page.id}>
                {k > 0 && ", "}
                <Link to={`/page/${page.id}`}>{page.name}</Link>
              </span>
            ))}
          </span>
        )}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5, rowGap: 0.25 }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
          Print
          <PrintSizeFields
            print={photo.print}
            label="Print"
            onChange={(what, print, group, asked) => {
              const now = desk.getState().body.print;
              edit(what, { print: { ...now, ...(asked ? merged(asked, print, now) : print) } }, group);
            }}
          />
        </Box>
        <Button size="small" aria-expanded={finding} onClick={() => setFinding(!finding)}>
          What size should it be?
        </Button>
        <PrintThis id={id} print={photo.print} name={photo.name} />
      </Box>
      {finding && (
        <SizeFinder
          id={id}
          onTake={(width, height) =>
            edit("took a print’s size", { print: { ...desk.getState().body.print, width, height } })
          }
        />
      )}
      <Sharpness {...state.answer} />
      <Box sx={{ display: "contents", [narrow]: { display: "block", order: 2 } }}>
        <CropTools framing={photo.framing} marking={marking} onMark={mark} onFrame={frame} />
        <LookFields look={photo.look} onChange={(what, look, group) => edit(what, { look }, group)} />
      </Box>
      <Box sx={{ flex: 1, display: "flex", minHeight: 240, [narrow]: { order: 1, minHeight: 380 } }}>
        <CropFrame
          src={pictureAt(id, "view", lookKey)}
          name={photo.name}
          pixels={[pixels.width, pixels.height]}
          framing={photo.framing}
          crop={crop}
          outline={state.answer.outline}
          settled={state.saving === "saved"}
          marking={marking}
          onSpot={(x, y) => {
            frame("set the focal point", { focal_x: x, focal_y: y });
            setMarking(null);
          }}
          onFaces={(what, faces, group) => frame(what, { faces }, group)}
          onFrame={(what, held, group) => frame(what, held, group)}
        />
      </Box>
    </Box>
  );
}

function Named({ name, wide, children }: { name: string; wide: number; children: React.ReactNode }) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, width: wide, mr: 0.5 }}>
      <span>{name}</span>
      {children}
    </Box>
  );
}

interface LookProps {
  look: Look;
  onChange: (what: string, look: Look, group?: string) => void;
}

/** Notes on how it is to look; the file stays as it is. */
function LookFields({ look, onChange }: LookProps) {
  const turned = (by: number) => onChange("turned a photo", { ...look, turn: (look.turn + by + 4) % 4 });
  const plain = JSON.stringify(look) === JSON.stringify(AS_IT_CAME);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5 }}>
      <Box sx={{ display: "flex" }}>
        <IconAction small icon="turnLeft" name="Turn it left" onClick={() => turned(-1)} />
        <IconAction small icon="turnRight" name="Turn it right" onClick={() => turned(1)} />
      </Box>
      <Named name="Straighten" wide={230}>
        <Slider
          aria-label="Straighten"
          size="small"
          min={-15}
          max={15}
          step={0.25}
          track={false}
          marks={[{ value: 0 }]}
          valueLabelDisplay="auto"
          valueLabelFormat={(value) => `${value}°`}
          value={look.straighten}
          onChange={(_, value) =>
            onChange("straightened a photo", { ...look, straighten: value as number }, "straighten")
          }
        />
      </Named>
      <Named name="Lighter" wide={190}>
        <Slider
          aria-label="Lighter"
          size="small"
          min={-100}
          max={100}
          step={5}
          track={false}
          marks={[{ value: 0 }]}
          value={look.lighten}
          onChange={(_, value) => onChange("lightened a photo", { ...look, lighten: value as number }, "lighten")}
        />
      </Named>
      <Button
        size="small"
        aria-pressed={look.black_and_white}
        variant={look.black_and_white ? "contained" : "text"}
        onClick={() =>
          onChange(look.black_and_white ? "gave it its colours back" : "made it black and white", {
            ...look,
            black_and_white: !look.black_and_white,
          })
        }
      >
        Black and white
      </Button>
      <Button size="small" disabled={plain} onClick={() => onChange("took the look back", AS_IT_CAME)}>
        As the camera took it
      </Button>
    </Box>
  );
}

type Framing = PhotoRecord["framing"];

interface CropToolsProps {
  framing: Framing;
  marking: "spot" | "face" | null;
  onMark: (what: "spot" | "face") => void;
  onFrame: (what: string, change: Partial<Framing>, group?: string) => void;
}

/** How close the crop is, and what must stay in it. */
function CropTools({ framing, marking, onMark, onFrame }: CropToolsProps) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5 }}>
      <Named name="Closer" wide={190}>
        <Slider
          aria-label="Closer"
          size="small"
          min={1}
          max={MOST_ZOOM}
          step={0.01}
          value={Math.min(MOST_ZOOM, framing.zoom)}
          onChange={(_, zoom) => onFrame("cropped closer", { zoom: zoom as number }, "zoom")}
        />
      </Named>
      <Button
        size="small"
        variant={marking === "spot" ? "contained" : "text"}
        startIcon={<Icon name="spot" size={18} />}
        aria-pressed={marking === "spot"}
        onClick={() => onMark("spot")}
      >
        {marking === "spot" ? "Press on what must stay in" : "Set the focal point"}
      </Button>
      {framing.focal_x !== null && (
        <Button size="small" onClick={() => onFrame("took the focal point away", { focal_x: null, focal_y: null })}>
          No focal point
        </Button>
      )}
      <Button
        size="small"
        variant={marking === "face" ? "contained" : "text"}
        startIcon={<Icon name="face" size={18} />}
        aria-pressed={marking === "face"}
        onClick={() => onMark("face")}
      >
        {marking === "face" ? "Press on each face; done" : "Mark faces"}
      </Button>
      <Button
        size="small"
        onClick={() => onFrame("took the crop back", { x: 0.5, y: 0.5, zoom: 1 })}
        disabled={framing.zoom === 1 && framing.x === 0.5 && framing.y === 0.5}
      >
        As much as fits
      </Button>
    </Box>
  );
}
