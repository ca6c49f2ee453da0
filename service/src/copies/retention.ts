/** How many days, weeks and months a copy is kept for. */
export interface Keep {
  days: number;
  weeks: number;
  months: number;
}

const day = 86_400_000;

/* Days, weeks from Monday (ISO 8601) and months, in UTC, by a number that grows with time. */
const periods: Readonly<Record<keyof Keep, (at: Date) => number>> = {
  days: (at) => Math.floor(at.getTime() / day),
  // The first day of 1970 was a Thursday.
  weeks: (at) => Math.floor((at.getTime() / day + 3) / 7),
  months: (at) => at.getUTCFullYear() * 12 + at.getUTCMonth(),
};

/**
 * Which copies are kept, of those made at these times: the newest of each of the last days, weeks and months
 * in which there is one, and the newest of all. Days without a copy count for nothing, so that a server that
 * stood still for long loses none.
 */
export function copiesToKeep(times: readonly Date[], keep: Keep): Set<Date> {
  const newestFirst = [...times].sort((a, b) => b.getTime() - a.getTime());
  const kept = new Set<Date>(newestFirst.slice(0, 1));
  for (const [name, period] of Object.entries(periods) as [keyof Keep, (at: Date) => number][]) {
    const newest = new Map<number, Date>();
    for (const at of newestFirst) if (!newest.has(period(at))) newest.set(period(at), at);
    for (const at of [...newest.values()].slice(0, keep[name])) kept.add(at);
  }
  return kept;
}
