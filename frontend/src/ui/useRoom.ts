/** How wide an element is, followed as it changes. */
import { type RefObject, useEffect, useRef, useState } from "react";

export function useRoom<E extends HTMLElement>(begins: number): [RefObject<E | null>, number] {
  const outer = useRef<E>(null);
  const [room, setRoom] = useState(begins);
  useEffect(() => {
    const element = outer.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setRoom(element.clientWidth));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [outer, room];
}
