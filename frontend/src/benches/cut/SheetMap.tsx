/** A sheet as it lies on the trimmer: its paper, numbered pieces, rests, and the cuts. */
import { useId } from "react";
import type { Schemas } from "../../api/client";
import type { CutStep } from "../../api/cutting";
import { colours, daylight, figures, measureFont } from "../../app/theme";
import { type Box, box, inches } from "../../page/scale";
import { unbroken } from "../../ui/figures";
import { TilePattern } from "../../ui/Swatch";

type Sheet = Schemas["CutSheet"];

interface Props {
  sheet: Sheet;
  sizes: Record<string, string>;
  restSizes?: string[];
  tile: Schemas["Tile"] | undefined;
  ticked: ReadonlySet<string>;
  /** The cut that is to be made next, drawn strongly. */
  next?: string | null;
  small?: boolean;
  /** The step that is being made: only its part lies on the trimmer, with the figure to set. */
  now?: CutStep;
  /** Where each step cuts, as a path in inches, by its key. */
  lines: Record<string, string>;
}

export function SheetMap({ sheet, sizes, restSizes, tile, ticked, next, small, now, lines }: Props) {
  const id = useId();
  const width = inches(sheet.width);
  const height = inches(sheet.height);
  const grain = Math.max(width, height) / (small ? 90 : 520);
  // What is made of what falls off another piece has no place of its own on the sheet.
  const whole = sheet.pieces.filter((piece) => !piece.of);
  return (
    <svg
      viewBox={`${-3 * grain} ${-3 * grain} ${width + 6 * grain} ${height + 6 * grain}`}
      preserveAspectRatio="xMidYMin"
      style={{ ...daylight, width: "100%", height: "100%", display: "block" }}
      role={small ? undefined : "img"}
      aria-hidden={small}
      aria-label={small ? undefined : `Map of the sheet, ${sheet.pieces.length} pieces`}
    >
      <defs>
        {tile && <TilePattern id={id} tile={tile} />}
        <pattern
          id={`${id}-rest`}
          patternUnits="userSpaceOnUse"
          width={9 * grain}
          height={9 * grain}
          patternTransform="rotate(45)"
        >
          <rect width={1.2 * grain} height={9 * grain} fill={colours.ochre} opacity={0.55} />
        </pattern>
      </defs>
      <rect width={width} height={height} fill={tile ? `url(#${id})` : "#fff"} />
      <rect width={width} height={height} fill="#fffdf8" opacity={0.62} />
      {sheet.holes.map((hole) => (
        <Hole key={`${hole.x} ${hole.y}`} hole={hole} />
      ))}
      {sheet.rests.map((rest) => (
        <rect key={rest.name} {...box(rest.at)} fill={`url(#${id}-rest)`} />
      ))}
      <Beside sheet={sheet} />
      {sheet.strip && <Strip sheet={sheet} />}
      {whole.map((piece) => {
        const rect = box(piece.rect);
        const done = sheet.steps.some((step) => step.gives.includes(piece.number) && ticked.has(step.key));
        return (
          <g key={piece.number}>
            <rect
              {...rect}
              fill={done ? colours.tint : "#fffdf8"}
              fillOpacity={done ? 0.92 : 0.55}
              stroke={colours.ink}
              strokeWidth={1.2 * grain}
            />
            {piece.panel && (
              <rect
                {...box(piece.panel)}
                fill="#fffdf8"
                fillOpacity={0.5}
                stroke={colours.madder}
                strokeWidth={1.2 * grain}
                strokeDasharray={`${5 * grain} ${3 * grain}`}
              />
            )}
          </g>
        );
      })}
      {!small &&
        sheet.steps.map((step) => (
          <Cut
            key={step.key}
            line={lines[step.key] ?? ""}
            byHand={step.kind !== "cut"}
            grain={grain}
            faint={ticked.has(step.key) || (now !== undefined && step.key !== next)}
            next={step.key === next}
          />
        ))}
      <rect width={width} height={height} fill="none" stroke={colours.ink} strokeWidth={2 * grain} />
      {now && <Aside sheet={sheet} of={box(now.of)} grain={grain} />}
      {!small &&
        sheet.rests.map((rest, k) => (
          <RestSize
            key={rest.name}
            rest={rest.at}
            size={[rest.name, restSizes?.[k]].filter(Boolean).join(" · ")}
            grain={grain}
          />
        ))}
      {whole.map((piece) => (
        <Label key={piece.number} piece={piece} size={sizes[piece.number] ?? ""} grain={grain} small={small} />
      ))}
    </svg>
  );
}

