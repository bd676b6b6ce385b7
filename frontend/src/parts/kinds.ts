/** The kinds of part a page is made of, as the front end knows them: their documents and how a new one begins. */
import type { Schemas } from "../api/client";
import type { PhotoOut } from "../api/photos";
import type { Usual } from "../api/usual";
import { NOTHING } from "../page/scale";

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
export type ThingPart = Schemas["ThingPart"];
export type ClusterPart = Schemas["ClusterPart"];
export type ScatterPart = Schemas["ScatterPart"];
export type StampedPart = Schemas["StampedPart"];
export type WetPart = Schemas["WetPart"];
export type TitlePart = Schemas["TitlePart"];
export type WordStripsPart = Schemas["WordStripsPart"];
export type WordsPart = Schemas["WordsPart"];
export type DatePart = Schemas["DatePart"];
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

/** Whether a length is there and more than nothing. */
export function hasLength(length: string | null | undefined): boolean {
  return Boolean(length) && !/^0(\.0+)? /.test(length ?? "");
}

/** A part as it begins, with an id of its own. */
export function begun<P extends Part>(offered: P): P {
  return { ...offered, id: newId(offered.kind) };
}

/** A photo in the print it is wanted in; a print as usual where none is chosen. */
export function printOf({ print }: Usual, photo: PhotoOut | undefined): Print {
  return photo ? { ...photo.photo.print, photo: photo.saved.id } : print;
}

/** One more opening, of the same kind as the last one. */
export function oneMoreOpening({ opening, print }: Usual, last?: Opening): Opening {
  return last ? { ...last, rim: null, across: NOTHING, down: NOTHING, print: last.print && print } : opening;
}
