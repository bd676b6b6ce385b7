/**
 * Where one is is never lost: when what has the focus goes away or can no longer be pressed, what stood next to it takes
 * it, else what stood next to what had it before, else the bench itself.
 */

const STOPS =
  "a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex='-1'])";
const REMEMBERED = 8;

interface Stop {
  element: Element;
  /** All stops of its dialog, menu or bench, as they were then. */
  among: Element[];
}

const there = (element: Element): boolean =>
  element.isConnected && element.matches(STOPS) && element.getClientRects().length > 0;

export function keepFocus(): () => void {
  let stops: Stop[] = [];

  function onFocus({ target }: FocusEvent): void {
    if (!(target instanceof Element) || target === document.body || target.tagName === "MAIN") return;
    const room = target.closest("[role=dialog], [role=menu], [role=presentation], main") ?? document.body;
    const among = [...room.querySelectorAll(STOPS)];
    stops = [{ element: target, among }, ...stops.filter((one) => one.element !== target)].slice(0, REMEMBERED);
  }

  function lost(): boolean {
    const now = document.activeElement;
    const [last] = stops;
    return Boolean(last) && (now === null || now === document.body) && !there((last as Stop).element);
  }

  function restore(): void {
    if (!lost()) return;
    for (const { element, among } of stops) {
      const at = among.indexOf(element);
      const near = [...among.slice(at), ...among.slice(0, Math.max(at, 0)).reverse()].find(there);
      if (near && !near.closest("[aria-hidden=true]")) {
        (near as HTMLElement).focus();
        return;
      }
    }
    document.querySelector<HTMLElement>("main")?.focus();
  }

  const watch = new MutationObserver(() => lost() && requestAnimationFrame(restore));
  watch.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ["disabled"] });
  document.addEventListener("focusin", onFocus);
  return () => {
    watch.disconnect();
    document.removeEventListener("focusin", onFocus);
  };
}
