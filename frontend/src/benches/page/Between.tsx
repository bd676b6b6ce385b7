/** Measuring: any two things pressed on give their distance, drawn and in one sentence. */

import { useState } from "react";
import type { Schemas } from "../../api/client";
import type { Recipe } from "../../api/pages";
import { between } from "../../api/recipe";
import { colours } from "../../app/theme";
import { Figure } from "../../page/Drawing";
import { inches } from "../../page/scale";

type Distance = Schemas["Distance"];
const NONE: Distance[] = [];

export function useMeasuring(id: string, page: Recipe) {
  const [measuring, setMeasuring] = useState(false);
  const [first, setFirst] = useState<string | null>(null);
  const [second, setSecond] = useState<readonly string[]>([]);
  const [measured, setMeasured] = useState<Schemas["Measured"] | null>(null);

  function clear(): void {
    setFirst(null);
    setSecond([]);
    setMeasured(null);
  }

  async function point(part: string): Promise<void> {
    if (!first || second.length) {
      clear();
      setFirst(part);
      return;
    }
    if (part === first) return;
    setSecond([part]);
    try {
      setMeasured(await between({ page, id, first, second: part }));
    } catch {
      clear(); // one of them cannot be made: there is nothing to measure from
    }
  }

  return {
    measuring,
    first,
    second,
    lines: measured?.lines ?? NONE,
    says: measured?.says ?? null,
    point: (part: string) => void point(part),
    toggle: () => {
      clear();
      setMeasuring(!measuring);
    },
  };
}

export function Between({ lines, pixel }: { lines: readonly Distance[]; pixel: number }) {
  return (
    <g style={{ pointerEvents: "none" }}>
      {lines.map((line) => {
        const [x1, y1, x2, y2] = [inches(line.x1), inches(line.y1), inches(line.x2), inches(line.y2)];
        return (
          <g key={line.of} data-between={line.of}>
            <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="#fff" strokeWidth={5 * pixel} />
            <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke={colours.verdigris} strokeWidth={2.4 * pixel} />
            <Figure x={(x1 + x2) / 2} y={(y1 + y2) / 2} says={line.says} pixel={pixel} />
          </g>
        );
      })}
    </g>
  );
}
