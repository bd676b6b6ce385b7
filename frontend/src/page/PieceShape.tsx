/** One piece on the drawing: paper with its pattern to scale, or a print with its picture cropped as chosen. */

import { createContext, memo, useContext, useId } from "react";
import type { Schemas } from "../api/client";
import { pictureWith } from "../api/pictures";
import { useThings } from "../api/things";
import { colours } from "../app/theme";
import { ThingMarkup } from "../ui/ThingPicture";
import { box, inches } from "./scale";

type Piece = Schemas["PieceOut"];

/** Photos that are no photos of the household, by their ids: the addresses of their pictures. */
export const OwnPictures = createContext<Readonly<Record<string, string>>>({});

interface Props {
  piece: Piece;
  /** The id of the pattern of this paper and side, if it is on the shelf. */
  pattern: string | null;
}

export const PieceShape = memo(function PieceShape(props: Props) {
  if (!props.piece.edge) return <PlainShape {...props} />;
  return (
    <>
      <PlainShape {...props} />
      <WorkedEdge piece={props.piece} edge={props.piece.edge} />
    </>
  );
});

/** What is seen of an upright rectangle, from the corner of the uncut piece. */
function outlineOf(piece: Piece): string {
  const rect = box(piece.rect);
  const uncut = box(piece.uncut);
  return `M${rect.x - uncut.x} ${rect.y - uncut.y}h${rect.width}v${rect.height}h${-rect.width}z`;
}

/** Ink rubbed on the edge fades inward; a pen draws a line inside it; what is roughened or sanded shows light fibres. */
function WorkedEdge({ piece, edge }: { piece: Piece; edge: NonNullable<Piece["edge"]> }) {
  const clip = `edge-${useId().replace(/\W/g, "")}`;
  const d = piece.path || outlineOf(piece);
  const rect = box(piece.rect);
  const uncut = box(piece.uncut);
  const by = inches(edge.inside);
  return (
    <g transform={laid(piece)} fill="none" pointerEvents="none">
      <clipPath id={clip}>
        <path d={d} clipRule="evenodd" />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        {edge.how === "inked" &&
          [0.26, 0.16, 0.08].map((wide) => (
            <path key={wide} d={d} stroke={edge.colour} strokeOpacity={0.32} strokeWidth={wide} />
          ))}
        {edge.how === "outlined" &&
          (piece.path ? (
            <path d={d} stroke={edge.colour} strokeWidth={0.05} />
          ) : (
            <rect
              x={rect.x - uncut.x + by}
              y={rect.y - uncut.y + by}
              width={Math.max(0, rect.width - 2 * by)}
              height={Math.max(0, rect.height - 2 * by)}
              stroke={edge.colour}
              strokeWidth={0.03}
            />
          ))}
        {(edge.how === "roughened" || edge.how === "sanded") && (
          <path
            d={d}
            stroke="#fffdf8"
            strokeOpacity={0.8}
            strokeWidth={0.09}
            strokeDasharray="0.05 0.03 0.11 0.02"
          />
        )}
        {edge.how === "curled" && <path d={d} stroke="#2a2218" strokeOpacity={0.18} strokeWidth={0.16} />}
      </g>
    </g>
  );
}

function PlainShape({ piece, pattern }: Props) {
  const rect = box(piece.rect);
  if (piece.role === "print") return <Print piece={piece} />;
  if (piece.role === "tape") return <rect {...rect} fill={piece.colour} fillOpacity={0.82} />;
  if (piece.role === "sticker") {
    return <path transform={laid(piece)} d={piece.path} fill={piece.colour} fillRule="evenodd" />;
  }
  if (piece.role === "thing") return <ThingShape piece={piece} />;
  if (piece.path || piece.angle || piece.pin) return <CutShape piece={piece} pattern={pattern} />;
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
}

/** The way from the corner of a piece as it was cut to where it lies. */
function laid(piece: Piece): string {
  const { x, y, width, height } = box(piece.uncut);
  return `translate(${x} ${y})${piece.angle ? ` rotate(${piece.angle} ${width / 2} ${height / 2})` : ""}`;
}

