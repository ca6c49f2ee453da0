import PQueue from 'p-queue';
import { framingOf, type ReadAddress } from '@orbis/core';
import { formatLink, formatTrouble, refuseProblems, type Inquiry, type TroubleCode } from '@orbis/contract';
import { FetchFailure } from '../fetching/failure.ts';
import { declaredAddresses } from '../store/places.ts';
import { asPreviewed, type Trial, type TrialTools } from './try-out.ts';

/* More a code does not load; and as much of an answer as says that there is one. */
const [mostAsked, beginning, atOnce] = [12, 2048, 4];
const asked: readonly string[] = ['frame', 'script', 'stylesheet'];

type Trouble = Inquiry['troubles'][number];

/**
 * Asks for what a trial loads, each thing once, and tells what is not there, does not answer, or does not let
 * itself be framed on the owner’s sites.
 * @throws OrbisError of the options that it cannot have.
 */
export async function inquire(trial: Trial, tools: TrialTools): Promise<Inquiry> {
  const { tried } = await asPreviewed(trial, tools);
  refuseProblems(tried.composition.problems);
  const declared = await declaredAddresses(tools.connection.db);
  const things = toAskFor(tried.code.reading.addresses);
  const queue = new PQueue({ concurrency: atOnce });
  const troubles = await queue.addAll(things.map((thing) => () => troubleWith(thing, declared, tools)));
  return { asked: things.length, troubles: troubles.filter((trouble) => trouble !== null) };
}

type Thing = Pick<ReadAddress, 'use' | 'url'>;

function toAskFor(addresses: readonly ReadAddress[]): Thing[] {
  const things = new Map<string, Thing>();
  for (const { use, url } of addresses) {
    const full = url.startsWith('//') ? `https:${url}` : url;
    if (asked.includes(use) && /^https?:/i.test(full) && !things.has(full))
      things.set(full, { use, url: full });
  }
  return [...things.values()].slice(0, mostAsked);
}

async function troubleWith(
  { use, url }: Thing,
  declared: readonly string[],
  { fetching }: Pick<TrialTools, 'fetching'>,
): Promise<Trouble | null> {
  const told = (code: TroubleCode, facts: Trouble['facts']): Trouble => {
    const all = { use, address: url, ...facts };
    return { code, address: url, facts: all, message: formatTrouble({ code, facts: all }) };
  };
  try {
    const { url: page, headers } = await fetching.get(url, { declared, accept: '*/*', beginning });
    if (use !== 'frame') return null;
    const framing = framingOf({
      page,
      frameOptions: headers.get('x-frame-options'),
      policies: [headers.get('content-security-policy') ?? ''],
      by: declared.map((address) => new URL(address).origin),
    });
    return framing.allowed
      ? null
      : told('refuses-frames', { host: new URL(page).host, because: formatLink(framing.reason) });
  } catch (error) {
    if (!(error instanceof FetchFailure)) throw error;
    return error.status === null
      ? told('no-answer', { why: error.message })
      : told('not-there', { status: error.status });
  }
}
