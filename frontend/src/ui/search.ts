/** What is looked for by what is typed: in the menu, on the shelf. */
import type { Offered } from "../api/usual";

/** The entries whose words begin with what was typed, those whose own name does first. */
export function found(menu: readonly Offered[], typed: string): Offered[] {
  const asked = typed.trim().toLowerCase();
  if (!asked) return [...menu];
  const rank = ({ name, words }: Offered): number => {
    if (name.toLowerCase().startsWith(asked)) return 0;
    const begins = (text: string) =>
      text
        .toLowerCase()
        .split(/[\s,-]+/)
        .some((word) => word.startsWith(asked));
    return begins(name) ? 1 : begins(words) ? 2 : 9;
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
