/**
 * The page to scale: papers look like papers, photos are the photos; parts are chosen, dragged and nudged here. Its one
 * component is long because all of that is one drawing in one coordinate system.
 */
import {
  type CSSProperties,
  type KeyboardEvent,
  memo,
  type ReactNode,
  type Ref,
  useImperativeHandle,
  useMemo,
  useRef,
  useState,
} from "react";
import type { Schemas } from "../api/client";
import type { ShelfPaper } from "../api/kits";
import type { Evaluated } from "../api/recipe";
import { familyOf } from "../api/words";
import { colours, daylight, figures, measureFont } from "../app/theme";
import { arrow } from "../ui/arrows";
import { unbroken } from "../ui/figures";
import { TilePattern } from "../ui/Swatch";
import { type Carried, carriedIn, isCarried } from "./carrying";
import { sideAt } from "./inView";
import { HandleToMove, ZoomButtons } from "./Nearer";
import { PieceShape } from "./PieceShape";
import { Rulers } from "./Rulers";
import { type Box, box, inches, pointOn } from "./scale";
import { useGestures } from "./useGestures";
import { usePressing } from "./usePressing";
import { useView, type Zoom } from "./useView";

/** Where something is put: on a part, on a piece of it, or free on a page. */
export interface Spot {
  part: string | null;
  piece: string | null;
  at: { x: number; y: number } | null;
}

export interface Overlay {
  /** The part that is moved, and those that go along with it. */
  part: string;
  along: readonly string[];
  /** How far they have been moved from where they were worked out, in inches. */
  shift: { x: number; y: number };
  across: Schemas["Guide"] | null;
  down: Schemas["Guide"] | null;
  distances: Schemas["Distance"][];
}

interface Props {
  page: Evaluated;
  shelf: ShelfPaper[];
  chosen: string | null;
  /** Chosen besides it. */
  also: readonly string[];
  onChoose: (part: string | null, more?: boolean) => void;
  unit: "in" | "mm";
  zero: "left" | "centre";
  overlay: Overlay | null;
  onDrag: (part: string, corner: { x: number; y: number }, start: Box) => void;
  onDrop: () => void;
  onNudge: (part: string, marks: [number, number]) => void;
  /** A measured line between two things, and the handles of what is chosen. */
  children?: (pixel: number) => ReactNode;
  /** Parts are only pointed at: nothing is dragged. */
  pointing?: boolean;
  /** Carried here from the shelf. */
  onPut: (carried: Carried, spot: Spot) => void;
  /** The chosen part was pressed once more, there on the page. */
  onPress: (part: string, at: { x: number; y: number }, anchor: { left: number; top: number }) => void;
  /** For keys elsewhere: closer, further. */
  zoom?: Ref<(how: Zoom) => void>;
}

