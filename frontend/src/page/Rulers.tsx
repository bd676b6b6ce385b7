/** The rulers at the upper and left edge of the drawing, with zero at the left or in the middle. */
import { colours, measureFont } from "../app/theme";

interface Props {
  width: number;
  height: number;
  unit: "in" | "mm";
  zero: "left" | "centre";
  /** Inches to a pixel of the screen. */
  pixel: number;
  depth: number;
}

export function Rulers({ width, height, unit, zero, pixel, depth }: Props) {
  return (
    <g style={{ pointerEvents: "none" }} aria-hidden>
      <Ruler length={width} unit={unit} zero={zero} pixel={pixel} depth={depth} />
      <g transform="rotate(90) scale(1 -1)">
        <Ruler length={height} unit={unit} zero={zero} pixel={pixel} depth={depth} upright />
      </g>
    </g>
  );
}

function Ruler({
  length,
  unit,
  zero,
  pixel,
  depth,
  upright,
}: Omit<Props, "width" | "height"> & { length: number; upright?: boolean }) {
  const step = unit === "in" ? 1 : 1 / 2.54;
  const parts = unit === "in" ? (pixel < 0.012 ? 8 : 4) : pixel < 0.02 ? 10 : 2;
  const origin = zero === "centre" ? length / 2 : 0;
  const marks: { at: number; k: number }[] = [];
  const first = Math.ceil((-origin / step) * parts - 1e-9);
  for (let k = first; origin + (k * step) / parts <= length + 1e-9; k++)
    marks.push({ at: origin + (k * step) / parts, k });
  const every = unit === "mm" && pixel > 0.016 ? 2 : 1;
  const size = 11 * pixel;
  return (
    <g transform={`translate(0 ${-depth})`}>
      <rect x={0} y={0} width={length} height={depth - 3 * pixel} fill={colours.paper} />
      {marks.map(({ at, k }) => {
        const whole = k % parts === 0;
        const tall = whole ? 0.5 : k % (parts / 2) === 0 ? 0.34 : 0.2;
        const bottom = depth - 3 * pixel;
        return (
          <path
            key={k}
            d={`M${at} ${bottom}V${bottom - tall * depth}`}
            stroke={k === 0 ? colours.verdigris : colours.soft}
            strokeWidth={(whole ? 1.2 : 0.8) * pixel}
          />
        );
      })}
      {marks
        .filter(({ k }) => k % (parts * every) === 0)
        .map(({ at, k }) => (
          <text
            key={k}
            transform={
              upright
                ? `translate(${at - 3 * pixel} ${size * 0.95}) scale(-1 1) rotate(0)`
                : `translate(${at + 3 * pixel} ${size * 0.95})`
            }
            fontSize={size}
            fontFamily={measureFont}
            fill={colours.soft}
            textAnchor={upright ? "start" : "start"}
          >
            {Math.abs(k / parts)}
          </text>
        ))}
    </g>
  );
}
