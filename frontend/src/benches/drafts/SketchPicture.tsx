/** A sketch as it would be pencilled: places as outlines, photos crossed, words as lines. */
import Box from "@mui/material/Box";
import type { Sketch, SketchPlace } from "../../api/drafts";
import { colours } from "../../app/theme";

const SCALE = 100;

export function SketchPicture({ sketch, height = 110 }: { sketch: Sketch; height?: number }) {
  const one = sketch.proportion * SCALE;
  const wide = one * sketch.pages;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={sketch.name}
      viewBox={`-1 -1 ${wide + 2} ${SCALE + 2}`}
      sx={{ height, maxWidth: "100%", display: "block", background: colours.paper }}
    >
      <rect width={wide} height={SCALE} fill={colours.paper} stroke={colours.soft} strokeWidth={0.8} />
      {sketch.places.map((place, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a place is its place in the pile
        <Pencilled key={k} place={place} one={one} />
      ))}
      {sketch.pages === 2 && (
        <path d={`M${one} 0V${SCALE}`} stroke={colours.soft} strokeWidth={0.8} strokeDasharray="2 2" />
      )}
    </Box>
  );
}

const FILLS: Record<SketchPlace["role"], string> = {
  photo: "#cfd8dc",
  panel: "#f3ecdd",
  strip: "#e0d2b4",
  title: "#e7c9c3",
  words: "#fffdf8",
  cluster: "#d5ddc4",
};

function Pencilled({ place, one }: { place: SketchPlace; one: number }) {
  const [x, y] = [place.x * one, place.y * SCALE];
  const [w, h] = [place.width * one, place.height * SCALE];
  const line = { stroke: colours.ink, strokeWidth: 0.6, fill: "none" };
  return (
    <g>
      <rect x={x} y={y} width={w} height={h} fill={FILLS[place.role]} stroke={colours.ink} strokeWidth={0.6} />
      {place.role === "photo" && (
        <path d={`M${x} ${y}l${w} ${h}M${x + w} ${y}l${-w} ${h}`} {...line} opacity={0.35} />
      )}
      {place.role === "title" && (
        <path
          d={`M${x + w * 0.08} ${y + h / 2}h${w * 0.84}`}
          {...line}
          strokeWidth={Math.min(h * 0.4, 3)}
          opacity={0.6}
        />
      )}
      {place.role === "words" &&
        [0.25, 0.5, 0.75].map((share) => (
          <path
            key={share}
            d={`M${x + w * 0.08} ${y + h * share}h${w * (share > 0.6 ? 0.5 : 0.84)}`}
            {...line}
            opacity={0.5}
          />
        ))}
      {place.role === "cluster" && (
        <>
          <circle cx={x + w * 0.4} cy={y + h * 0.5} r={Math.min(w, h) * 0.32} {...line} opacity={0.6} />
          <circle cx={x + w * 0.62} cy={y + h * 0.6} r={Math.min(w, h) * 0.2} {...line} opacity={0.6} />
        </>
      )}
    </g>
  );
}
