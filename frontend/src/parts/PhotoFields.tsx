import Button from "@mui/material/Button";
import type { Evaluated } from "../api/recipe";
import { fill, movePart } from "../api/recipe";
import { asLength, box, inches } from "../page/scale";
import type { PartProps, PhotoPart } from "./kinds";
import { MatList } from "./MatList";
import { usePageHere } from "./PageHere";
import { PrintFields } from "./PrintFields";
import { PlaceOf } from "./values";

export function PhotoFields({ part, pages, onChange }: PartProps<PhotoPart>) {
  const here = usePageHere();
  const { line, window } = cutOf(here?.evaluated, part.id, pages);

  /** As large as a page or the spread: its sizes are worked out by the server. */
  async function cover(on: "left" | "right" | "spread"): Promise<void> {
    if (!here) return;
    const body = { page: here.page, part: part.id, on };
    const filled = await fill(body).catch(() => null);
    const what = `made a photo as large as the ${on === "spread" ? "spread" : "page"}`;
    if (filled) onChange(what, filled.part as PhotoPart, undefined, part);
  }

  /** The line moves over the picture when the photo moves over the gutter, the other way. */
  async function moveLine(by: number): Promise<void> {
    const lies = here?.evaluated?.parts.find((p) => p.id === part.id)?.box;
    if (!here || !lies) return;
    const x = asLength(inches(lies.x) - by * window);
    const body = { page: here.page, id: here.id, part: part.id, x };
    const moved = await movePart(body).catch(() => null);
    if (moved) onChange("moved the cut on a photo", moved.part as PhotoPart, "line", part);
  }

  return (
    <>
      <PrintFields
        print={part.print}
        label="Photo"
        onChange={(what, print, group, asked) =>
          onChange(what, { ...part, print }, group, asked && { ...part, print: asked })
        }
        line={line}
        onLine={(by) => void moveLine(by)}
      >
        {pages === 2 && (
          <Button size="small" onClick={() => void cover("spread")}>
            As the whole spread
          </Button>
        )}
        <Button size="small" onClick={() => void cover(part.place.on === "right" ? "right" : "left")}>
          As the whole page
        </Button>
      </PrintFields>
      <MatList
        part={part.id}
        mats={part.mats}
        onChange={(what, mats, group) => onChange(what, { ...part, mats }, group)}
      />
      <PlaceOf of={{ part, pages, onChange }} />
    </>
  );
}

/** Where the gutter cuts the picture of a part, as a share of it, and how wide the picture is in inches. */
function cutOf(page: Evaluated | undefined, part: string, pages: number): { line: number | null; window: number } {
  const piece = page?.pieces.find((p) => p.part === part && p.role === "print");
  if (!page || !piece?.picture) return { line: null, window: 1 };
  const window = box(piece.picture.window);
  if (pages !== 2 || piece.half === null) return { line: null, window: window.width };
  const at = inches(page.format.width) - inches(piece.uncut.x) - window.x;
  return { line: at / window.width, window: window.width };
}
