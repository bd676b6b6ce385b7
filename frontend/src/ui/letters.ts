const letters = new Intl.Segmenter(undefined, { granularity: "grapheme" });

/** The beginning of a text, of so many characters as the server counts them; no letter or sign is cut in two. */
export function cutTo(text: string, most: number): string {
  if (text.length <= most) return text;
  let [kept, count] = ["", 0];
  for (const { segment } of letters.segment(text)) {
    count += [...segment].length;
    if (count > most) break;
    kept += segment;
  }
  return kept;
}
