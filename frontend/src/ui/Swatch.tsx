/** A piece of paper as it looks, at some scale. */
import Box from "@mui/material/Box";
import { useId } from "react";
import type { Schemas } from "../api/client";
import { colours } from "../app/theme";

interface Props {
  tile: Schemas["Tile"] | undefined;
  /** How much of the paper is seen, in inches. */
  inches?: number;
  width: number | string;
  height: number | string;
  title?: string;
}

export function Swatch({ tile, inches = 4, width, height, title }: Props) {
  const id = useId();
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${inches} ${inches}`}
      preserveAspectRatio="xMidYMid slice"
      role={title ? "img" : undefined}
      aria-label={title}
      aria-hidden={title ? undefined : true}
      sx={{
        width,
        height,
        display: "block",
        flex: "none",
        borderRadius: "2px",
        boxShadow: `0 0 0 1px ${colours.line}`,
      }}
    >
      <defs>{tile && <TilePattern id={id} tile={tile} />}</defs>
      <rect width={inches} height={inches} fill={tile ? `url(#${id})` : colours.faint} />
    </Box>
  );
}

/** A tile as an SVG pattern in inches. Its markup is made by the server from the side's description. */
export function TilePattern({ id, tile }: { id: string; tile: Schemas["Tile"] }) {
  return (
    <pattern
      id={id}
      patternUnits="userSpaceOnUse"
      width={tile.width}
      height={tile.height}
      // biome-ignore lint/security/noDangerouslySetInnerHtml: numbers and colours only, drawn by our own server
      dangerouslySetInnerHTML={{ __html: tile.markup }}
    />
  );
}
