/** The few signs there are, drawn for this application. */
import Box from "@mui/material/Box";

const PATHS = {
  undo: "M8 5 4 9l4 4M4.5 9H13a4.5 4.5 0 0 1 0 9H9",
  redo: "M12 5l4 4-4 4M15.500 9H7a4.500 4.500 0 0 0 0 9h4",
  add: "M10 4v12M4 10h12",
  right: "M8 5l5 5-5 5",
  less: "M4 10h12",
  whole: "M4 7.500V4h3.500M12.500 4H16v3.500M16 12.500V16h-3.500M7.500 16H4v-3.500",
  true: "M6 6.500 7.500 5.500V14M12.500 6.500 14 5.500V14M10.200 8.200v.01M10.200 12v.01",
  bin: "M4 6h12M8 6V4h4v2M6 6l.8 10.500h6.400L14 6",
  up: "M10 16V5M5.500 9.500 10 5l4.500 4.500",
  down: "M10 4v11M5.500 10.500 10 15l4.500-4.500",
  grip: "M7.500 5v.01M12.500 5v.01M7.500 10v.01M12.500 10v.01M7.500 15v.01M12.500 15v.01",
  copy: "M7.500 7.500h8v8h-8zM4.500 12.500v-8h8",
  more: "M5 10v.01M10 10v.01M15 10v.01",
  ruler: "M2.500 7h15v6h-15zM6 7v3M9.500 7v2M13 7v3",
  across: "M10 3v14M4.500 10H8M15.500 10H12M6 8l-2 2 2 2M14 8l2 2-2 2",
  downwards: "M3 10h14M10 4.500V8M10 15.500V12M8 6l2-2 2 2M8 14l2 2 2-2",
  tick: "M4.500 10.500 8.500 14.500 15.500 6",
  stop: "M10 5.500v6M10 14.500v.01",
  save: "M10 4v8M6.500 8.500 10 12l3.500-3.500M4.500 15.500h11",
  spot: "M10 3v4M10 13v4M3 10h4M13 10h4",
  face: "M10 3.500a6.500 6.500 0 1 0 0 13 6.500 6.500 0 1 0 0-13M7.700 8.500v.8M12.300 8.500v.8M7.300 12a3.400 3.400 0 0 0 5.400 0",
  turnLeft: "M4 5v4h4M4.600 9A6 6 0 1 1 4.500 12.500",
  turnRight: "M16 5v4h-4M15.400 9A6 6 0 1 0 15.500 12.500",
  crop: "M6 3v11h11M3 6h11v11",
  printer: "M6 8V3.500h8V8M6 14H3.500V8h13v6H14M6 12h8v4.500H6z",
  swap: "M5 7h9M11.500 4.500 14 7l-2.500 2.500M15 13H6M8.500 10.500 6 13l2.500 2.500",
} as const;

export type IconName = keyof typeof PATHS;

export function Icon({ name, size = 20 }: { name: IconName; size?: number }) {
  const bold = name === "grip" || name === "more";
  return (
    <Box component="svg" viewBox="0 0 20 20" sx={{ width: size, height: size, flex: "none" }} aria-hidden>
      <path
        d={PATHS[name]}
        fill="none"
        stroke="currentColor"
        strokeWidth={bold ? 2.6 : 1.6}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </Box>
  );
}
