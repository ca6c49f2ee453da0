import type { ReadAddress } from '../reading/reading.ts';
import { ruleOf, type Sheet, type SwitchValue } from './sheet.ts';
import { readSpan } from './span.ts';
import { readTime } from './time-format.ts';

/** What an address says of a switch: on, off, or nothing (null). */
export function switchIn(
  address: Pick<ReadAddress, 'parameters'>,
  sheet: Sheet,
  name: string,
): boolean | null {
  const rule = ruleOf<'switch'>(sheet, name);
  if (!rule || (rule.in !== 'query' && rule.in !== 'fragment')) return null;
  const found = address.parameters.find((p) => p.in === rule.in && p.name === rule.name);
  const is = (wanted: SwitchValue): boolean =>
    wanted === null
      ? !found
      : wanted === true
        ? found !== undefined && (found.value === null || found.value === '')
        : found?.value === String(wanted);
  if (found === undefined) return null;
  return is(rule.on) ? true : is(rule.off) ? false : null;
}

/** The clip that an address asks for, in seconds; null where it says nothing. */
export function clipIn(
  address: Pick<ReadAddress, 'parameters'>,
  sheet: Sheet,
): { start: number | null; end: number | null } {
  const time = (name: 'start' | 'end'): number | null => {
    const rule = ruleOf<'time'>(sheet, name);
    const found = rule && address.parameters.find((p) => p.in === rule.in && p.name === rule.name);
    if (!rule || !found?.value) return null;
    const said = rule.span ? readSpan(found.value)[rule.span] : found.value;
    return said === '' ? null : readTime(said, rule.format);
  };
  return { start: time('start'), end: time('end') };
}

/**
 * The clip that any address asks for: by its sheet, or a file's by its media fragment (Media Fragments URI
 * 1.0, section 4.2.1).
 */
export function clipOf(
  address: ReadAddress,
  sheet: Sheet | null,
): { start: number | null; end: number | null } {
  if (address.use !== 'media') return sheet ? clipIn(address, sheet) : plainClip(address);
  const span = readSpan(address.parameters.find((p) => p.in === 'fragment' && p.name === 't')?.value);
  const time = (said: string): number | null =>
    said.length > 0 && said.length <= 16 ? readTime(said, 'clock') : null;
  return { start: time(span.start), end: time(span.end) };
}

/* Of a frame that no sheet knows: `start` and `end` say what they mean where both are plain seconds. */
function plainClip({ use, parameters }: ReadAddress): { start: number | null; end: number | null } {
  const seconds = (name: string): number | null => {
    const value = parameters.find((p) => p.name.toLowerCase() === name)?.value ?? '';
    return /^\d{1,6}$/.test(value) ? Number(value) : null;
  };
  const [start, end] = [seconds('start'), seconds('end')];
  return use === 'frame' && start !== null && end !== null ? { start, end } : { start: null, end: null };
}
