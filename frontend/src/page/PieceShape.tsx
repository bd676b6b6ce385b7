/** One piece on the drawing: paper with its pattern to scale, or a print with its picture cropped as chosen. */
import { memo } from "react";
import type { Schemas } from "../api/client";
import { colours } from "../app/theme";
import { box, inches } from "./scale";

type Piece = Schemas["PieceOut"];

interface Props {
  piece: Piece;
  /** The id of the pattern of this paper and side, if it is on the shelf. */
  pattern: string | null;
}

export const PieceShape = memo(function PieceShape({ piece, pattern }: Props) {
  const rect = box(piece.rect);
  if (piece.role === "print") return <Print piece={piece} />;
  if (!pattern) {
    return (
      <>
        <rect {...rect} fill={colours.faint} />
        <rect {...rect} fill="url(#not-chosen)" />
      </>
    );
  }
  // The pattern begins at the uncut piece's corner, so that the two halves of a piece run on.
  const uncut = box(piece.uncut);
  const dx = rect.x - uncut.x;
  const dy = rect.y - uncut.y;
  if (piece.choice.turned) {
    return (
      <g transform={`translate(${uncut.x + uncut.width} ${uncut.y}) rotate(90)`}>
        <rect
          x={dy}
          y={uncut.width - dx - rect.width}
          width={rect.height}
          height={rect.width}
          fill={`url(#${pattern})`}
        />
      </g>
    );
  }
  return (
    <g transform={`translate(${uncut.x} ${uncut.y})`}>
      <rect x={dx} y={dy} width={rect.width} height={rect.height} fill={`url(#${pattern})`} />
    </g>
  );
});

function Print({ piece }: { piece: Piece }) {
  const rect = box(piece.rect);
  const uncut = box(piece.uncut);
  const shown = piece.picture;
  const rim = shown ? inches(shown.rim) : 0;
  const seen = { x: uncut.x + rim, y: uncut.y + rim, width: uncut.width - 2 * rim, height: uncut.height - 2 * rim };
  const crop = shown?.crop;
  const half = `half-${piece.id.replace(/\W/g, "_")}`;
  return (
    <>
      <rect {...rect} fill="#fff" />
      <clipPath id={half}>
        <rect {...rect} />
      </clipPath>
      <g clipPath={`url(#${half})`}>
        {shown?.photo && crop ? (
          <svg {...seen} viewBox={`${crop.x} ${crop.y} ${crop.width} ${crop.height}`} preserveAspectRatio="none">
            <title>{piece.name}</title>
            <image href={`/api/pictures/${shown.photo}/view`} width={1} height={1} preserveAspectRatio="none" />
          </svg>
        ) : (
          <Empty {...seen} />
        )}
      </g>
    </>
  );
}

/** The place of a photo that is not chosen yet. */
function Empty(seen: { x: number; y: number; width: number; height: number }) {
  const { x, y, width, height } = seen;
  if (width <= 0 || height <= 0) return null;
  return (
    <>
      <rect {...seen} fill="#e3dccb" />
      <path
        d={`M${x} ${y + height * 0.82}l${width * 0.33} ${-height * 0.3}l${width * 0.22} ${height * 0.16}l${width * 0.2} ${-height * 0.24}l${width * 0.25} ${height * 0.28}V${y + height}H${x}Z`}
        fill="#c9bfa8"
      />
      <circle cx={x + width * 0.72} cy={y + height * 0.28} r={Math.min(width, height) * 0.09} fill="#c9bfa8" />
    </>
  );
}
