import { OrbisError } from '@orbis/contract';
import type { Browser } from '../browser/browser.ts';
import { readRendered } from '../browser/read-rendered.ts';
import { FetchFailure } from '../fetching/failure.ts';

/* As much of a page as is read of one that is fetched, in characters. */
const most = 5_000_000;

/**
 * A page as it is once its scripts have run.
 * @throws FetchFailure where no browser can show it.
 */
export async function textWithBrowser(
  browser: Pick<Browser, 'work'>,
  url: string,
  declared: readonly string[],
): Promise<string> {
  const { text } = await browser
    .work((tab) => readRendered(tab, url), { declared })
    .catch((error: unknown) => {
      if (!(error instanceof OrbisError)) throw error;
      throw new FetchFailure(
        error.message,
        'See that a browser is installed where Orbis runs, and check again.',
      );
    });
  if (text.length > most)
    throw new FetchFailure('With its scripts the page has more than 5 MB.', 'See what makes it so large.');
  return text;
}
