/** What is done with all that is chosen, by key or from the menu: copied, pasted, taken off, kept together. */
import { useEffect, useRef } from "react";
import type { Recipe } from "../../api/pages";
import { paste as askPaste } from "../../api/recipe";
import { useFrame } from "../../app/FrameContext";
import { arrow } from "../../ui/arrows";
import { copiedLast, keepCopied } from "./copied";
import { isElsewhere } from "./keys";
import type { useChosen } from "./useChosen";
import type { useEdits } from "./useEdits";
import type { useMove } from "./useMove";

interface Around {
  id: string;
  page: Recipe;
  choice: ReturnType<typeof useChosen>;
  edits: ReturnType<typeof useEdits>;
  move: ReturnType<typeof useMove>;
  onAudition: () => void;
  onKeys: () => void;
  onZoom: (how: "closer" | "further" | "whole" | "true") => void;
}

export type Hand = ReturnType<typeof useHand>;

export function useHand({ id, page, choice, edits, move, onAudition, onKeys, onZoom }: Around) {
  const { say } = useFrame();
  const all = choice.chosen ? [choice.chosen, ...choice.also] : [];

  function copy(parts: readonly string[] = all): boolean {
    if (!parts.length) return false;
    keepCopied({ source: edits.now(), parts: [...parts] });
    return true;
  }

  function cut(parts: readonly string[] = all): void {
    if (copy(parts)) remove(parts);
  }

  async function paste(): Promise<void> {
    const copied = copiedLast();
    if (!copied) {
      say("Nothing was copied yet.");
      return;
    }
    const then = edits.now();
    try {
      const pasted = await askPaste({ ...copied, page: then, id });
      edits.editLate(copied.parts.length > 1 ? "pasted parts" : "pasted a part", then, pasted.page);
      choice.chooseAll(pasted.chosen);
      if (pasted.told) say(pasted.told);
    } catch (error) {
      say((error as Error).message);
    }
  }

  function remove(parts: readonly string[] = all): void {
    if (!parts.length) return;
    if (parts.some((part) => all.includes(part))) choice.choose(null);
    void edits.remove(parts);
  }

  function chooseEverything(): void {
    choice.chooseAll(page.parts.filter((part) => part.kind !== "base").map((part) => part.id));
  }

  async function arrange(act: "copy" | "group" | "ungroup", what: string): Promise<void> {
    const then = all.length ? await edits.arrange(all, what, { act }) : null;
    if (then) choice.chooseAll(then);
  }

  const again = () => void arrange("copy", all.length > 1 ? "copied parts" : "added another like it");
  const group = () => void arrange("group", "put parts together");
  const ungroup = () => void arrange("ungroup", "took a group apart");

  function withCtrl(event: KeyboardEvent, on: readonly string[]): (() => void) | undefined {
    return {
      a: chooseEverything,
      c: window.getSelection()?.toString() ? undefined : () => copy(on),
      x: () => cut(on),
      v: () => void paste(),
      d: again,
      g: event.shiftKey ? ungroup : group,
    }[event.key.toLowerCase()];
  }

  function alone(event: KeyboardEvent, on: readonly string[]): (() => void) | undefined {
    const step = arrow(event.key);
    const free = event.target instanceof Element && !event.target.closest("[data-row], [data-part], [data-handle]");
    if (step && choice.chosen && free && !event.altKey) {
      const far = event.shiftKey ? 8 : 1;
      const part = choice.chosen;
      return () => move.onNudge(part, [step[0] * far, step[1] * far]);
    }
    return {
      Delete: () => remove(on),
      Backspace: () => remove(on),
      Escape: () => choice.choose(null),
      ".": choice.chosen ? onAudition : undefined,
      ",": choice.chosen ? onAudition : undefined,
      "?": onKeys,
      "+": () => onZoom("closer"),
      "=": () => onZoom("closer"),
      "-": () => onZoom("further"),
      "0": () => onZoom("whole"),
      "1": () => onZoom("true"),
    }[event.key];
  }

  function onKey(event: KeyboardEvent): void {
    if (event.defaultPrevented || isElsewhere(event.target)) return;
    const at = event.target instanceof Element ? event.target.closest("[data-row], [data-part]") : null;
    const here = at?.getAttribute("data-row") ?? at?.getAttribute("data-part");
    // A key on a part that is not chosen is meant for that one.
    const on = here && !all.includes(here) ? [here] : all;
    const ctrl = event.ctrlKey || event.metaKey;
    const act = ctrl ? (event.altKey ? undefined : withCtrl(event, on)) : alone(event, on);
    if (!act) return;
    event.preventDefault();
    act();
  }

  const latest = useRef(onKey);
  latest.current = onKey;
  useEffect(() => {
    const listen = (event: KeyboardEvent) => latest.current(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);

  return { all, copy, cut, paste, remove, again, group, ungroup, chooseEverything };
}
