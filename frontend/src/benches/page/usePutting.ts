/** Papers and photos put on what lies on the page, or on the page itself. */
import { useQueryClient } from "@tanstack/react-query";
import type { Recipe } from "../../api/pages";
import { photosQuery } from "../../api/photos";
import { putOn } from "../../api/recipe";
import { useUsual } from "../../api/usual";
import { useFrame } from "../../app/FrameContext";
import type { Carried } from "../../page/carrying";
import type { Spot } from "../../page/Drawing";
import { asLength, inches, NOTHING } from "../../page/scale";
import { begun, type Part, printOf } from "../../parts/kinds";
import type { What } from "./Cells";
import type { Add } from "./useAdd";
import type { useEdits } from "./useEdits";

export function usePutting(id: string, page: Recipe, edits: ReturnType<typeof useEdits>, add: Add) {
  const usual = useUsual();
  const queries = useQueryClient();
  const { say } = useFrame();

  /** Photos on the free page lie where they were let go, the first one under the hand. */
  async function lay(carried: string[], at: Spot["at"]): Promise<void> {
    const photos = await queries.ensureQueryData(photosQuery);
    const parts = carried.map((one, k) => {
      const photo = photos.find((found) => found.saved.id === one);
      const part = begun({ ...usual.photo, print: printOf(usual, photo) });
      return at && k === 0 ? { ...part, place: placeAt(page, at) } : part;
    });
    await add(parts.length > 1 ? `added ${parts.length} photos` : "added a photo", parts);
  }

  async function put(carried: Carried, { part, piece, at }: Spot): Promise<void> {
    const on = (edits.now().parts as Part[]).find((one) => one.id === part);
    if ("photos" in carried && (!on || on.kind === "base")) return lay(carried.photos, at);
    if (!on) {
      say("Choose on the page what it goes on, or drag it there.");
      return;
    }
    const then = edits.now();
    try {
      const body =
        "photos" in carried
          ? { photos: carried.photos }
          : { choice: { paper: carried.paper, side: carried.side, turned: false }, photos: [] };
      const put = await putOn({ page: then, id, part: on.id, piece, ...body });
      edits.editPart("photos" in carried ? "put photos in" : "put a paper on", put.part as Part, undefined, on);
      if (put.told) say(put.told);
    } catch (error) {
      say((error as Error).message);
    }
  }

  async function keepFor(part: string, spot: string, what: What): Promise<void> {
    const on = (edits.now().parts as Part[]).find((one) => one.id === part);
    try {
      const kept = await putOn({ page: edits.now(), id, part, piece: spot, what, photos: [] });
      edits.editPart("said what a cell is for", kept.part as Part, undefined, on);
    } catch (error) {
      say((error as Error).message);
    }
  }

  return { put, keepFor };
}

/** From the corner of the page that a point lies on. */
function placeAt(page: Recipe, at: { x: number; y: number }) {
  const width = inches(page.format.width);
  const right = page.format.pages === 2 && at.x > width;
  const x = Math.max(0, right ? at.x - width : at.x);
  return {
    on: right ? ("right" as const) : ("left" as const),
    across: { edge: "left" as const, by: x ? asLength(x) : NOTHING, of: null },
    down: { edge: "top" as const, by: at.y > 0 ? asLength(at.y) : NOTHING, of: null },
    stand: null,
    flush: false,
  };
}
