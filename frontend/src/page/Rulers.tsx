/** The rulers at the upper and left edge of the drawing, with zero at the left or in the middle. */
import { colours, measureFont } from "../app/theme";
import type { View } from "./useView";

interface Props {
  width: number;
  height: number;
  unit: "in" | "mm";
  zero: "left" | "centre";
  /** What is seen of the page: the rulers stay at its edges. */
  view: View;
}

export function Rulers({ width, height, view, ...way }: Props) {
  const { pixel, depth } = view;
  return (
    <g style={{ pointerEvents: "none" }} aria-hidden>
      <g transform={`translate(0 ${view.y + depth})`}>
        <Ruler length={width} pixel={pixel} depth={depth} {...way} />
      </g>
      <g transform={`translate(${view.x + depth} 0)`}>
        <Ruler length={height} pixel={pixel} depth={depth} {...way} upright />
      </g>
    </g>
  );
}

type RulerProps = Omit<Props, "width" | "height" | "view"> & {
  length: number;
  pixel: number;
  depth: number;
  upright?: boolean;
};

/** Marks in eighths or quarters of an inch, or in millimetres or half centimetres, as fine as the screen shows. */
function Ruler({ length, unit, zero, pixel, depth, upright }: RulerProps) {
  const step = unit === "in" ? 1 : 1 / 2.54;
  const parts = unit === "in" ? (pixel < 0.006 ? 16 : pixel < 0.012 ? 8 : 4) : pixel < 0.012 ? 10 : 2;
  const origin = zero === "centre" ? length / 2 : 0;
  const first = Math.ceil((-origin / step) * parts - 1e-9);
  const last = Math.floor(((length - origin) / step) * parts + 1e-9);
  const marks = Array.from({ length: last - first + 1 }, (_, n) => ({
    k: first + n,
    at: origin + ((first + n) * step) / parts,
  }));
  // Every second figure where they would touch.
  const numbered = parts * (pixel > (unit === "mm" ? 0.02 : 0.05) ? 2 : 1);
  const edge = -3 * pixel;
  const size = 11 * pixel;
  const tick = (at: number, long: number) =>
    upright ? `M${edge} ${at}H${edge - long}` : `M${at} ${edge}V${edge - long}`;
  return (
    <g>
      <rect
        x={upright ? -depth : 0}
        y={upright ? 0 : -depth}
        width={upright ? depth + edge : length}
        height={upright ? length : depth + edge}
        fill={colours.paper}
      />
      {marks.map(({ at, k }) => (
        <path
          key={k}
          d={tick(at, depth * (k % parts === 0 ? 0.45 : k % (parts / 2) === 0 ? 0.3 : 0.18))}
          stroke={k === 0 ? colours.verdigris : colours.soft}
          strokeWidth={(k % parts === 0 ? 1.3 : 0.8) * pixel}
        />
      ))}
      {marks
        .filter(({ at, k }) => k % numbered === 0 && at < length - 12 * pixel)
        .map(({ at, k }) => (
          <text
            key={k}
            x={upright ? -depth + 2 * pixel : at + 3 * pixel}
            y={upright ? at + size : -depth + size}
            fontSize={size}
            fontFamily={measureFont}
            fill={colours.soft}
          >
            {Math.abs(k / parts)}
          </text>
        ))}
    </g>
  );
}
