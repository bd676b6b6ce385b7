/** Of a long list only what is near sight is drawn: so many around where one begins, more as one comes to either end. */
import Box from "@mui/material/Box";
import { type ReactNode, useEffect, useRef, useState } from "react";

interface Some<T> {
  some: T[];
  /** Stand before and after what is drawn: seen, they bring more. */
  before: ReactNode;
  after: ReactNode;
}

/**
 * @param at the entry that is to be among them, from 0
 * @param step how many fill more than a screen, an even number
 */
export function useSome<T>(all: readonly T[], at = 0, step = 60): Some<T> {
  const begin = () => ({ from: Math.max(0, even(at) - step / 2), to: Math.max(0, even(at)) + step });
  const [span, setSpan] = useState(begin);
  const near = at >= span.from && at < span.to + 5 * step;
  if (at >= span.to && near) setSpan({ ...span, to: at + step });
  else if (at >= 0 && !near) setSpan(begin);
  const from = Math.min(span.from, even(Math.max(0, all.length - step)));
  return {
    some: all.slice(from, span.to),
    before: from > 0 && (
      <Edge key={`from ${from}`} onSeen={() => setSpan({ ...span, from: Math.max(0, from - step) })} />
    ),
    after: span.to < all.length && (
      <Edge key={`to ${span.to}`} onSeen={() => setSpan({ ...span, to: span.to + step })} />
    ),
  };
}

/** So that what comes before it keeps its columns. */
const even = (n: number) => n - (n % 2);

function Edge({ onSeen }: { onSeen: () => void }) {
  const element = useRef<HTMLElement>(null);
  const seen = useRef(onSeen);
  seen.current = onSeen;
  useEffect(() => {
    const watch = new IntersectionObserver(([entry]) => entry?.isIntersecting && seen.current(), {
      rootMargin: "600px",
    });
    if (element.current) watch.observe(element.current);
    return () => watch.disconnect();
  }, []);
  return <Box ref={element} component="span" aria-hidden sx={{ display: "block", minWidth: 2, minHeight: 2 }} />;
}
