/* What stands between the title of a page and the name of its site. */
const separator = / [·|–—:-] /;

/**
 * Titles of pages of one site, with their blanks folded, without what at least half of them (and two) end or
 * begin with: “Talks · Hollin Fell” is “Talks”.
 */
export function withoutSiteName(titles: readonly string[]): string[] {
  const split = titles.map((title) => title.split(separator));
  const [first, last] = [mostFrequent(split.map((parts) => parts[0])), mostFrequent(split.map(lastOf))];
  return titles.map((title, i) => {
    const parts = split[i]!;
    if (parts.length < 2) return title;
    if (last !== null && lastOf(parts) === last)
      return title.slice(0, title.lastIndexOf(last)).replace(trailing, '');
    if (first !== null && parts[0] === first) return title.slice(first.length).replace(leading, '');
    return title;
  });
}
const trailing = / [·|–—:-] $/;
const leading = /^ [·|–—:-] /;
const lastOf = (parts: readonly string[]): string | undefined => parts.at(-1);

/* What at least half of them are, and two; null where none is. */
function mostFrequent(words: readonly (string | undefined)[]): string | null {
  const counts = new Map<string, number>();
  for (const word of words) if (word !== undefined) counts.set(word, (counts.get(word) ?? 0) + 1);
  const [word, count] = [...counts].reduce((best, each) => (each[1] > best[1] ? each : best), ['', 0]);
  return count >= 2 && count * 2 >= words.length ? word : null;
}
