/** What the keys do at the page: the list that is shown at "?", in the order in which one looks for them. */

export const KEYS: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  [
    "Choose",
    [
      ["Tab", "the next part on the page"],
      ["Shift Enter", "this one besides"],
      ["Ctrl A", "all of them"],
      ["Esc", "none"],
    ],
  ],
  [
    "Move",
    [
      ["Arrows", "a mark"],
      ["Shift Arrows", "eight marks"],
      ["Alt Up, Alt Down", "in the recipe: further underneath, further up"],
    ],
  ],
  [
    "Change",
    [
      ["Ctrl C, Ctrl X, Ctrl V", "copy, cut, paste, on any page"],
      ["Ctrl D", "another like it"],
      ["Ctrl G, Ctrl Shift G", "keep together, let go apart"],
      ["Delete", "take off the page"],
      [". ,", "audition papers"],
      ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
    ],
  ],
  [
    "Look",
    [
      ["+ −", "closer, further away"],
      ["0", "the whole page"],
      ["1", "as large as it is"],
      ["?", "these keys"],
    ],
  ],
];

/** Whether a key press belongs to a field, a menu or a dialog. */
export function isElsewhere(target: EventTarget | null): boolean {
  if (!(target instanceof Element)) return false;
  const typed = target.matches(
    "input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable=true]",
  );
  return typed || target.closest("[role=dialog], [role=menu], [role=listbox], [role=slider]") !== null;
}
