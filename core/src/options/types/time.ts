import { notUnderstood, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

/** Everything is shorter than this, in seconds: 100 hours. */
const longestTime = 360_000;

/**
 * Reads a time as people write it: `112`, `112.5`, `1:52`, `1:01:52`, `1m52s`, `1h1m52s`, or as a duration of
 * ISO 8601 (RFC 3339, appendix A): `PT1M52S`.
 * Seconds, at most to the millisecond, below 100 hours.
 */
export function parseTime(text: string): Parsed<number> {
  const said = text.trim().toLowerCase();
  const seconds = plain(said) ?? clock(said) ?? units(said);
  if (seconds === null) return notUnderstood('time');
  return seconds >= longestTime ? notUnderstood('time-shorter') : { ok: true, value: seconds };
}

/** Writes seconds as people read them: `1:52`, `1:01:52`, with tenths only where there are any. */
export function formatTime(seconds: number): string {
  const whole = Math.floor(seconds);
  const rest = Math.round((seconds - whole) * 1000);
  const digits = String(rest)
    .padStart(3, '0')
    .replace(/0{1,3}$/, '');
  const two = (n: number): string => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return (h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`) + (rest === 0 ? '' : `.${digits}`);
}

/** A time in seconds. */
export const timeType: OptionType<number> = {
  name: 'time',
  limits: {},
  parse: parseTime,
  format: formatTime,
};

const plain = (said: string): number | null =>
  /^\d{1,7}(?:\.\d{1,3})?s?$/.test(said) ? Number(said.replace('s', '')) : null;

function clock(said: string): number | null {
  const found = /^(?:(\d{1,3}):)?(\d{1,3}):(\d{2}(?:\.\d{1,3})?)$/.exec(said);
  if (!found) return null;
  const [hours, minutes, seconds] = [Number(found[1] ?? 0), Number(found[2]), Number(found[3])];
  if (seconds >= 60 || (found[1] !== undefined && minutes >= 60)) return null;
  return rounded(hours * 3600 + minutes * 60 + seconds);
}

function units(said: string): number | null {
  const found = /^(?:(\d{1,3})h)? ?(?:(\d{1,5})m)? ?(?:(\d{1,7}(?:\.\d{1,3})?)s)?$/.exec(
    said.replace(/^pt(?=\d)/, '').replace(',', '.'),
  );
  if (!found || said.trim() === '') return null;
  return rounded(Number(found[1] ?? 0) * 3600 + Number(found[2] ?? 0) * 60 + Number(found[3] ?? 0));
}

const rounded = (seconds: number): number => Math.round(seconds * 1000) / 1000;
