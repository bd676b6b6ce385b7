/** Everything that can be added to a page, by the words people use and a small picture of it. */
import { inches } from "../page/scale";
import {
  CENTRED,
  NO_PAPER,
  newId,
  newMat,
  newOpening,
  newPanel,
  type PaperChoice,
  type Part,
  type PiecedPart,
  PLAIN_PRINT,
  type Place,
  type TilesPart,
  type Unit,
} from "./kinds";

export interface Room {
  unit: Unit;
  /** One page of the format. */
  width: string;
  height: string;
}

export interface Entry {
  name: string;
  /** Other words by which it is looked for. */
  words: string;
  /** A drawing in a box of 24 × 24. */
  picture: string;
  make: (room: Room) => Part[];
}

/** Inches as a length of the person's unit, on a mark that both can be set to. */
function len(unit: Unit, inch: number): string {
  return unit === "in" ? `${trimmed(Math.round(inch * 16) / 16)} in` : `${Math.round(inch * 25.4)} mm`;
}

function trimmed(value: number): string {
  return String(Number(value.toFixed(4)));
}

function papers(n: number): PaperChoice[] {
  return Array.from({ length: n }, () => NO_PAPER);
}

function at(down: Place["down"]["edge"], by = "0 in"): Place {
  return { ...CENTRED, down: { edge: down, by, of: null } };
}

/** As much of the page's shorter side as a share says, and never more than so many inches. */
function some(room: Room, share: number, most: number): string {
  return len(room.unit, Math.min(most, Math.min(inches(room.width), inches(room.height)) * share));
}

function pieced(pattern: PiecedPart["pattern"], n: number): Entry["make"] {
  return (room) => {
    const side = some(room, 0.5, pattern === "triangle" ? 3 : 4);
    return [
      {
        kind: "pieced",
        id: newId("pieced"),
        pattern,
        width: side,
        height: pattern === "triangle" ? some(room, 0.7, 5) : side,
        strip: len(room.unit, 0.5),
        papers: papers(n),
        over: false,
        seed: null,
        doubled: false,
        angle: 45,
        arms: "rising",
        rays: 9,
        block: 1,
        blocks: 1,
        backed: false,
        backing: NO_PAPER,
        place: CENTRED,
      },
    ];
  };
}

function tiles(shape: TilesPart["shape"], change: (room: Room) => Partial<TilesPart> = () => ({})): Entry["make"] {
  return (room) => [
    {
      kind: "tiles",
      id: newId("tiles"),
      shape,
      size: some(room, 0.2, 1.5),
      gap: len(room.unit, 1 / 16),
      width: some(room, 0.9, 9),
      height: some(room, 0.6, 6),
      layout: "region",
      hole_width: null,
      hole_height: null,
      share: 60,
      trimmed: false,
      papers: papers(4),
      asked: [],
      seed: 1,
      taken: [],
      place: CENTRED,
      ...change(room),
    },
  ];
}

function figure(name: Extract<Part, { kind: "cutout" }>["figure"], w: number, h: number, cut = 0): Entry["make"] {
  return ({ unit }) => [
    {
      kind: "cutout",
      id: newId("cutout"),
      figure: name,
      width: len(unit, w),
      height: len(unit, h),
      cut: len(unit, cut),
      hole: name === "tag" ? len(unit, 0.5) : null,
      reinforced: name === "tag",
      choice: NO_PAPER,
      ring: NO_PAPER,
      mats: [],
      angle: 0,
      half: "",
      place: CENTRED,
    },
  ];
}

function band(way: Extract<Part, { kind: "band" }>["way"]): Entry["make"] {
  return (room) => [
    {
      kind: "band",
      id: newId("band"),
      count: 5,
      width: len(room.unit, 0.5),
      length: some(room, 0.7, 8),
      gap: way === "flush" ? "0 in" : len(room.unit, 1 / 16),
      way,
      by: len(room.unit, 0.5),
      upright: false,
      papers: papers(5),
      drawn: false,
      doubled: false,
      seed: 1,
      place: CENTRED,
    },
  ];
}