/** A thing as it looks, cut to what is seen of it; of one that is not chosen its outline. */
function ThingShape({ piece }: { piece: Piece }) {
  const thing = useThings().find((one) => one.thing.id === piece.thing);
  const clip = `thing-${useId().replace(/\W/g, "")}`;
  if (!thing) return <path transform={laid(piece)} d={piece.path} fill={piece.colour} />;
  const uncut = box(piece.uncut);
  const x = piece.thing_half === "right" ? thing.across - uncut.width : 0;
  const y = piece.thing_half === "bottom" ? thing.down - uncut.height : 0;
  return (
    <g transform={laid(piece)}>
      <clipPath id={clip}>
        <path d={piece.path} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <path d={piece.path} fill="transparent" />
        <g transform={`translate(${-x} ${-y})`}>
          <ThingMarkup thing={thing} colour={piece.colour} />
        </g>
      </g>
    </g>
  );
}

/** A piece that is no upright rectangle, or a card: what is seen of it, laid where it lies. */
function CutShape({ piece, pattern }: Props) {
  const own = useId().replace(/\W/g, "");
  const rect = box(piece.rect);
  const uncut = box(piece.uncut);
  const { width: w, height: h } = uncut;
  const d = piece.path || outlineOf(piece);
  if (!pattern) {
    return (
      <g transform={laid(piece)} fillRule="evenodd">
        <path d={d} fill={colours.faint} />
        <path d={d} fill="url(#not-chosen)" />
      </g>
    );
  }
  if (!piece.choice.turned && !piece.pin) {
    return <path transform={laid(piece)} d={d} fill={`url(#${pattern})`} fillRule="evenodd" />;
  }
  // The paper lies turned under what is seen of it, or with the card where it is printed.
  const clip = `cut-${own}`;
  const pin = piece.pin ? box(piece.pin) : null;
  return (
    <g transform={laid(piece)}>
      <clipPath id={clip}>
        <path d={d} clipRule="evenodd" />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        {pin ? (
          <g transform={`translate(${rect.x - uncut.x - pin.x} ${rect.y - uncut.y - pin.y})`}>
            <rect {...pin} fill={`url(#${pattern})`} />
          </g>
        ) : (
          <g transform={`translate(${w} 0) rotate(90)`}>
            <rect width={h} height={w} fill={`url(#${pattern})`} />
          </g>
        )}
      </g>
    </g>
  );
}

/** A print as a piece: clipped to what is seen of it, as where the gutter cuts it or a hole is punched. */
function Print({ piece }: { piece: Piece }) {
  const rect = box(piece.rect);
  const uncut = box(piece.uncut);
  const half = `half-${useId().replace(/\W/g, "")}`;
  const clip = { x: rect.x - uncut.x, y: rect.y - uncut.y, width: rect.width, height: rect.height };
  return (
    <g transform={laid(piece)}>
      <clipPath id={half}>{piece.path ? <path d={piece.path} clipRule="evenodd" /> : <rect {...clip} />}</clipPath>
      <g clipPath={`url(#${half})`}>
        <PrintShape name={piece.name} picture={piece.picture} width={uncut.width} height={uncut.height} id={half} />
      </g>
    </g>
  );
}

interface PrintProps {
  name: string;
  picture: Schemas["Picture"] | null;
  width: number;
  height: number;
  id: string;
}

/** White paper in its shape with the picture in its window, from its own corner, in inches. */
export function PrintShape({ name, picture, width, height, id }: PrintProps) {
  const own = useContext(OwnPictures)[picture?.photo ?? ""];
  const seen = picture ? box(picture.window) : { x: 0, y: 0, width, height };
  const crop = picture?.crop;
  const shown = picture?.photo && crop && seen.width > 0 && seen.height > 0;
  return (
    <>
      {picture?.outline ? (
        <path d={picture.outline} fill="#fff" />
      ) : (
        <rect width={width} height={height} fill="#fff" />
      )}
      {picture?.inner && (
        <clipPath id={`${id}-inner`}>
          <path d={picture.inner} />
        </clipPath>
      )}
      <g clipPath={picture?.inner ? `url(#${id}-inner)` : undefined}>
        {shown ? (
          <svg {...seen} viewBox={`${crop.x} ${crop.y} ${crop.width} ${crop.height}`} preserveAspectRatio="none">
            <title>{name}</title>
            <image
              href={own ?? pictureWith(picture.photo ?? "", "view", picture.query)}
              width={1}
              height={1}
              preserveAspectRatio="none"
            />
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
