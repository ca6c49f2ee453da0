import { shouldBe } from './misfit.ts';
import { weekdays } from './weekdays.ts';
import { z } from './zod.ts';

/** Whether a time zone of the IANA database is known here. */
function isTimeZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

/** When the pages of a site are read by themselves. */
export const schedule = z
  .strictObject({
    every: z.enum(['hour', 'day', ...weekdays]),
    at: z
      .string()
      .regex(/^(?:[01]\d|2[0-3]):[0-5]\d$/, shouldBe('a time of day such as 03:00'))
      .meta({ description: 'The time of day; of it only the minutes count where it is every hour' }),
    zone: z
      .string()
      .max(60)
      .refine(isTimeZone, { error: 'a time zone such as Europe/London' })
      .meta({ description: 'The time zone that it is meant in (IANA)' }),
  })
  .meta({ id: 'Schedule', example: { every: 'day', at: '03:00', zone: 'Europe/London' } });