export function Drawing(props: Props) {
  const { page, shelf, chosen, onChoose, overlay } = props;
  const frame = useRef<HTMLDivElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [over, setOver] = useState<string | null>(null);
  const width = inches(page.format.width) * page.format.pages;
  const height = inches(page.format.height);
  const seen = useView(frame, width, height);
  const { view } = seen;
  const { pixel } = view;
  const press = usePressing(svg, seen, chosen, { ...props, pointing: props.pointing ?? false });
  useGestures(svg, seen, press.holds);
  useImperativeHandle(props.zoom, () => seen.zoom);
  const patterns = usePatterns(page, shelf);
  const groups = useMemo(() => byPart(page), [page]);

  function onKeyDown(event: KeyboardEvent<SVGGElement>, part: string): void {
    const far = event.shiftKey ? 8 : 1;
    const step = arrow(event.key);
    if (step && !event.altKey && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      props.onNudge(part, [step[0] * far, step[1] * far]);
    } else if (event.key === "Enter" || event.key === " ") {
      event.preventDefault();
      onChoose(part, event.shiftKey);
    }
  }

  return (
    <>
      <div
        ref={frame}
        style={{
          position: "absolute",
          inset: "0 36px 0 0",
          overflow: "hidden",
          display: "grid",
          placeContent: "center",
        }}
      >
        <svg
          ref={svg}
          role="group"
          aria-label="The page at scale"
          data-in-view={view.zoomed ? sideAt(view.x + view.width / 2, width, page.format.pages) : undefined}
          viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
          width={view.width / pixel}
          height={view.height / pixel}
          style={{ display: "block", touchAction: view.zoomed ? "none" : "pan-x pan-y" }}
          onPointerDown={(event) => press.onDown(event, null)}
          onPointerMove={press.onMove}
          onPointerUp={press.onUp}
          onPointerCancel={press.onCancel}
          onDragOver={(event) => {
            if (!isCarried(event)) return;
            event.preventDefault();
            setOver((event.target as Element).closest("[data-part]")?.getAttribute("data-part") ?? null);
          }}
          onDragLeave={() => setOver(null)}
          onDrop={(event) => {
            const carried = carriedIn(event);
            if (!carried || !svg.current) return;
            event.preventDefault();
            setOver(null);
            const [part, piece] = (["data-part", "data-piece"] as const).map(
              (name) => (event.target as Element).closest(`[${name}]`)?.getAttribute(name) ?? null,
            );
            props.onPut(carried, { part: part ?? null, piece: piece ?? null, at: pointOn(svg.current, event) });
          }}
          onContextMenu={(event) => press.holds() && event.preventDefault()}
        >
          <defs>
            <filter id="lift" x="-10%" y="-10%" width="125%" height="125%">
              <feDropShadow
                dx={1.2 * pixel}
                dy={1.8 * pixel}
                stdDeviation={1.6 * pixel}
                floodColor="#2a2216"
                floodOpacity={0.35}
              />
            </filter>
            <filter id="ground" x="-5%" y="-5%" width="112%" height="112%">
              <feDropShadow
                dx={2 * pixel}
                dy={3 * pixel}
                stdDeviation={4 * pixel}
                floodColor="#2a2216"
                floodOpacity={0.22}
              />
            </filter>
            <pattern
              id="not-chosen"
              patternUnits="userSpaceOnUse"
              width={10 * pixel}
              height={10 * pixel}
              patternTransform="rotate(45)"
            >
              <rect width={5 * pixel} height={10 * pixel} fill="#fff" opacity={0.5} />
            </pattern>
            {patterns.list.map(({ id, tile }) => (
              <TilePattern key={id} id={id} tile={tile} />
            ))}
          </defs>
          <g style={daylight}>
            <rect data-page width={width} height={height} fill="#fffdf8" filter="url(#ground)" />
            {groups.map(({ part, sentence, around, pieces, lines }) => {
              const shift =
                overlay && (overlay.part === part || overlay.along.includes(part)) ? overlay.shift : null;
              return (
                // A layer of its own: what lies still is not drawn anew for each picture of a drag.
                <g key={part} style={{ cursor: "grab", ...(shift && moved(shift)) }}>
                  <g
                    data-part={part}
                    role="button"
                    tabIndex={0}
                    aria-pressed={chosen === part || props.also.includes(part)}
                    aria-label={sentence}
                    onPointerDown={(event) => press.onDown(event, part)}
                    onKeyDown={(event) => onKeyDown(event, part)}
                    onFocus={(event) => {
                      if (event.currentTarget.matches(":focus-visible") && !props.also.includes(part))
                        onChoose(part);
                    }}
                  >
                    <Pieces pieces={pieces} patternOf={patterns.of} />
                    {lines.map((line) => !line.written && <DrawnLine key={line.path} line={line} pixel={pixel} />)}
                    <rect
                      data-ring
                      {...around}
                      // Words without a paper are taken hold of anywhere among them.
                      fill={lines.some((line) => line.written) ? "transparent" : "none"}
                      stroke={colours.ochre}
                      strokeWidth={5 * pixel}
                      strokeDasharray={`${10 * pixel} ${4 * pixel}`}
                    />
                  </g>
                  <g aria-hidden style={{ pointerEvents: "none" }}>
                    {lines.map(
                      (line) =>
                        line.written && (
                          <DrawnLine key={`${line.written.x} ${line.written.y}`} line={line} pixel={pixel} />
                        ),
                    )}
                  </g>
                </g>
              );
            })}
            <Gutter page={page} height={height} pixel={pixel} />
            {props.also.map((part) => (
              <Frame key={part} page={page} part={part} pixel={pixel} />
            ))}
            <Frame
              page={page}
              part={chosen}
              shift={overlay?.part === chosen ? overlay?.shift : undefined}
              pixel={pixel}
            />
            {over && <Frame page={page} part={over} pixel={pixel} />}
            {overlay && <Measured overlay={overlay} width={width} height={height} pixel={pixel} />}
            {props.children?.(pixel)}
            {chosen && (
              <HandleToMove
                page={page}
                part={chosen}
                pixel={pixel}
                hidden={overlay !== null}
                onDown={press.onHandle}
              />
            )}
          </g>
          <Rulers width={width} height={height} unit={props.unit} zero={props.zero} view={view} />
        </svg>
      </div>
      <ZoomButtons zoomed={view.zoomed} onZoom={seen.zoom} />
    </>
  );
}

