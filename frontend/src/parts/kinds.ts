/** The kinds of part a page is made of, as the front end knows them: their documents and how a new one begins. */
import type { Schemas } from "../api/client";
import type { PhotoOut } from "../api/documents";

export type BasePart = Schemas["BasePart"];
export type PanelPart = Schemas["PanelPart"];
export type PhotoPart = Schemas["PhotoPart"];
export type JointPart = Schemas["JointPart"];
export type PaperedPart = Schemas["PaperedPart"];
export type MitredPart = Schemas["MitredPart"];
export type TornPart = Schemas["TornPart"];
export type StitchingPart = Schemas["StitchingPart"];
export type BandPart = Schemas["BandPart"];
export type PiecedPart = Schemas["PiecedPart"];
export type GridPart = Schemas["GridPart"];
export type TilesPart = Schemas["TilesPart"];
export type CutoutPart = Schemas["CutoutPart"];
export type PocketPart = Schemas["PocketPart"];
export type RoundsPart = Schemas["RoundsPart"];
export type CardPart = Schemas["CardPart"];
export type TapePart = Schemas["TapePart"];
export type AxisPart = Schemas["AxisPart"];
export type Part = Schemas["Recipe"]["parts"][number];
export type Placed = Exclude<Part, BasePart>;
export type Mat = Schemas["Mat"];
export type Opening = Schemas["Opening"];
export type Print = Schemas["Print"];
export type Place = Schemas["Place"];
export type PaperChoice = Schemas["PaperChoice"];
export type Figure = CutoutPart["figure"];

export interface PartProps<P> {
  part: P;
  pages: number;
  /**
   * `group` joins quick changes of one value to one step of undo. Where the change is an answer that took its time,
   * `asked` is the part that it was about: what was edited since stays.
   */
  onChange: (what: string, part: P, group?: string, asked?: P) => void;
}

export function newId(kind: string): string {
  return `${kind}-${Math.random().toString(36).slice(2, 10)}`;
}

/** What is usual where nothing is said yet, on the marks of each unit. */
export const USUAL = {
  in: { border: "1/4 in", narrow: "1/8 in", wide: "1/2 in", lap: "3/8 in", width: "4 in", height: "6 in" },
  mm: { border: "6 mm", narrow: "3 mm", wide: "12 mm", lap: "10 mm", width: "100 mm", height: "150 mm" },
} as const;
export type Unit = keyof typeof USUAL;

export const CENTRED: Place = {
  on: "left",
  across: { edge: "centre", by: "0 in", of: null },
  down: { edge: "centre", by: "0 in", of: null },
  stand: null,
  flush: false,
};
export const NO_PAPER: PaperChoice = { paper: null, side: "A", turned: false };

/** A mat of the usual width, or a narrow one that goes under another. */
export function newMat(unit: Unit, width: "border" | "narrow" = "border"): Mat {
  const border = USUAL[unit][width];
  return {
    borders: { left: border, top: border, right: border, bottom: border },
    choice: NO_PAPER,
    gutted: false,
    lap: USUAL[unit].lap,
    angle: 0,
    pieced: false,
    any_scraps: false,
  };
}

/** Whether a length is there and more than nothing. */
export function hasLength(length: string | null | undefined): boolean {
  return Boolean(length) && !/^0(\.0+)? /.test(length ?? "");
}

/** A print without a photo: the usual size, no rim, nothing cut off. */
export const PLAIN_PRINT: Print = {
  photo: null,
  width: "4 in",
  height: "6 in",
  rim: "0 in",
  below: null,
  shape: "rectangle",
  tone: "as the photo",
  rim_off: false,
  trim: "0 in",
  frame: null,
  hole: null,
};

export function printOf(photo: PhotoOut | undefined): Print {
  if (!photo) return PLAIN_PRINT;
  return { ...photo.photo.print, photo: photo.saved.id };
}

export function newBase(on: "left" | "right"): BasePart {
  return { kind: "base", id: newId("base"), on, choice: NO_PAPER };
}

export function newPanel(unit: Unit): PanelPart {
  const { border, width, height, lap } = USUAL[unit];
  return {
    kind: "panel",
    id: newId("panel"),
    name: "panel",
    trim: border,
    width,
    height,
    choice: NO_PAPER,
    gutted: false,
    rim: lap,
    place: CENTRED,
    mats: [],
    openings: [],
    corner: "0 in",
    angle: 0,
    as_it_is: false,
    joined: null,
  };
}

/** One more opening, of the same kind as the last one. */
export function newOpening(unit: Unit, last?: Opening): Opening {
  if (last) return { ...last, rim: null, across: "0 in", down: "0 in", print: last.print && PLAIN_PRINT };
  return {
    figure: "circle",
    rim: null,
    width: "3 in",
    height: "3 in",
    across: "0 in",
    down: "0 in",
    lap: USUAL[unit].narrow,
    print: null,
    ring: "0 in",
    ring_choice: NO_PAPER,
  };
}

export function newPhoto(unit: Unit, photo?: PhotoOut): PhotoPart {
  return {
    kind: "photo",
    id: newId("photo"),
    print: printOf(photo),
    mats: [newMat(unit)],
    place: CENTRED,
  };
}

export function newJoint(unit: Unit, photos: (PhotoOut | undefined)[]): JointPart {
  return {
    kind: "joint",
    id: newId("joint"),
    prints: photos.map(printOf),
    along: "row",
    gap: USUAL[unit].narrow,
    mats: [newMat(unit)],
    place: CENTRED,
  };
}
