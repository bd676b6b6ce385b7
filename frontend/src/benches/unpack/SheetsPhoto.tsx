/** Several sheets in one photograph: found, sized, named, laid flat and taken in at once. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { addSheetPicture, type Paper, sheetsIn, takeSheets } from "../../api/kits";
import { pictureAt } from "../../api/pictures";
import { useFrame } from "../../app/FrameContext";
import { colours } from "../../app/theme";
import { Asking } from "../../ui/Asking";
import { Choice } from "../../ui/Choice";
import { fieldStyle } from "../../ui/LengthField";
import { type Corner, Corners, Outline, START } from "./Corners";

interface Found {
  sheet: Schemas["SheetSeen"];
  name: string;
  taken: boolean;
}

/** Sizes that sheets come in; another one is said afterwards, at the paper. */
const SIZES = [
  "12 in × 12 in",
  "8 1/2 in × 11 in",
  "6 in × 12 in",
  "6 in × 8 in",
  "6 in × 6 in",
  "4 in × 6 in",
  "3 in × 4 in",
];

interface Props {
  file: File;
  onClose: () => void;
  onTake: (papers: Paper[]) => void;
}

export function SheetsPhoto({ file, onClose, onTake }: Props) {
  const [picture, setPicture] = useState<string | null>(null);
  const [found, setFound] = useState<Found[] | null>(null);
  const [busy, setBusy] = useState(false);
  const [at, setAt] = useState(0);
  const { say } = useFrame();

  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each file
  useEffect(() => {
    let gone = false;
    void (async () => {
      try {
        const { id } = await addSheetPicture(file);
        const sheets = await sheetsIn(id);
        if (gone) return;
        setPicture(id);
        setFound(sheets.map((sheet, k) => ({ sheet, name: `Sheet ${k + 1}`, taken: true })));
      } catch (error) {
        say((error as Error).message);
        onClose();
      }
    })();
    return () => {
      gone = true;
    };
  }, [file]);

  const taken = found?.filter((one) => one.taken) ?? [];
  const change = (k: number, to: Partial<Found>) =>
    setFound((all) => all?.map((one, n) => (n === k ? { ...one, ...to } : one)) ?? null);

  /** One that was not seen, to be marked by hand. */
  function mark(): void {
    const all = found ?? [];
    const sheet = { corners: START, width: "12 in", height: "12 in" } as Found["sheet"];
    setFound([...all, { sheet, name: `Sheet ${all.length + 1}`, taken: true }]);
    setAt(all.length);
  }

  async function take(): Promise<void> {
    if (!picture) return;
    setBusy(true);
    try {
      onTake(
        await takeSheets(
          picture,
          taken.map(({ sheet, name }) => ({ ...sheet, name: name.trim() || "Sheet" })),
        ),
      );
      onClose();
    } catch (error) {
      say((error as Error).message);
      setBusy(false);
    }
  }

  return (
    <Asking title="Sheets in the photograph" onClose={onClose}>
      {!found && <p role="status">Looking for the sheets …</p>}
      {found?.length === 0 && (
        <>
          <p>
            No sheet was found. Lay them apart on a ground that is plain and unlike them, look straight down, and
            try again; or mark the corners yourself.
          </p>
          <Button variant="contained" onClick={mark}>
            Mark a sheet
          </Button>
        </>
      )}
      {picture && found && found.length > 0 && (
        <Box sx={{ display: "grid", gap: 2, gridTemplateColumns: { xs: "1fr", md: "minmax(280px, 420px) 1fr" } }}>
          <Picture
            id={picture}
            found={found}
            at={at}
            onCorners={(corners) => {
              const one = found[at];
              if (one) change(at, { sheet: { ...one.sheet, corners } });
            }}
          />
          <Box sx={{ display: "grid", gap: 1, alignContent: "start" }}>
            <Box component="ol" aria-label="Sheets found" sx={{ m: 0, pl: 3, display: "grid", gap: 1 }}>
              {found.map((one, k) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a sheet is its place in the picture
                <Box component="li" key={k} onFocus={() => setAt(k)} onClick={() => setAt(k)}>
                  <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
                    <Box
                      component="input"
                      aria-label={`Name of sheet ${k + 1}`}
                      value={one.name}
                      onChange={(event: React.ChangeEvent<HTMLInputElement>) =>
                        change(k, { name: event.target.value })
                      }
                      sx={{ ...fieldStyle(), textAlign: "left", width: "16ch" }}
                    />
                    <Choice
                      label={`Size of sheet ${k + 1}`}
                      value={sizeOf(one.sheet)}
                      options={[...new Set([sizeOf(one.sheet), ...SIZES, ...SIZES.map(turned)])].map(
                        (size) => [size, size.replace(/ in/g, "")] as const,
                      )}
                      onChange={(size) => {
                        const [width = "12 in", height = "12 in"] = size.split(" × ");
                        change(k, { sheet: { ...one.sheet, width, height } });
                      }}
                    />
                    <label>
                      <input
                        type="checkbox"
                        checked={one.taken}
                        onChange={(event) => change(k, { taken: event.target.checked })}
                      />{" "}
                      take it
                    </label>
                  </Box>
                </Box>
              ))}
            </Box>
            <Box sx={{ color: colours.soft, fontSize: "0.9rem" }}>
              The corners of sheet {at + 1} can be moved, by hand or with the arrow keys.{" "}
              <Button size="small" onClick={mark}>
                Mark another sheet
              </Button>
            </Box>
            <Button variant="contained" disabled={busy || !taken.length} onClick={() => void take()}>
              {busy ? "Laying them flat …" : `Take ${taken.length} ${taken.length === 1 ? "sheet" : "sheets"} in`}
            </Button>
          </Box>
        </Box>
      )}
    </Asking>
  );
}

const sizeOf = (sheet: Schemas["SheetSeen"]) => `${sheet.width} × ${sheet.height}`;
const turned = (size: string) => size.split(" × ").reverse().join(" × ");

interface PictureProps {
  id: string;
  found: Found[];
  /** Whose corners can be moved. */
  at: number;
  onCorners: (corners: Corner[]) => void;
}

/** The photograph, with each sheet outlined and numbered. */
function Picture({ id, found, at, onCorners }: PictureProps) {
  return (
    <Box sx={{ position: "relative", alignSelf: "start" }}>
      <Box
        component="img"
        src={pictureAt(id, "view")}
        alt="The photograph of the sheets"
        sx={{ width: "100%", display: "block" }}
      />
      {found.map(({ sheet, taken }, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a sheet is its place in the picture
        <Outline key={k} corners={sheet.corners} filled={taken} />
      ))}
      {found.map(({ sheet }, k) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a sheet is its place in the picture
          key={k}
          sx={{
            position: "absolute",
            left: `${(sheet.corners[0]?.[0] ?? 0) * 100}%`,
            top: `${(sheet.corners[0]?.[1] ?? 0) * 100}%`,
            background: colours.verdigris,
            color: colours.on,
            fontWeight: 700,
            px: 0.75,
          }}
        >
          {k + 1}
        </Box>
      ))}
      {found[at] && <Corners corners={found[at].sheet.corners} of={`Sheet ${at + 1}`} onChange={onCorners} />}
    </Box>
  );
}
