/** Which page of a spread is looked at closely; written on the drawing, which alone knows. */

export type Side = "left" | "right";

/** The page that a point lies on, `width` being that of all pages together. */
export const sideAt = (x: number, width: number, pages: number): Side =>
  pages === 2 && x > width / 2 ? "right" : "left";

/** Null while the whole of it is seen. */
export function pageInView(): Side | null {
  const drawing = document.querySelector<SVGElement>("[data-in-view]");
  return (drawing?.dataset.inView as Side | undefined) ?? null;
}
