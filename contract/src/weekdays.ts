/** The days of the week, from Monday on. */
export const weekdays = [
  'monday',
  'tuesday',
  'wednesday',
  'thursday',
  'friday',
  'saturday',
  'sunday',
] as const;
export type Weekday = (typeof weekdays)[number];

/** When something comes again and again. */
export interface Schedule {
  every: 'hour' | 'day' | Weekday;
  /** The time of day, as HH:MM; of it only the minutes count where it is every hour. */
  at: string;
  /** The time zone that it is meant in (IANA). */
  zone: string;
}
