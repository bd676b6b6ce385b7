/** By which light one works: as the system has it, or as one said on this device. */
import { useSyncExternalStore } from "react";
import type { Light } from "./theme";

export type Said = Light | "system";

const KEPT = "ulna-light";
const evening = window.matchMedia("(prefers-color-scheme: dark)");
const listeners = new Set<() => void>();

export function lightSaid(): Said {
  const kept = localStorage.getItem(KEPT);
  return kept === "day" || kept === "evening" ? kept : "system";
}

export function sayLight(said: Said): void {
  if (said === "system") localStorage.removeItem(KEPT);
  else localStorage.setItem(KEPT, said);
  for (const tell of listeners) tell();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  evening.addEventListener("change", listener);
  return () => {
    listeners.delete(listener);
    evening.removeEventListener("change", listener);
  };
}

export function useLight(): Light {
  return useSyncExternalStore(subscribe, () => {
    const said = lightSaid();
    return said === "system" ? (evening.matches ? "evening" : "day") : said;
  });
}
