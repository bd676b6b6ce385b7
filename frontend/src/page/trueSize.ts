/** How many pixels an inch has on this screen: as the browser says, until a ruler was held to it. Kept in this browser,
 * which is one screen's. */
const KEPT = "ulna pixels to an inch";
/** Pixels of the bar that one holds a ruler to. */
export const BAR = 288;
const AS_THE_BROWSER_SAYS = 96;
const [LEAST, MOST] = [40, 600];

export function pixelsToAnInch(): number {
  const kept = Number(window.localStorage.getItem(KEPT));
  return kept >= LEAST && kept <= MOST ? kept : AS_THE_BROWSER_SAYS;
}

/** @returns whether a screen can be so: the bar is so many inches by the ruler */
export function measured(bar: number): boolean {
  const found = BAR / bar;
  if (!(found >= LEAST && found <= MOST)) return false;
  window.localStorage.setItem(KEPT, String(found));
  return true;
}
