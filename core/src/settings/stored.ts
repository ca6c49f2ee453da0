import type { ReadAddress } from '../reading/reading.ts';
import type { Sheet, SwitchValue } from '../sheets/sheet.ts';
import { readTime } from './time.ts';

type SwitchName = 'autoplay' | 'muted' | 'loop' | 'controls';

/** What an address says of a switch: on, off, or nothing (null). */
export function switchIn(address: Pick<ReadAddress, 'parameters'>, sheet: Sheet, name: SwitchName): boolean | null {
  const rule = sheet.settings[name];
  if (!rule || rule.in === 'attribute') return null;
  const found = address.parameters.find((p) => p.in === rule.in && p.name === rule.name);
  const is = (wanted: SwitchValue): boolean =>
    wanted === null ? !found : wanted === true ? found !== undefined && (found.value === null || found.value === '') : found?.value === wanted;
  if (found === undefined) return null;
  return is(rule.on) ? true : is(rule.off) ? false : null;
}

/** The clip that an address asks for, in seconds; null where it says nothing. */
export function clipIn(address: Pick<ReadAddress, 'parameters'>, sheet: Sheet): { start: number | null; end: number | null } {
  const time = (name: 'start' | 'end'): number | null => {
    const rule = sheet.settings[name];
    const found = rule && address.parameters.find((p) => p.in === rule.in && p.name === rule.name);
    return rule && found?.value ? readTime(found.value, rule.format) : null;
  };
  return { start: time('start'), end: time('end') };
}

/** The clip that any address asks for: a frame's by its provider's sheet, a file's by its media fragment (Media Fragments URI 1.0, section 4.2.1). */
export function clipOf(address: ReadAddress, sheet: Sheet | null): { start: number | null; end: number | null } {
  if (address.use === 'frame' && sheet) return clipIn(address, sheet);
  const t = address.use === 'media' ? address.parameters.find((p) => p.in === 'fragment' && p.name === 't')?.value : null;
  const found = t ? /^(?:npt:)?([\d:.]{0,16})(?:,([\d:.]{1,16}))?$/.exec(t) : null;
  const time = (said: string | undefined): number | null => (said ? readTime(said, 'clock') : null);
  return { start: time(found?.[1]), end: time(found?.[2]) };
}
