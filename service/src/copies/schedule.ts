/** When a copy is due each day, by this machine’s clock. */
export interface DailyAt {
  hour: number;
  minute: number;
}

/** @example dailyAt('03:30') // { hour: 3, minute: 30 } */
export function dailyAt(text: string): DailyAt {
  const [hour, minute] = text.split(':').map(Number) as [number, number];
  return { hour, minute };
}

/** The last moment at which a copy was due, up to now. */
export function lastDue({ hour, minute }: DailyAt, now: Date): Date {
  const today = new Date(now);
  today.setHours(hour, minute, 0, 0);
  if (today <= now) return today;
  return onDay(today, -1);
}

/** The next moment at which one is due. */
export const nextDue = (at: DailyAt, now: Date): Date => onDay(lastDue(at, now), 1);

/* The same time of another day: not a number of hours later, as some days have another hour. */
function onDay(at: Date, days: number): Date {
  const other = new Date(at);
  other.setDate(other.getDate() + days);
  return other;
}