function moved({ x, y }: { x: number; y: number }): CSSProperties {
  return { transform: `translate(${x}px, ${y}px)`, willChange: "transform" };
}

export function byPart(page: Evaluated) {
  return page.parts
    .filter((part) => part.box)
    .map((part) => ({
      part: part.id,
      sentence: part.sentence,
      around: part.box ? box(part.box) : undefined,
      pieces: page.pieces.filter((piece) => piece.part === part.id),
      lines: page.lines.filter((line) => line.part === part.id),
    }));
}

/** A part of many pieces throws one shadow: hundreds of filters would be slow under a hand. */
const MANY = 12;

interface PiecesProps {
  pieces: Schemas["PieceOut"][];
  patternOf: (piece: Schemas["PieceOut"]) => string | null;
  /** Without shadows. */
  flat?: boolean;
}

export const Pieces = memo(function Pieces({ pieces, patternOf, flat = false }: PiecesProps) {
  const many = pieces.length > MANY;
  return (
    <g filter={many && !flat ? "url(#lift)" : undefined}>
      {pieces.map((piece) => (
        <g
          key={piece.id}
          data-piece={piece.whole || piece.id}
          filter={many || flat || piece.role === "base" ? undefined : "url(#lift)"}
        >
          <PieceShape piece={piece} pattern={patternOf(piece)} />
        </g>
      ))}
    </g>
  );
});

/** Stitches, or a line to stand parts on. */
/** A line of words in its face, as long as it comes out; the letters are spaced to it. */
function InInk({ line, written }: { line: Schemas["DrawnLine"]; written: Schemas["Written"] }) {
  const { x, y } = box(line.box);
  const wide = inches(written.width);
  return (
    <text
      x={x + inches(written.x)}
      y={y + inches(written.y)}
      fontFamily={familyOf(line.face)}
      fontSize={written.size}
      textLength={wide > 0 ? wide : undefined}
      lengthAdjust="spacingAndGlyphs"
      fill="#2b3138"
      style={{ whiteSpace: "pre", userSelect: "none" }}
    >
      {written.text}
    </text>
  );
}

export function DrawnLine({ line, pixel }: { line: Schemas["DrawnLine"]; pixel: number }) {
  const { x, y } = box(line.box);
  if (line.written) return <InInk line={line} written={line.written} />;
  if (line.kind === "rule") {
    return (
      <path transform={`translate(${x} ${y})`} d={line.path} fill="none" stroke="#8d867a" strokeWidth={0.012} />
    );
  }
  if (line.kind === "wash") {
    return (
      <path
        transform={`translate(${x} ${y})`}
        d={line.path}
        fill={line.colour}
        fillOpacity={0.45}
        stroke={line.colour}
        strokeOpacity={0.25}
        strokeWidth={0.03}
        strokeLinejoin="round"
      />
    );
  }
  const axis = line.kind === "axis";
  return (
    <g transform={`translate(${x} ${y})`} fill="none" strokeLinecap="round">
      <path d={line.path} stroke="transparent" strokeWidth={22 * pixel} />
      {!axis && <path d={line.path} stroke="#fff" strokeWidth={0.04} strokeDasharray="0.11 0.06" />}
      <path
        d={line.path}
        stroke={axis ? colours.verdigris : "#5b5346"}
        strokeWidth={axis ? 1.4 * pixel : 0.02}
        strokeDasharray={axis ? `${9 * pixel} ${4 * pixel} ${2 * pixel} ${4 * pixel}` : "0.11 0.06"}
      />
    </g>
  );
}

/** The patterns that this page's papers need, and which of them a piece shows. */
export function usePatterns(page: Evaluated, shelf: ShelfPaper[], name = "paper") {
  return useMemo(() => {
    const list: { id: string; tile: Schemas["Tile"] }[] = [];
    const known = new Map<string, string>();
    const places = new Map(shelf.map((s, k) => [s.paper.id, k]));
    for (const { choice } of page.pieces) {
      const key = `${choice.paper} ${choice.side}`;
      const place = places.get(choice.paper ?? "");
      const tiles = place === undefined ? undefined : shelf[place]?.tiles;
      if (!tiles || known.has(key)) continue;
      const id = `${name}-${place}-${choice.side}`;
      known.set(key, id);
      list.push({ id, tile: choice.side === "A" ? tiles.a : tiles.b });
    }
    return {
      list,
      of: (piece: Schemas["PieceOut"]) => known.get(`${piece.choice.paper} ${piece.choice.side}`) ?? null,
    };
  }, [page, shelf, name]);
}

