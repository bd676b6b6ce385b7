/** Keeps the screen of a tablet on while one cuts, where the browser can. */
import { useEffect } from "react";

export function useWake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    async function hold(): Promise<void> {
      if (!("wakeLock" in navigator) || document.visibilityState !== "visible") return;
      try {
        lock = await navigator.wakeLock.request("screen");
        if (gone) void lock.release();
      } catch {
        // A low battery or a strict browser says no: the screen sleeps as it always does.
      }
    }
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
}
