import { Cron } from 'croner';
import { weekdays, type Schedule } from '@orbis/contract';

/** When a site is read by itself the next time after this one; null where it never is. */
export function nextSweepOf(schedule: Schedule | null, after: Date): Date | null {
  if (schedule === null) return null;
  const { every, at, zone } = schedule;
  const [hour, minute] = at.split(':').map(Number) as [number, number];
  const day = every === 'hour' || every === 'day' ? '*' : String((weekdays.indexOf(every) + 1) % 7);
  const pattern = `${minute} ${every === 'hour' ? '*' : hour} * * ${day}`;
  return new Cron(pattern, { timezone: zone, paused: true }).nextRun(after);
}
