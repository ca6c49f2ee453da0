import { Option } from 'commander';
import { mostStanding, OrbisError, plural, spoken, type Standing } from '@orbis/contract';

/** Agrees to what becomes of what is placed in a spot, page or site that is removed. */
export const endsPlacements = (): Option =>
  new Option('--end-placements', 'also where something is placed there: that ends with it');

/** @throws OrbisError `in-use` with what would become of what is placed there, where that is not agreed to */
export function refuseToEnd(
  what: 'spot' | 'page' | 'block' | 'site',
  key: string,
  standing: Standing,
  isAgreed: boolean,
): void {
  if (standing.placements === 0 || isAgreed) return;
  const said = spoken.standing.removed(standing, mostStanding);
  const by = `${said[0]!.toLowerCase()}${said.slice(1)} Say --end-placements to remove it all the same`;
  throw new OrbisError('in-use', { what, key, by });
}

/** What ended with it. */
export const endedWith = ({ placements }: Standing): string =>
  placements === 0
    ? ''
    : `, and ended ${placements < mostStanding ? plural(placements, 'placement') : `${mostStanding} placements or more`}`;
