/** What a bench tells the frame: the desk whose undo, redo and state of saving stand at the top. */
import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from "react";
import type { Saving } from "../api/desk";

export interface OnDesk {
  undo: string | null;
  redo: string | null;
  saving: Saving;
  problem: string | null;
  onUndo: () => void;
  onRedo: () => void;
  onTakeTheirs?: () => void;
  onKeepMine?: () => void;
}

interface Frame {
  desk: OnDesk | null;
  setDesk: (desk: OnDesk | null) => void;
  say: (message: string, action?: { name: string; run: () => void }) => void;
  said: Said | null;
  setSaid: (said: Said | null) => void;
}

export interface Said {
  message: string;
  action?: { name: string; run: () => void };
  key: number;
}

const Context = createContext<Frame | null>(null);

export function FrameProvider({ children }: { children: ReactNode }) {
  const [desk, setDesk] = useState<OnDesk | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const frame = useMemo(
    () => ({
      desk,
      setDesk,
      said,
      setSaid,
      say: (message: string, action?: Said["action"]) => setSaid({ message, action, key: Date.now() }),
    }),
    [desk, said],
  );
  return <Context.Provider value={frame}>{children}</Context.Provider>;
}

export function useFrame(): Frame {
  const frame = useContext(Context);
  if (!frame) throw new Error("no frame around this");
  return frame;
}

interface DeskLike {
  undo(): void;
  redo(): void;
  takeTheirs(): Promise<void>;
  keepMine(): Promise<void>;
}

/** Shows a desk in the frame for as long as the bench is open. */
export function useInFrame(
  desk: DeskLike | null,
  state: { undo: string | null; redo: string | null; saving: Saving; problem: string | null } | null,
): void {
  const { setDesk } = useFrame();
  const { undo = null, redo = null, saving = "saved", problem = null } = state ?? {};
  useEffect(() => {
    if (!desk) {
      setDesk(null);
      return;
    }
    setDesk({
      undo,
      redo,
      saving,
      problem,
      onUndo: () => desk.undo(),
      onRedo: () => desk.redo(),
      onTakeTheirs: () => void desk.takeTheirs(),
      onKeepMine: () => void desk.keepMine(),
    });
  }, [desk, undo, redo, saving, problem, setDesk]);
  useEffect(() => () => setDesk(null), [setDesk]);
}