/** What does not lie on the trimmer is put aside: the part in hand stands out. */
function Aside({ sheet, of, grain }: { sheet: Sheet; of: Box; grain: number }) {
  const [w, h] = [inches(sheet.width), inches(sheet.height)];
  const hole = `M${of.x} ${of.y}v${of.height}h${of.width}v${-of.height}Z`;
  return (
    <g>
      <path d={`M0 0H${w}V${h}H0Z${hole}`} fill={colours.ground} fillOpacity={0.82} />
      <rect {...of} fill="none" stroke={colours.ink} strokeWidth={3 * grain} />
    </g>
  );
}

/** What is cut out of the sheet already: the table is seen through it. */
function Hole({ hole }: { hole: Sheet["holes"][number] }) {
  return <path d={path(hole.outline)} fill={colours.ground} stroke={colours.line} strokeWidth={0.02} />;
}

/** What a scrap that is no rectangle has not: the table is seen beside it. */
function Beside({ sheet }: { sheet: Sheet }) {
  if (!sheet.inside) return null;
  const [w, h] = [inches(sheet.width), inches(sheet.height)];
  return (
    <svg width={w} height={h} viewBox={`0 0 ${w} ${h}`} role="presentation">
      <path
        d={`M0 0H${w}V${h}H0Z${path(sheet.inside.outline)}`}
        fillRule="evenodd"
        fill="var(--table)"
        stroke={colours.line}
        strokeWidth={0.02}
      />
    </svg>
  );
}

const path = (outline: Sheet["holes"][number]["outline"]) =>
  `M${outline.map((corner) => corner.join(" ")).join("L")}Z`;

function Strip({ sheet }: { sheet: Sheet }) {
  if (!sheet.strip) return null;
  const { edge, depth } = sheet.strip;
  const [w, h, d] = [inches(sheet.width), inches(sheet.height), inches(depth)];
  const rect = {
    left: { x: 0, y: 0, width: d, height: h },
    top: { x: 0, y: 0, width: w, height: d },
    right: { x: w - d, y: 0, width: d, height: h },
    bottom: { x: 0, y: h - d, width: w, height: d },
  }[edge];
  return <rect {...rect} fill={colours.ink} opacity={0.28} />;
}

interface CutProps {
  line: string;
  /** By knife, punch or scissors: a broken line. */
  byHand: boolean;
  grain: number;
  faint: boolean;
  next: boolean;
}

function Cut({ line, byHand, grain, faint, next }: CutProps) {
  if (!line) return null;
  return (
    <path
      d={line}
      fill="none"
      stroke={colours.madder}
      strokeOpacity={faint ? 0.35 : 1}
      strokeWidth={(next ? 4.5 : 1.6) * grain}
      strokeDasharray={byHand ? `${6 * grain} ${4 * grain}` : undefined}
    />
  );
}

/** The size of a rest, where there is room for it. */
function RestSize({ rest, size, grain }: { rest: Schemas["Rect"]; size: string; grain: number }) {
  const { x, y, width, height } = box(rest);
  if (width < size.length * 7.5 * grain || height < 22 * grain) return null;
  return (
    <text
      x={x + width / 2}
      y={y + height / 2 + 5 * grain}
      fontSize={14 * grain}
      fontFamily={measureFont}
      fontWeight={700}
      textAnchor="middle"
      fill={colours.ochre}
      stroke="#fffdf8"
      strokeWidth={4 * grain}
      paintOrder="stroke"
      style={figures}
    >
      {unbroken(size)}
    </text>
  );
}

function Label({
  piece,
  size,
  grain,
  small,
}: {
  piece: Schemas["CutPiece"];
  size: string;
  grain: number;
  small?: boolean;
}) {
  const rect = box(piece.rect);
  const rim = piece.panel ? inches(piece.panel.x) - rect.x : 0;
  const big = Math.min(
    26 * grain,
    piece.panel ? Math.max(rim * 0.8, (small ? 14 : 9) * grain) : rect.height * 0.5,
    rect.width * 0.7,
  );
  // A frame has room for its number in the rim only.
  const x = piece.panel ? rect.x + Math.max(rim, big) / 2 : rect.x + rect.width / 2;
  const y = piece.panel ? rect.y + big * 0.9 : rect.y + rect.height / 2 + big * 0.2;
  const roomy = !small && !piece.panel && rect.width > size.length * 7.5 * grain && rect.height > 56 * grain;
  return (
    <g fontFamily={measureFont} textAnchor="middle" fill={colours.ink} style={figures}>
      <text
        x={x}
        y={y}
        fontSize={big}
        fontWeight={700}
        stroke="#fffdf8"
        strokeWidth={4 * grain}
        paintOrder="stroke"
      >
        {piece.number}
      </text>
      {roomy && (
        <text
          x={x}
          y={y + 19 * grain}
          fontSize={14 * grain}
          stroke="#fffdf8"
          strokeWidth={4 * grain}
          paintOrder="stroke"
        >
          {unbroken(size)}
        </text>
      )}
    </g>
  );
}
