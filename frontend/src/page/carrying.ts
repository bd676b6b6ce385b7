/** What is carried from the shelf onto the page. */
import type { DragEvent } from "react";

export type Carried = { paper: string; side: "A" | "B" } | { photos: string[] };

const KIND = "application/x-ulna";

export function begin(event: DragEvent, carried: Carried): void {
  event.dataTransfer.effectAllowed = "copy";
  event.dataTransfer.setData(KIND, JSON.stringify(carried));
}

export const isCarried = (event: DragEvent): boolean => event.dataTransfer.types.includes(KIND);

export function carriedIn(event: DragEvent): Carried | null {
  try {
    return JSON.parse(event.dataTransfer.getData(KIND)) as Carried;
  } catch {
    return null;
  }
}