/** The fold between two pages, and in madder where it cuts a piece in two. */
function Gutter({ page, height, pixel }: { page: Evaluated; height: number; pixel: number }) {
  if (page.format.pages !== 2) return null;
  const x = inches(page.format.width);
  const cuts = page.pieces.filter((piece) => piece.half === "left");
  return (
    <g style={{ pointerEvents: "none" }}>
      <path d={`M${x} 0V${height}`} stroke="#23262b" strokeOpacity={0.45} strokeWidth={1.4 * pixel} />
      {cuts.map((piece) => {
        const { y, height: tall } = box(piece.rect);
        return (
          <path
            key={piece.id}
            d={`M${x} ${y}v${tall}`}
            stroke={colours.madder}
            strokeWidth={2 * pixel}
            strokeDasharray={`${6 * pixel} ${4 * pixel}`}
          />
        );
      })}
    </g>
  );
}

function Frame({
  page,
  part,
  shift,
  pixel,
}: {
  page: Evaluated;
  part: string | null;
  shift?: { x: number; y: number };
  pixel: number;
}) {
  const found = page.parts.find((p) => p.id === part);
  if (!found?.box) return null;
  const rect = box(found.box);
  return (
    <g style={{ pointerEvents: "none", ...(shift && moved(shift)) }}>
      <rect {...rect} fill="none" stroke="#fff" strokeWidth={4 * pixel} />
      <rect {...rect} fill="none" stroke={colours.verdigris} strokeWidth={2.2 * pixel} />
    </g>
  );
}

/** The guides that a part has caught on, and how far it is from what. */
function Measured({
  overlay,
  width,
  height,
  pixel,
}: {
  overlay: Overlay;
  width: number;
  height: number;
  pixel: number;
}) {
  const guide = {
    stroke: colours.verdigris,
    strokeWidth: 1.5 * pixel,
    strokeDasharray: `${5 * pixel} ${3 * pixel}`,
  };
  return (
    <g style={{ pointerEvents: "none" }}>
      {overlay.across && <path d={`M${inches(overlay.across.line)} 0V${height}`} {...guide} />}
      {overlay.down && <path d={`M0 ${inches(overlay.down.line)}H${width}`} {...guide} />}
      {overlay.distances
        .filter((d) => !d.of.startsWith("centre"))
        .map((d) => {
          const [x1, y1, x2, y2] = [inches(d.x1), inches(d.y1), inches(d.x2), inches(d.y2)];
          if (Math.hypot(x2 - x1, y2 - y1) < pixel) return null;
          return (
            <g key={d.of}>
              <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke={colours.verdigris} strokeWidth={1.6 * pixel} />
              <Figure x={(x1 + x2) / 2} y={(y1 + y2) / 2} says={d.says} pixel={pixel} />
            </g>
          );
        })}
      {[overlay.across, overlay.down].map(
        (g, k) =>
          g && (
            <Figure
              key={g.why + g.says}
              x={k === 0 ? inches(g.line) : width - 70 * pixel}
              y={k === 0 ? height - 16 * pixel : inches(g.line)}
              says={g.says}
              pixel={pixel}
              quiet
            />
          ),
      )}
    </g>
  );
}

export function Figure({
  x,
  y,
  says,
  pixel,
  quiet,
}: {
  x: number;
  y: number;
  says: string;
  pixel: number;
  quiet?: boolean;
}) {
  const size = (quiet ? 12 : 15) * pixel;
  const wide = says.length * size * 0.56 + 10 * pixel;
  return (
    <g transform={`translate(${x} ${y})`}>
      <rect
        x={-wide / 2}
        y={-size * 0.8}
        width={wide}
        height={size * 1.5}
        rx={3 * pixel}
        fill={quiet ? colours.tint : colours.verdigris}
      />
      <text
        textAnchor="middle"
        y={size * 0.3}
        fontSize={size}
        fontFamily={measureFont}
        fontWeight={700}
        fill={quiet ? colours.verdigris : "#fff"}
        style={figures}
      >
        {unbroken(says)}
      </text>
    </g>
  );
}
