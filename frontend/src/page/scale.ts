/** The one file that turns lengths into numbers to draw with, and what a hand does on the screen into lengths. */

const FORMS = /^(-?)(?:(\d+(?:\.\d+)?)(?: (\d+)\/(\d+))?|(\d+)\/(\d+)) (in|mm)$/;

/** Inches, to draw with, of a length as documents hold it. */
export function inches(length: string): number {
  const found = FORMS.exec(length);
  if (!found) return 0;
  const [, sign, whole, top, bottom, aloneTop, aloneBottom, unit] = found;
  const value = aloneTop
    ? Number(aloneTop) / Number(aloneBottom)
    : Number(whole) + (top ? Number(top) / Number(bottom) : 0);
  return (sign ? -value : value) / (unit === "mm" ? 25.4 : 1);
}

/** No length at all, the same in every unit. */
export const NOTHING = "0 in";

/** A place on the drawing as a length that the server can read; it rounds it to a mark. */
export function asLength(inch: number): string {
  return `${inch.toFixed(5)} in`;
}

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export function box(rect: { x: string; y: string; width: string; height: string }): Box {
  return { x: inches(rect.x), y: inches(rect.y), width: inches(rect.width), height: inches(rect.height) };
}

/** Where a pointer is on a drawing whose user units are inches. */
export function pointOn(svg: SVGSVGElement, event: { clientX: number; clientY: number }): { x: number; y: number } {
  const matrix = svg.getScreenCTM();
  if (!matrix) return { x: 0, y: 0 };
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
  return { x: point.x, y: point.y };
}
