/** One piece as it lies before the person while it is finished: good side up, as on the page, with what is cut of it. */
import type { Schemas } from "../../api/client";
import { colours, daylight, figures, measureFont } from "../../app/theme";

export function PieceOnMat({ piece }: { piece: Schemas["OnMat"] }) {
  const { width, height, path, lines, number } = piece;
  const grain = Math.max(width, height) / 520;
  return (
    <svg
      viewBox={`${-12 * grain} ${-12 * grain} ${width + 24 * grain} ${height + 24 * grain}`}
      preserveAspectRatio="xMidYMin"
      style={{ ...daylight, width: "100%", height: "100%", display: "block" }}
      role="img"
      aria-label={`Piece ${number} on the mat`}
    >
      <rect width={width} height={height} fill={colours.paper} stroke={colours.ink} strokeWidth={2 * grain} />
      <path d={path} fill={colours.tint} fillOpacity={0.5} />
      <path
        d={lines}
        fill="none"
        stroke={colours.madder}
        strokeWidth={4.5 * grain}
        strokeDasharray={`${12 * grain} ${7 * grain}`}
      />
      <text
        x={10 * grain}
        y={34 * grain}
        fontSize={30 * grain}
        fontWeight={700}
        fontFamily={measureFont}
        fill={colours.ink}
        style={figures}
      >
        {number}
      </text>
    </svg>
  );
}
