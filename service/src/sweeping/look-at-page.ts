import { digest } from '../digest.ts';
import type { FetchedPage, KnownPage } from '../fetching/client.ts';
import type { FetchFailure } from '../fetching/failure.ts';
import { lastReadOf, type PageReadRow } from '../store/page-reads.ts';
import type { PageOfSweep, PageResult, SamePage } from '../store/sweeps.ts';
import { addressOfPage } from './address-of-page.ts';
import { expectedOn } from './expected-on-page.ts';
import type { LookTools, PageTools } from './look-tools.ts';
import { unreachable } from './placement-result.ts';
import { whyUnreadable } from './unreadable.ts';
import { whatIsOnPage } from './what-is-on-page.ts';

/** What a page showed; why it could not be read; and how long its host took, in ms. */
export interface Looked {
  result: PageResult | SamePage;
  failure: FetchFailure | null;
  took: number;
}

/**
 * Reads a page, and makes out what it shows of what is placed on it. One that is as it was, and of which
 * nothing else is expected than before, is not made out again.
 * @param givenUp why its host is not asked any more; null where it is.
 */
export async function lookAtPage(
  row: PageOfSweep,
  tools: PageTools,
  givenUp: FetchFailure | null,
): Promise<Looked> {
  const { db, renderContext, refresh } = tools;
  const expected = await expectedOn(row, {
    ...tools,
    renderContext: () => refresh().then(renderContext),
  });
  const declared = await tools.declaredSites(row.address ?? row.site.address);
  const last = row.address === null ? await lastReadOf(db, row.page.id) : null;
  const known = last?.basis === expected.basis ? last : null;
  let took = 0;
  try {
    if (givenUp) throw givenUp;
    const began = performance.now();
    const answer = await ask(addressOfPage(row), { declared, known, fetching: tools.fetching }).finally(
      () => (took = performance.now() - began),
    );
    const page = answer.text === null ? null : { ...answer, content: digest(answer.text) };
    if (known && (page === null || page.content === known.content)) {
      const { status } = answer;
      const etag = page?.etag ?? known.etag;
      return { result: { state: 'same', status, known, etag }, failure: null, took };
    }
    return { result: await whatIsOnPage(page!, row, expected, { ...tools, declared }), failure: null, took };
  } catch (error) {
    const failure = whyUnreadable(error);
    return { result: unreachable(row, expected, failure), failure, took };
  }
}

/* Asks for a page, and only whether it has changed where its host can say that. */
const ask = (
  address: string,
  {
    declared,
    known,
    fetching,
  }: { declared: readonly string[]; known: PageReadRow | null; fetching: LookTools['fetching'] },
): Promise<FetchedPage | KnownPage> =>
  known && known.etag !== ''
    ? fetching.readPageAgain(address, declared, known.etag)
    : fetching.readPage(address, declared);
