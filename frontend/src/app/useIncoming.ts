/** Photos that come in are shown at once, whatever bench is open. */
import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { incoming } from "../api/incoming";
import { type PhotoOut, photosQuery } from "../api/photos";
import { useTold } from "../ui/useTold";

const TOGETHER_MS = 250;

export function useIncoming(): void {
  const queries = useQueryClient();
  const { state } = useTold(incoming);
  useEffect(() => {
    let came: PhotoOut[] = [];
    let timer: ReturnType<typeof setTimeout> | undefined;
    function show(): void {
      timer = undefined;
      const fresh = new Map(came.map((photo) => [photo.saved.id, photo]));
      came = [];
      queries.setQueryData(photosQuery.queryKey, (all) => {
        const others = (all ?? []).filter((photo) => !fresh.has(photo.saved.id));
        return [...others, ...fresh.values()].sort(byDate);
      });
    }
    incoming.onCame = ({ photo }) => {
      came.push(photo);
      timer ??= setTimeout(show, TOGETHER_MS);
    };
    return () => clearTimeout(timer);
  }, [queries]);
  useEffect(() => {
    if (state === "ended") void queries.invalidateQueries({ queryKey: ["photos"] });
  }, [state, queries]);
}

function byDate(a: PhotoOut, b: PhotoOut): number {
  const [one, other] = [a.photo.taken ?? "9", b.photo.taken ?? "9"];
  return one < other ? -1 : one > other ? 1 : 0;
}
