import { Cron } from 'croner';
import { weekdays, type Schedule } from '@orbis/contract';

/** When something that comes again and again comes next after this time; null where it never does. */
export function nextTimeOf(schedule: Schedule | null, after: Date): Date | null {
  if (schedule === null) return null;
  const { every, at, zone } = schedule;
  const [hour, minute] = at.split(':').map(Number) as [number, number];
  const day = every === 'hour' || every === 'day' ? '*' : String((weekdays.indexOf(every) + 1) % 7);
  const pattern = `${minute} ${every === 'hour' ? '*' : hour} * * ${day}`;
  return new Cron(pattern, { timezone: zone, paused: true }).nextRun(after);
}
