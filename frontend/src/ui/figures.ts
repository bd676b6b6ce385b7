/** A sentence in which no figure is torn apart at the end of a line: its fraction and its unit stay with it. */
export function unbroken(sentence: string): string {
  return sentence.replace(/(\d) (?=\d+\/\d|mm\b)/g, "$1\u202f");
}

/** So many of something, as one says it. */
export function counted(count: number, what: string): string {
  return `${count || "no"} ${what}${count === 1 ? "" : "s"}`;
}
