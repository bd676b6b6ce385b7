/** A print sheet at scale: the prints on it, cut marks, labels, the line to measure by. */
import Box from "@mui/material/Box";
import { useId } from "react";
import type { Schemas } from "../../api/client";
import { colours, measureFont } from "../../app/theme";
import { PrintShape } from "../../page/PieceShape";
import { box, inches } from "../../page/scale";
import { unbroken } from "../../ui/figures";

interface Props {
  sheet: Schemas["PrintSheetOut"];
  number: number;
  pictures: Record<string, Schemas["PrintPicture"]>;
}

export function PrintSheet({ sheet, number, pictures }: Props) {
  const id = useId().replace(/\W/g, "");
  const [width, height] = [inches(sheet.width), inches(sheet.height)];
  const printable = box(sheet.printable);
  const fine = Math.max(width, height) / 500;
  return (
    <figure style={{ margin: 0 }}>
      <Box
        component="svg"
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Sheet ${number}: ${sheet.placed.map((p) => p.label).join(", ")}`}
        sx={{
          width: "100%",
          maxHeight: 420,
          display: "block",
          filter: "drop-shadow(1px 2px 3px rgba(42,34,22,.28))",
        }}
      >
        <rect width={width} height={height} fill="#fff" />
        <rect
          {...printable}
          fill="none"
          stroke={colours.line}
          strokeWidth={fine}
          strokeDasharray={`${fine * 4} ${fine * 3}`}
        />
        {sheet.placed.map((placed, k) => {
          const at = box(placed.at);
          const shows = box(placed.shows);
          const picture = pictures[placed.wanted];
          const turn = placed.turned
            ? `translate(${at.x + at.width} ${at.y}) rotate(90)`
            : `translate(${at.x} ${at.y})`;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a print is its place on the sheet
            <g key={k} transform={turn}>
              <svg
                aria-hidden
                width={shows.width}
                height={shows.height}
                viewBox={`${shows.x} ${shows.y} ${shows.width} ${shows.height}`}
              >
                {picture && (
                  <PrintShape
                    name={placed.label}
                    picture={picture.picture}
                    width={inches(picture.width)}
                    height={inches(picture.height)}
                    id={`${id}-${k}`}
                  />
                )}
              </svg>
              <rect width={shows.width} height={shows.height} fill="none" stroke="#d9d3c6" strokeWidth={fine} />
            </g>
          );
        })}
        {sheet.ticks.map((tick) => {
          const at = box(tick);
          return (
            <path
              key={`${at.x} ${at.y} ${at.width}`}
              d={`M${at.x} ${at.y}l${at.width} ${at.height}`}
              stroke={colours.ink}
              strokeWidth={fine}
            />
          );
        })}
        {sheet.labels.map(({ at, text }) => {
          const where = box(at);
          return (
            <text
              key={text + at.x + at.y}
              x={where.x}
              y={where.y + where.height * 0.8}
              fontSize={where.height * 0.85}
              fontFamily={measureFont}
              fill={colours.soft}
            >
              {unbroken(text)}
            </text>
          );
        })}
        {sheet.line && <Measure {...box(sheet.line.at)} says={sheet.line.text} fine={fine} />}
      </Box>
      <Box component="figcaption" sx={{ fontSize: "0.9rem", color: colours.soft, pt: 0.5 }}>
        {number}. {unbroken(sheet.says)}
      </Box>
    </figure>
  );
}

function Measure({
  x,
  y,
  width,
  height,
  says,
  fine,
}: {
  x: number;
  y: number;
  width: number;
  height: number;
  says: string;
  fine: number;
}) {
  const middle = y + height * 0.3;
  return (
    <g>
      <path
        d={`M${x} ${middle}h${width}M${x} ${middle - 0.04}v.08M${x + width} ${middle - 0.04}v.08`}
        stroke={colours.ink}
        strokeWidth={fine * 1.4}
      />
      <text x={x + 0.05} y={y + height} fontSize={height * 0.5} fontFamily={measureFont} fill={colours.soft}>
        {says} when printed at true size
      </text>
    </g>
  );
}
