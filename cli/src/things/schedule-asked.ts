import { weekdays, type Schedule } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';

/**
 * When the pages of a site are read by themselves, as it is typed: `hour`, `day@03:00`, `monday`, `never`.
 * @param zone the time zone that it is meant in; that of this machine where none is said.
 */
export function scheduleIn(text: string, zone: string | undefined): Schedule | null {
  const [word = '', time = '03:00'] = text.trim().toLowerCase().split('@');
  if (word === 'never') return null;
  const every = (['hour', 'day', ...weekdays] as const).find((each) => each === word);
  if (every === undefined || !/^\d{1,2}:\d\d$/.test(time))
    throw new UsedWrongly(`“${text}” is no time to read pages. Say hour, day@03:00, monday@03:00 or never.`);
  return {
    every,
    at: time.padStart(5, '0'),
    zone: zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone,
  };
}
