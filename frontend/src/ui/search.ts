/** What is looked for by what is typed: in the menu, on the shelf. */
import type { Offered } from "../api/usual";

/** The entries whose words begin with what was typed: those whose name does first, then those that have it as a word. */
export function found(menu: readonly Offered[], typed: string): Offered[] {
  const asked = typed.trim().toLowerCase();
  if (!asked) return [...menu];
  const rank = ({ name, words }: Offered): number => {
    if (name.toLowerCase().startsWith(asked)) return 0;
    const all = wordsOf(`${name} ${words}`);
    if (all.includes(asked)) return 1;
    const begins = (text: string) => wordsOf(text).some((word) => word.startsWith(asked));
    return begins(name) ? 2 : begins(words) ? 3 : 9;
  };
  return menu
    .map((entry) => ({ entry, rank: rank(entry) }))
    .filter((one) => one.rank < 9)
    .sort((a, b) => a.rank - b.rank)
    .map((one) => one.entry);
}

export const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** Whether every word that was typed begins one of these. */
export function isCalled(typed: string, words: readonly string[]): boolean {
  return wordsOf(typed).every((asked) => words.some((word) => word.startsWith(asked)));
}
