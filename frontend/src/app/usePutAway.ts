/** Putting something away with a line at the foot that brings it back. */
import { useQueryClient } from "@tanstack/react-query";
import { bringBack, type Kind, putAway } from "../api/history";
import { useFrame } from "./FrameContext";

export function usePutAway(): (kind: Kind, name: string, saved: { id: string; version: number }) => void {
  const queries = useQueryClient();
  const { say } = useFrame();

  async function told(act: Promise<unknown>): Promise<void> {
    try {
      await act;
    } catch (error) {
      say((error as Error).message);
    }
    await queries.invalidateQueries();
  }

  return (kind, name, saved) =>
    void told(
      putAway(kind, saved.id, saved.version).then((away) =>
        say(`${name} is put away`, {
          name: "Bring back",
          run: () => void told(bringBack(kind, away.id, away.version)),
        }),
      ),
    );
}
