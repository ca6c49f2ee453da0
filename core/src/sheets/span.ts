import { writeTime } from './time-format.ts';
import type { TimeFormat } from './sheet.ts';

/**
 * Start and end as one parameter has them, written as they are: `t=112,184` (Media
 * Fragments URI 1.0, section 4.2.1).
 */
export function readSpan(value: string | null | undefined): { start: string; end: string } {
  const found = /^(?:npt:)?([^,]*)(?:,(.*))?$/.exec(value ?? '');
  return { start: found?.[1] ?? '', end: found?.[2] ?? '' };
}

/** The parameter's value with another start or end, the rest as it was. */
export function writeSpan(
  now: string | null | undefined,
  which: 'start' | 'end',
  seconds: number,
  format: TimeFormat,
): string {
  const span = { ...readSpan(now), [which]: writeTime(seconds, format) };
  return span.end === '' ? span.start : `${span.start},${span.end}`;
}
