/**
 * What a late answer changed, put into what is there now.
 *
 * A question is asked about a document as it stood; while its answer is on the way the hand goes on. Only what the answer
 * made different is taken over, and where both changed the same value, the hand's stays.
 */

type Keyed = { id: string };

/** `asked` is what the question was about, `answer` what came of it, `now` what the hand has made of `asked` since. */
export function merged<T>(asked: T, answer: T, now: T): T {
  if (asked === now || same(asked, now)) return answer;
  if (same(asked, answer)) return now;
  if (isRecord(asked) && isRecord(answer) && isRecord(now)) {
    const names = new Set([...Object.keys(answer), ...Object.keys(now)]);
    const both: Record<string, unknown> = {};
    for (const name of names) both[name] = merged(asked[name], answer[name], now[name]);
    return both as T;
  }
  if (Array.isArray(asked) && Array.isArray(answer) && Array.isArray(now)) {
    if ([asked, answer, now].every(isKeyed))
      return mergedById(asked as Keyed[], answer as Keyed[], now as Keyed[]) as T;
    if (asked.length === answer.length && asked.length === now.length)
      return now.map((one, k) => merged(asked[k], answer[k], one)) as T;
  }
  return now;
}

/** In the answer's order; what the hand has put in since stands on what it stood on, what it took off is off. */
function mergedById(asked: Keyed[], answer: Keyed[], now: Keyed[]): Keyed[] {
  const find = (all: Keyed[], id: string) => all.find((one) => one.id === id);
  const both: Keyed[] = [];
  for (const one of answer) {
    const before = find(asked, one.id);
    const since = find(now, one.id);
    if (before && since) both.push(merged(before, one, since));
    else if (!before) both.push(one);
  }
  now.forEach((one, k) => {
    if (find(asked, one.id) || find(both, one.id)) return;
    const under = now
      .slice(0, k)
      .reverse()
      .find((below) => find(both, below.id));
    both.splice(under ? both.findIndex((below) => below.id === under.id) + 1 : 0, 0, one);
  });
  return both;
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

function isKeyed(list: unknown[]): boolean {
  return list.every((one) => isRecord(one) && typeof one.id === "string");
}

function same(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((value, k) => same(value, other[k]));
  if (!isRecord(one) || !isRecord(other)) return false;
  const names = new Set([...Object.keys(one), ...Object.keys(other)]);
  return [...names].every((name) => same(one[name], other[name]));
}
