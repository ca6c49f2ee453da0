import type { TimeFormat } from './sheet.ts';
import { formatTime, parseTime } from '../options/types/time.ts';

/** Writes a time as a provider wants it. */
export function writeTime(seconds: number, format: TimeFormat): string {
  switch (format) {
    case 'seconds':
      return String(seconds);
    case 'milliseconds':
      return String(Math.round(seconds * 1000));
    case 'clock':
      return formatTime(seconds);
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
