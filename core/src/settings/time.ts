import type { TimeFormat } from '../sheets/sheet.ts';
import type { Parsed } from './setting.ts';

/**
 * Reads a time as people say it: `112`, `112.5`, `1:52`, `1:01:52`, `1m52s`, `1h1m52s`.
 * Seconds, at most to the millisecond, below 100 hours.
 */
export function parseTime(text: string): Parsed<number> {
  const said = text.trim().toLowerCase();
  const seconds = plain(said) ?? clock(said) ?? units(said);
  if (seconds === null) return { ok: false, expected: 'a time such as 1:52, 1:01:52, 112 or 1m52s (minutes and seconds below 60)' };
  if (seconds >= 360_000) return { ok: false, expected: 'a time below 100 hours' };
  return { ok: true, value: seconds };
}

/** Writes seconds as people read them: `1:52`, `1:01:52`, with tenths only where there are any. */
export function sayTime(seconds: number): string {
  const whole = Math.floor(seconds);
  const rest = Math.round((seconds - whole) * 1000);
  const fraction =
    rest === 0
      ? ''
      : `.${String(rest)
          .padStart(3, '0')
          .replace(/0{1,3}$/, '')}`;
  const two = (n: number): string => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return (h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`) + fraction;
}

/** Writes a time as a provider wants it. */
export function writeTime(seconds: number, format: TimeFormat): string {
  switch (format) {
    case 'seconds':
      return String(seconds);
    case 'milliseconds':
      return String(Math.round(seconds * 1000));
    case 'clock':
      return sayTime(seconds);
    case 'units': {
      const [h, m] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60];
      const s = Math.round((seconds % 60) * 1000) / 1000;
      return `${h > 0 ? `${h}h` : ''}${h > 0 || m > 0 ? `${m}m` : ''}${s}s`;
    }
  }
}

/** Reads a time as a provider writes it; null where it is none. */
export function readTime(text: string, format: TimeFormat): number | null {
  if (format === 'milliseconds') return /^\d{1,12}$/.test(text) ? Number(text) / 1000 : null;
  const read = parseTime(text);
  return read.ok ? read.value : null;
}

const plain = (said: string): number | null => (/^\d{1,7}(?:\.\d{1,3})?s?$/.test(said) ? Number(said.replace('s', '')) : null);

function clock(said: string): number | null {
  const found = /^(?:(\d{1,3}):)?(\d{1,3}):(\d{2}(?:\.\d{1,3})?)$/.exec(said);
  if (!found) return null;
  const [hours, minutes, seconds] = [Number(found[1] ?? 0), Number(found[2]), Number(found[3])];
  if (seconds >= 60 || (found[1] !== undefined && minutes >= 60)) return null;
  return rounded(hours * 3600 + minutes * 60 + seconds);
}

function units(said: string): number | null {
  const found = /^(?:(\d{1,3})h)? ?(?:(\d{1,5})m)? ?(?:(\d{1,7}(?:\.\d{1,3})?)s)?$/.exec(said);
  if (!found || said.trim() === '') return null;
  return rounded(Number(found[1] ?? 0) * 3600 + Number(found[2] ?? 0) * 60 + Number(found[3] ?? 0));
}

const rounded = (seconds: number): number => Math.round(seconds * 1000) / 1000;