function rounds(path: Extract<Part, { kind: "rounds" }>["path"]): Entry["make"] {
  return (room) => [
    {
      kind: "rounds",
      id: newId("rounds"),
      figure: "circle",
      size: len(room.unit, 0.5),
      path,
      length: some(room, 0.6, 6),
      height: some(room, 0.6, 6),
      pitch: len(room.unit, 0.75),
      outward: false,
      papers: papers(3),
      place: CENTRED,
    },
  ];
}

function axis(run: Extract<Part, { kind: "axis" }>["run"]): Entry["make"] {
  return (room) => [
    {
      kind: "axis",
      id: newId("axis"),
      run,
      length: some(room, 0.8, 10),
      height: some(room, 0.8, 10),
      place: CENTRED,
    },
  ];
}

export const CATALOGUE: readonly Entry[] = [
  {
    name: "Panel",
    words: "trimmed background mat layer foundation",
    picture: "M3 3h18v18H3zM6 6h12v12H6z",
    make: ({ unit }) => [newPanel(unit)],
  },
  {
    name: "Frame",
    words: "gutted border opening foundation",
    picture: "M3 3h18v18H3zM8 8h8v8H8z",
    make: ({ unit }) => [
      {
        ...newPanel(unit),
        name: "frame",
        openings: [
          {
            ...newOpening(unit),
            figure: "rectangle",
            rim: len(unit, 1),
          },
        ],
      },
    ],
  },
  {
    name: "Half sheet",
    words: "horizon foundation block",
    picture: "M3 3h18v18H3zM3 12h18",
    make: (room) => [
      {
        ...newPanel(room.unit),
        name: "half sheet",
        trim: null,
        width: room.width,
        height: len(room.unit, inches(room.height) / 2),
        place: at("bottom"),
      },
    ],
  },
  {
    name: "Block",
    words: "rectangle paper foundation",
    picture: "M5 6h14v12H5z",
    make: (room) => [
      { ...newPanel(room.unit), name: "block", trim: null, width: some(room, 0.5, 6), height: some(room, 0.35, 4) },
    ],
  },
  {
    name: "Shelf",
    words: "strip photo stands foundation",
    picture: "M2 14h20v4H2zM6 6h6v8H6z",
    make: (room) => [
      {
        ...newPanel(room.unit),
        name: "shelf",
        trim: null,
        width: room.width,
        height: len(room.unit, 1.5),
        place: at("bottom", len(room.unit, 2)),
      },
    ],
  },
  {
    name: "Papered ground",
    words: "several papers side by side seams",
    picture: "M3 3h18v18H3zM10 3v18M16 3v18",
    make: ({ unit }) => [
      {
        kind: "papered",
        id: newId("papered"),
        papers: papers(3),
        along: "row",
        border: len(unit, 0.25),
        shares: [2, 1, 1],
        strip: len(unit, 0.25),
        strip_choice: NO_PAPER,
        place: CENTRED,
      },
    ],
  },
  {
    name: "Mitred border",
    words: "stripes corners frame edge",
    picture: "M3 3h18v18H3zM7 7h10v10H7zM3 3l4 4M21 3l-4 4M3 21l4-4M21 21l-4-4",
    make: ({ unit }) => [
      {
        kind: "mitred",
        id: newId("mitred"),
        shows: len(unit, 0.75),
        under: len(unit, 1 / 8),
        trim: "0 in",
        stripes: "along",
        choice: NO_PAPER,
        place: CENTRED,
      },
    ],
  },
  {
    name: "Torn strip",
    words: "tear core layered edge",
    picture: "M2 6h20v6l-3 1-3-1-3 2-3-2-3 1-3-1-2 1z",
    make: (room) => [
      {
        kind: "torn",
        id: newId("torn"),
        width: len(room.unit, 1),
        length: room.width,
        allowance: len(room.unit, 0.25),
        layers: 2,
        step: len(room.unit, 0.375),
        core_side: "seen",
        papers: papers(2),
        seed: 1,
        edge: "bottom",
        rise: len(room.unit, 0),
        place: CENTRED,
      },
    ],
  },
  {
    name: "Stitching",
    words: "sewn seam thread line",
    picture: "M4 4h4M11 4h4M18 4h2v3M20 10v4M20 17v3h-3M14 20h-4M7 20H4v-3M4 14v-4M4 7V4",
    make: ({ unit }) => [
      { kind: "stitching", id: newId("stitching"), inset: len(unit, 1 / 8), sides: "all round", place: CENTRED },
    ],
  },
  {
    name: "Band, flush",
    words: "strips row even",
    picture: "M3 5h18v3H3zM3 10h18v3H3zM3 15h18v3H3z",
    make: band("flush"),
  },
  {
    name: "Band, staggered",
    words: "strips alternate offset",
    picture: "M6 5h15v3H6zM3 10h15v3H3zM6 15h15v3H6z",
    make: band("staggered"),
  },
  {
    name: "Band, stepped",
    words: "strips stairs offset",
    picture: "M2 5h14v3H2zM5 10h14v3H5zM8 15h14v3H8z",
    make: band("stepped"),
  },
  {
    name: "Band, ragged",
    words: "strips random uneven",
    picture: "M4 5h15v3H4zM2 10h15v3H2zM6 15h15v3H6z",
    make: band("ragged"),
  },
  {
    name: "Pieced block",
    words: "strips quilt square",
    picture: "M4 4h16v16H4zM8 4v16M12 4v16M16 4v16",
    make: pieced("strips", 4),
  },
  {
    name: "Log cabin",
    words: "pieced quilt strips block",
    picture: "M4 4h16v16H4zM8 8h8v8H8zM4 8h12M16 4v12M20 16H8M8 20V8",
    make: pieced("log cabin", 4),
  },
  {
    name: "Pinwheel",
    words: "pieced quilt strips block windmill",
    picture: "M4 4h16v16H4zM12 4v16M4 12h16M4 8h8M16 4v8M12 16h8M8 12v8",
    make: pieced("pinwheel", 4),
  },
  {
    name: "Herringbone",
    words: "pieced quilt strips zigzag",
    picture: "M4 10l4-4 4 4 4-4 4 4M4 15l4-4 4 4 4-4 4 4M4 20l4-4 4 4 4-4 4 4",
    make: pieced("herringbone", 4),
  },
  {
    name: "Sunburst",
    words: "pieced rays sun",
    picture: "M3 20h18M12 20L4 8M12 20L8 4M12 20V3M12 20l4-16M12 20l8-12",
    make: pieced("sunburst", 3),
  },
  {
    name: "Pieced triangle",
    words: "sail roof tree pennant strips",
    picture: "M12 3l8 18H4zM12 3v18M9 12l3-3 3 3M6 18l6-5 6 5",
    make: pieced("triangle", 4),
  },
  {
    name: "Grid",
    words: "cells rows columns photos squares",
    picture:
      "M3 3h5v5H3zM10 3h5v5h-5zM3 10h5v5H3zM10 10h5v5h-5zM17 3h4v5h-4zM17 10h4v5h-4zM3 17h5v4H3zM10 17h5v4h-5zM17 17h4v4h-4z",
    make: ({ unit }) => [
      {
        kind: "grid",
        id: newId("grid"),
        rows: 3,
        columns: 3,
        cell_width: len(unit, 3),
        cell_height: len(unit, 3),
        gap: len(unit, 0.25),
        margin: len(unit, 0.5),
        open: "cells",
        width: null,
        height: null,
        rest: "photo",
        cells: [],
        papers: papers(2),
        seed: null,
        place: CENTRED,
      },
    ],
  },
  {
    name: "Honeycomb",
    words: "hexagon tiles",
    picture:
      "M8 3l4 2.300v4.600L8 12.200 4 9.900V5.300zM16 3l4 2.300v4.600l-4 2.300-4-2.300V5.300zM12 10l4 2.300v4.600l-4 2.300-4-2.300v-4.600z",
    make: tiles("hexagon"),
  },
  {
    name: "Ring of tiles",
    words: "hexagon honeycomb round photo wreath",
    picture:
      "M12 2l3 2v3l-3 2-3-2V4zM19 8l2.500 2v4L19 16l-2.500-2v-4zM5 8l2.500 2v4L5 16l-2.500-2v-4zM12 15l3 2v3l-3 2-3-2v-3z",
    make: tiles("hexagon", (room) => ({
      layout: "ring",
      width: some(room, 0.9, 9),
      height: some(room, 0.9, 9),
      hole_width: some(room, 0.4, 4),
      hole_height: some(room, 0.4, 4),
    })),
  },
  {
    name: "Square tiles",
    words: "squares mosaic inchies",
    picture: "M3 3h8v8H3zM13 3h8v8h-8zM3 13h8v8H3zM13 13h8v8h-8z",
    make: tiles("square"),
  },
  {
    name: "Triangle tiles",
    words: "triangles mosaic",
    picture: "M3 20L8 11l5 9zM13 20l-5-9h10zM13 20l5-9 4 9z",
    make: tiles("triangle"),
  },
  {
    name: "Circle tiles",
    words: "circles punched dots",
    picture: "M7 3a4 4 0 1 0 0 8 4 4 0 1 0 0-8M17 3a4 4 0 1 0 0 8 4 4 0 1 0 0-8M12 12a4 4 0 1 0 0 8 4 4 0 1 0 0-8",
    make: tiles("circle", () => ({ layout: "scattered" })),
  },
  {
    name: "Circle",
    words: "round shape",
    picture: "M12 4a8 8 0 1 0 0 16 8 8 0 1 0 0-16",
    make: figure("circle", 2, 2),
  },
  { name: "Arch", words: "shape window", picture: "M5 21V11a7 7 0 0 1 14 0v10z", make: figure("arch", 2, 3) },
  {
    name: "Heart",
    words: "shape love",
    picture: "M12 20L4 10a4 4 0 0 1 8-3 4 4 0 0 1 8 3z",
    make: figure("heart", 2, 2),
  },
  {
    name: "Banner",
    words: "flag v-cut shape title",
    picture: "M5 3h14v18l-7-5-7 5z",
    make: figure("banner", 1, 2.5, 0.5),
  },
  { name: "Pennant", words: "flag triangle shape", picture: "M4 4h16l-8 16z", make: figure("pennant", 1.5, 2) },
  {
    name: "Scalloped label",
    words: "edge shape scallop",
    picture:
      "M5 6a2.500 2.500 0 0 1 5-1 2.500 2.500 0 0 1 5 0 2.500 2.500 0 0 1 4 2v10a2.500 2.500 0 0 1-4 2 2.500 2.500 0 0 1-5 0 2.500 2.500 0 0 1-5-1z",
    make: figure("scalloped", 3, 2, 0.5),
  },
  {
    name: "Scalloped round",
    words: "edge circle rosette shape scallop",
    picture:
      "M12 3a2.500 2.500 0 0 1 4 1.500 2.500 2.500 0 0 1 3.500 3 2.500 2.500 0 0 1 0 5 2.500 2.500 0 0 1-3 4 2.500 2.500 0 0 1-4.500 2.500 2.500 2.500 0 0 1-4.500-2.500 2.500 2.500 0 0 1-3-4 2.500 2.500 0 0 1 0-5 2.500 2.500 0 0 1 3.500-3A2.500 2.500 0 0 1 12 3z",
    make: figure("scalloped round", 3, 3, 0.625),
  },
  {
    name: "Tag",
    words: "label hole reinforcer clipped corners shape",
    picture: "M8 3h8l3 4v14H5V7zM12 6a1.500 1.500 0 1 0 0 3 1.500 1.500 0 1 0 0-3",
    make: figure("tag", 2, 3.5, 0.5),
  },
  {
    name: "Rounded card",
    words: "corners shape label",
    picture: "M7 4h10a3 3 0 0 1 3 3v10a3 3 0 0 1-3 3H7a3 3 0 0 1-3-3V7a3 3 0 0 1 3-3",
    make: figure("rounded", 3, 4, 0.25),
  },
  {
    name: "Opening with a photo",
    words: "window hole circle behind frame",
    picture: "M3 3h18v18H3zM12 7a5 5 0 1 0 0 10 5 5 0 1 0 0-10",
    make: ({ unit }) => [
      {
        ...newPanel(unit),
        name: "window",
        trim: null,
        width: len(unit, 5),
        height: len(unit, 5),
        openings: [
          {
            ...newOpening(unit),
            width: len(unit, 3),
            height: len(unit, 3),
            print: { ...PLAIN_PRINT, width: len(unit, 4), height: len(unit, 4) },
          },
        ],
      },
    ],
  },
  {
    name: "Pocket",
    words: "stitched hidden tag insert",
    picture: "M4 9h16v12H4zM8 9V4h8v5",
    make: ({ unit }) => [
      {
        kind: "pocket",
        id: newId("pocket"),
        width: len(unit, 4),
        height: len(unit, 3),
        seam: len(unit, 1 / 8),
        out: len(unit, 1),
        choice: NO_PAPER,
        inside: NO_PAPER,
        tags: 1,
        tag_width: null,
        place: CENTRED,
      },
    ],
  },
  {
    name: "Insert or flap",
    words: "base sheet page notebook smaller lies on",
    picture: "M3 4h18v16H3zM7 4v16",
    make: (room) => [
      {
        ...newPanel(room.unit),
        name: "insert",
        trim: null,
        width: some(room, 0.8, 6),
        height: len(room.unit, Math.min(8, inches(room.height) * 0.7)),
        mats: [newMat(room.unit, "narrow")],
      },
    ],
  },
  {
    name: "Row of shapes",
    words: "dots circles line repeat",
    picture: "M3 12h.1M9 12h.1M15 12h.1M21 12h.1",
    make: rounds("row"),
  },
  {
    name: "Ring of shapes",
    words: "dots circles wreath round",
    picture: "M12 4h.1M18 7h.1M20 13h.1M17 18h.1M12 20h.1M7 18h.1M4 13h.1M6 7h.1",
    make: rounds("ring"),
  },
  {
    name: "Card",
    words: "cut-apart journaling motif phrase sheet",
    picture: "M4 5h16v14H4zM7 9h10M7 12h10M7 15h6",
    make: () => [
      {
        kind: "card",
        id: newId("card"),
        sheet: null,
        card: "",
        back: false,
        figure: "rectangle",
        angle: 0,
        mats: [],
        openings: [],
        place: CENTRED,
      },
    ],
  },
  {
    name: "Tape",
    words: "washi divider line roll",
    picture: "M2 10l2-1-1 2 1 2-2 2h20l-2-1 1-2-1-2 2-1z",
    make: (room) => [
      {
        kind: "tape",
        id: newId("tape"),
        thing: null,
        width: len(room.unit, 5 / 8),
        length: null,
        upright: false,
        wrapped: 2,
        colour: "#c8b98f",
        place: at("bottom", len(room.unit, 1)),
      },
    ],
  },
  { name: "Horizon", words: "axis line stand", picture: "M2 12h20M4 9v6", make: axis("horizon") },
  { name: "Column", words: "axis line stand", picture: "M12 2v20M9 4h6", make: axis("column") },
  { name: "Diagonal", words: "axis line stand falling rising", picture: "M3 3l18 18", make: axis("falling") },
  {
    name: "Ring to stand on",
    words: "axis circle line",
    picture: "M12 3a9 9 0 1 0 0 18 9 9 0 1 0 0-18",
    make: axis("ring"),
  },
];

/** The entries whose words begin with what was typed, those whose own name does first. */
export function found(typed: string): readonly Entry[] {
  const asked = typed.trim().toLowerCase();
  if (!asked) return CATALOGUE;
  const rank = ({ name, words }: Entry): number => {
    if (name.toLowerCase().startsWith(asked)) return 0;
    const begins = (text: string) =>
      text
        .toLowerCase()
        .split(/[\s,-]+/)
        .some((word) => word.startsWith(asked));
    return begins(name) ? 1 : begins(words) ? 2 : 9;
  };
  return CATALOGUE.map((entry) => ({ entry, rank: rank(entry) }))
    .filter((one) => one.rank < 9)
    .sort((a, b) => a.rank - b.rank)
    .map((one) => one.entry);
}
