const day = 86_400_000;
const nameOf = (at: number): string => new Date(at).toISOString().slice(0, 10);

/**
 * The days (UTC) up to today, from the first one that something is known of: at least so many, so that a few
 * make no bars as wide as a hand. @param first as `2026-11-30`.
 */
export function lastDays(first: string, least: number, now = Date.now()): string[] {
  const today = Date.parse(`${nameOf(now)}T00:00:00Z`);
  const from = Math.min(Date.parse(`${first}T00:00:00Z`), today - (least - 1) * day);
  return Array.from({ length: Math.round((today - from) / day) + 1 }, (_, at) => nameOf(from + at * day));
}
