import type { Code } from '../code.ts';
import { contribution, problem, type Option } from '../options/option.ts';
import { listType } from '../options/types/list.ts';
import type { Options } from '../options/values.ts';
import { isHost } from '../text/policy.ts';
import { framedWay } from './ways.ts';

/** So many hosts a document may contact. */
const mostContacts = 40;

export const option: Option<readonly string[]> = {
  name: 'contacts',
  stage: 'isolation',
  type: listType({ items: mostContacts }),
  kinds: 'any',
  example: 'cdn.slotsedge.example, slots.slotsedge.example',
  source: 'CSP 3, section 6.1 (fetch directives)',
  isOffered: () => true,
  current: () => null,
  contribute: (_, hosts, { options }) => {
    if (framedWay(options) === null) return problem('contacts-need-frame');
    const wrong = hosts.find((host) => !isHost(host));
    return wrong === undefined ? contribution([]) : problem('no-host', { found: wrong });
  },
};

/** The hosts that a document may contact, where its owner has fixed them; null where not. */
export const fixedContacts = (options: Options): readonly string[] | null =>
  framedWay(options) === null ? null : ((options['contacts'] as readonly string[] | undefined) ?? null);

/** Whom a code contacts, as far as that is known or fixed. */
export interface Contacts {
  /** Whether its owner has fixed them: any other host is blocked then. */
  areFixed: boolean;
  hosts: readonly string[];
  /** Those that the code itself names and its owner has left out. */
  leftOut: readonly string[];
}

/** Whom a code contacts when it is loaded: as its owner has fixed it, else as its reading tells. */
export function contactsOf({ reading }: Pick<Code, 'reading'>, options: Options): Contacts {
  const named = reading.hosts.filter(({ when }) => when === 'load').map(({ host }) => host);
  const fixed = fixedContacts(options);
  return fixed === null
    ? { areFixed: false, hosts: named, leftOut: [] }
    : { areFixed: true, hosts: fixed, leftOut: named.filter((host) => !isAmong(host, fixed)) };
}

/** Whether a host is one of these, or below a `*.` of one (CSP 3, section 6.7.2.6). */
export const isAmong = (host: string, hosts: readonly string[]): boolean =>
  hosts.some((each) => each === host || (each.startsWith('*.') && host.endsWith(each.slice(1))));
