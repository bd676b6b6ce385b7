/** A photographed sheet of stickers or die cuts: straightened, its things found, put right by hand, taken in. */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import { addSheetPicture, sheetsIn, type Thing } from "../../api/kits";
import { pictureAt } from "../../api/pictures";
import { correctThings, findThings, type ThingSeen, takeThings } from "../../api/things";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { useDoing } from "../../app/useDoing";
import { Sentence } from "../../parts/Sentence";
import { Asking } from "../../ui/Asking";
import { Choice } from "../../ui/Choice";
import { counted } from "../../ui/figures";
import { InlineText } from "../../ui/InlineText";
import { LengthField } from "../../ui/LengthField";
import { type Corner, Corners, Outline, START } from "./Corners";
import { THING_KINDS } from "./papers";

interface Props {
  file: File;
  /** What all of them have in common until it is said otherwise. */
  like: Thing;
  onClose: () => void;
  onTake: (things: Thing[]) => void;
}

interface Sheet {
  picture: string;
  across: number;
  down: number;
  width: string;
  height: string;
}

export function ThingsSheet({ file, like, onClose, onTake }: Props) {
  const [picture, setPicture] = useState<string | null>(null);
  const [corners, setCorners] = useState<Corner[]>(START);
  const [size, setSize] = useState({ width: "6 in", height: "8 in" });
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [found, setFound] = useState<ThingSeen[]>([]);
  const [marked, setMarked] = useState<readonly number[]>([]);
  const [kind, setKind] = useState<Thing["kind"]>(like.kind);
  const [name, setName] = useState("Sticker");
  const { busy, doing } = useDoing();
  const { say } = useFrame();

  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each file
  useEffect(() => {
    let gone = false;
    void (async () => {
      try {
        const { id } = await addSheetPicture(file);
        const [seen] = await sheetsIn(id);
        if (gone) return;
        setPicture(id);
        if (seen) {
          setCorners(seen.corners.map(([x = 0, y = 0]) => [x, y]));
          setSize({ width: seen.width, height: seen.height });
        }
      } catch (error) {
        say((error as Error).message);
        onClose();
      }
    })();
    return () => {
      gone = true;
    };
  }, [file]);

  const find = () =>
    doing(async () => {
      if (!picture) return;
      const answer = await findThings({ picture, corners, ...size });
      setSheet({ ...answer, ...size });
      setFound(answer.things);
      setMarked([]);
    });
  const correct = (what: "join" | "split") =>
    doing(async () => {
      const of = marked.flatMap((k) => found[k] ?? []);
      const put = await correctThings(what, of);
      setFound([...found.filter((_, k) => !marked.includes(k)), ...put]);
      setMarked([]);
    });
  const takeIn = () =>
    doing(async () => {
      if (!sheet) return;
      const { picture: flat, width, height } = sheet;
      const fixed = { ...like, kind, name: name.trim() || "Sticker", count: 1, length: null, note: "" };
      onTake(await takeThings({ picture: flat, width, height, seen: found, like: fixed }));
      onClose();
    });

  if (!sheet) {
    return (
      <Asking title="A sheet of things" onClose={onClose}>
        {!picture && <p role="status">Taking the photograph in …</p>}
        {picture && (
          <>
            <Box sx={{ position: "relative", touchAction: "none", lineHeight: 0, maxWidth: 460 }}>
              <img
                src={pictureAt(picture, "view")}
                alt="The photograph of the sheet"
                style={{ width: "100%", display: "block" }}
                draggable={false}
              />
              <Outline corners={corners} />
              <Corners corners={corners} onChange={setCorners} />
            </Box>
            <Sentence>
              Put a mark on each corner of the sheet, which is
              <LengthField
                label="Width of the sheet"
                value={size.width}
                onCommit={(width) => setSize({ ...size, width })}
              />
              ×
              <LengthField
                label="Height of the sheet"
                value={size.height}
                onCommit={(height) => setSize({ ...size, height })}
              />
              <Button variant="contained" disabled={busy} onClick={() => void find()}>
                {busy ? "Looking …" : "Find its things"}
              </Button>
            </Sentence>
          </>
        )}
      </Asking>
    );
  }
  return (
    <Asking
      title={found.length ? `${counted(found.length, "thing")} found` : "Nothing was found"}
      onClose={onClose}
    >
      {found.length === 0 && (
        <p>Nothing stands out from the ground. Photograph it on a plain ground that is unlike it, and try again.</p>
      )}
      <Box sx={{ display: "grid", gap: 2, gridTemplateColumns: { xs: "1fr", md: "minmax(280px, 440px) 1fr" } }}>
        <Box
          component="svg"
          role="group"
          aria-label="Things found on the sheet"
          viewBox={`0 0 ${sheet.across} ${sheet.down}`}
          sx={{ width: "100%", display: "block", background: colours.faint }}
        >
          <image href={pictureAt(sheet.picture, "view")} width={sheet.across} height={sheet.down} />
          {found.map((one, k) => (
            <path
              // biome-ignore lint/suspicious/noArrayIndexKey: a thing is its place on the sheet
              key={k}
              role="checkbox"
              aria-checked={marked.includes(k)}
              aria-label={`Thing ${k + 1}, ${one.width} × ${one.height}`}
              tabIndex={0}
              d={`M${one.outline.map(([x, y]) => `${x} ${y}`).join("L")}Z`}
              fill={marked.includes(k) ? colours.verdigris : "transparent"}
              fillOpacity={0.35}
              stroke={marked.includes(k) ? colours.verdigris : colours.madder}
              strokeWidth={sheet.across / 220}
              style={{ cursor: "pointer" }}
              onClick={() => setMarked(toggled(marked, k))}
              onKeyDown={(event) => {
                if (event.key !== " " && event.key !== "Enter") return;
                event.preventDefault();
                setMarked(toggled(marked, k));
              }}
            />
          ))}
        </Box>
        <Box sx={{ display: "grid", gap: 1, alignContent: "start" }}>
          <Sentence>Press on those that are not right.</Sentence>
          <Sentence>
            <Button size="small" disabled={busy || marked.length < 2} onClick={() => void correct("join")}>
              These are one
            </Button>
            <Button size="small" disabled={busy || !marked.length} onClick={() => void correct("split")}>
              Each is two
            </Button>
            <Button
              size="small"
              disabled={busy || !marked.length}
              onClick={() => {
                setFound(found.filter((_, k) => !marked.includes(k)));
                setMarked([]);
              }}
            >
              Leave them out
            </Button>
          </Sentence>
          <Sentence>
            all of them
            <Choice
              label="Kind of all of them"
              value={kind}
              options={THING_KINDS.map((one) => [one, one] as const)}
              onChange={setKind}
            />
            called
            <InlineText label="Name of all of them" value={name} width="14ch" onCommit={setName} />
          </Sentence>
          <Sentence>
            <Button variant="contained" disabled={busy || !found.length} onClick={() => void takeIn()}>
              {busy ? "Taking them in …" : `Take ${counted(found.length, "thing")} in`}
            </Button>
            <Button size="small" onClick={() => setSheet(null)}>
              Back to the corners
            </Button>
          </Sentence>
        </Box>
      </Box>
    </Asking>
  );
}

const toggled = (all: readonly number[], one: number) =>
  all.includes(one) ? all.filter((k) => k !== one) : [...all, one];
