/** Keeps what is open in sight in its list or strip. */
import { type RefObject, useEffect, useRef } from "react";

export function useInSight<E extends HTMLElement>(open: boolean): RefObject<E | null> {
  const element = useRef<E>(null);
  useEffect(() => {
    if (open) element.current?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [open]);
  return element;
}
