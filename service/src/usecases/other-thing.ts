import { directOf } from '@orbis/core';
import { formatKind } from '@orbis/contract';
import type { OpenedCode } from './codes.ts';
import { accountIn } from './embeds.ts';
import type { RenderContext } from './render-context.ts';

/** In what a code is another thing than the one before, each as it is said. */
export interface OtherThing {
  what: 'provider' | 'kind' | 'item';
  was: string;
  is: string;
}

/**
 * Tells a newer code of the same thing from one of another thing: of another provider, another kind, or
 * another item of the same provider, as far as the codes say which.
 */
export function otherThing(
  before: OpenedCode,
  after: OpenedCode,
  { sheets }: RenderContext,
): OtherThing | null {
  const [was, is] = [before, after].map((code) => code.reading) as [Reading, Reading];
  if (was.provider?.id !== is.provider?.id || haveOtherHosts(was, is))
    return { what: 'provider', was: sourceOf(was), is: sourceOf(is) };
  if (was.kind !== is.kind && [was, is].every(({ kind }) => !vague.has(kind)))
    return { what: 'kind', was: formatKind(was.kind, null), is: formatKind(is.kind, null) };
  const items = [before, after].map((code) => directOf(code.reading, sheets) ?? accountIn(code.current));
  const [item, other] = items;
  return item != null && other != null && item !== other ? { what: 'item', was: item, is: other } : null;
}

type Reading = OpenedCode['reading'];

/* What only tells how a thing is shown. */
const vague: ReadonlySet<string> = new Set(['unknown', 'frame', 'image']);

/* Of providers that nobody knows: whom the codes contact by themselves. */
function haveOtherHosts(was: Reading, is: Reading): boolean {
  if (was.provider !== null || is.provider !== null) return false;
  const [hosts, others] = [hostsOf(was), hostsOf(is)];
  return hosts.length > 0 && others.length > 0 && !hosts.some((host) => others.includes(host));
}

const hostsOf = ({ hosts }: Reading): string[] =>
  hosts.flatMap(({ host, when }) => (when === 'load' ? [host] : []));

const sourceOf = (reading: Reading): string =>
  `${formatKind(reading.kind, reading.provider)}${reading.provider === null && hostsOf(reading).length > 0 ? ` from ${hostsOf(reading)[0]}` : ''}`;
