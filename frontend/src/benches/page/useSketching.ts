/** A page as a sketch to be kept; what is chosen as the fixed part of drafts. */
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { keepSketch, sketchesQuery, sketchOfPage } from "../../api/drafts";
import type { Recipe } from "../../api/pages";
import { useFrame } from "../../app/FrameContext";

export function useSketching(id: string, page: Recipe, fixed: readonly string[]) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { say } = useFrame();

  async function keep(): Promise<void> {
    try {
      await keepSketch(await sketchOfPage(page, id));
      await queries.invalidateQueries({ queryKey: sketchesQuery.queryKey });
      say("The arrangement is among your sketches", { name: "Sketches", run: () => navigate("/page/sketches") });
    } catch (error) {
      say((error as Error).message);
    }
  }

  const draftRound = () => navigate("/page/drafts", { state: { page, id, fixed: [...fixed] } });
  return { keep, draftRound };
}
