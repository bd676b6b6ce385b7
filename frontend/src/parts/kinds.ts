/** The kinds of part a page is made of, as the front end knows them: their documents and how a new one begins. */
import type { Schemas } from "../api/client";
import type { PhotoOut } from "../api/documents";

export type BasePart = Schemas["BasePart"];
export type PanelPart = Schemas["PanelPart"];
export type PhotoPart = Schemas["PhotoPart"];
export type JointPart = Schemas["JointPart"];
export type Part = BasePart | PanelPart | PhotoPart | JointPart;
export type Mat = Schemas["Mat"];
export type Print = Schemas["Print"];
export type Place = Schemas["Place"];
export type PageSide = Place["on"];

export interface PartProps<P> {
  part: P;
  pages: number;
  /** `group` joins quick changes of one value to one step of undo. */
  onChange: (what: string, part: P, group?: string) => void;
}

export function newId(kind: string): string {
  return `${kind}-${Math.random().toString(36).slice(2, 10)}`;
}

const CENTRED = { across: { edge: "centre", by: "0 in" }, down: { edge: "centre", by: "0 in" } } as const;
const LAP = "3/8 in";

export function newMat(border = "1/4 in"): Mat {
  return {
    borders: { left: border, top: border, right: border, bottom: border },
    choice: { paper: null, side: "A", turned: false },
    gutted: false,
    lap: LAP,
  };
}

export function printOf(photo: PhotoOut | undefined): Print {
  if (!photo) return { photo: null, width: "4 in", height: "6 in", rim: "0 in" };
  return { ...photo.photo.print, photo: photo.saved.id };
}

export function newBase(on: "left" | "right"): BasePart {
  return { kind: "base", id: newId("base"), on, choice: { paper: null, side: "A", turned: false } };
}

export function newPanel(on: PageSide): PanelPart {
  return {
    kind: "panel",
    id: newId("panel"),
    name: "panel",
    trim: "1/4 in",
    width: "4 in",
    height: "6 in",
    choice: { paper: null, side: "A", turned: false },
    gutted: false,
    rim: LAP,
    place: { on, ...CENTRED },
  };
}

export function newPhoto(on: PageSide, photo?: PhotoOut): PhotoPart {
  return { kind: "photo", id: newId("photo"), print: printOf(photo), mats: [newMat()], place: { on, ...CENTRED } };
}

export function newJoint(on: PageSide, photos: (PhotoOut | undefined)[]): JointPart {
  return {
    kind: "joint",
    id: newId("joint"),
    prints: photos.map(printOf),
    along: "row",
    gap: "1/8 in",
    mats: [newMat()],
    place: { on, ...CENTRED },
  };
}
