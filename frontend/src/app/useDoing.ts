/** A deed at a time: whether one is under way, and what went wrong with it, said where everything is said. */
import { useState } from "react";
import { useFrame } from "./FrameContext";

export function useDoing(): { busy: boolean; doing: (deed: () => Promise<void>) => Promise<void> } {
  const [busy, setBusy] = useState(false);
  const { say } = useFrame();

  async function doing(deed: () => Promise<void>): Promise<void> {
    setBusy(true);
    try {
      await deed();
    } catch (error) {
      say((error as Error).message);
    }
    setBusy(false);
  }

  return { busy, doing };
}
