/** Where on the page it is that something was found of the chosen part. */
import type { Found } from "../../api/checks";
import { colours } from "../../app/theme";
import { box } from "../../page/scale";

export function FoundThere({ found, pixel }: { found: readonly Found[]; pixel: number }) {
  const places = new Map(
    found.flatMap(({ finding }) =>
      finding.severity === "note"
        ? []
        : finding.where.map((one) => [JSON.stringify(one), { one, finding }] as const),
    ),
  );
  return (
    <g pointerEvents="none">
      {[...places].map(([key, { one, finding }]) => (
        <rect
          key={key}
          {...box(one)}
          fill="none"
          stroke={finding.severity === "stop" ? colours.madder : colours.ochre}
          strokeWidth={2 * pixel}
          strokeDasharray={`${7 * pixel} ${5 * pixel}`}
        />
      ))}
    </g>
  );
}
