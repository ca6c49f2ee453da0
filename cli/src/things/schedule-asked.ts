import { weekdays, type Schedule } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';

/**
 * When something comes again and again, as it is typed: `hour`, `day@03:00`, `monday`, `never`.
 * @param usual the time of day that is meant where none is said.
 * @param zone the time zone that it is meant in; that of this machine where none is said.
 */
export function scheduleIn(text: string, zone: string | undefined, usual = '03:00'): Schedule | null {
  const [word = '', time = usual] = text.trim().toLowerCase().split('@');
  if (word === 'never') return null;
  const every = (['hour', 'day', ...weekdays] as const).find((each) => each === word);
  if (every === undefined || !/^\d{1,2}:\d\d$/.test(time))
    throw new UsedWrongly(
      `“${text}” is no time that comes again. Say hour, day@${usual}, monday@${usual} or never.`,
    );
  return {
    every,
    at: time.padStart(5, '0'),
    zone: zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
  };
}
