import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from 'playwright-core';

type Findings = Awaited<ReturnType<AxeBuilder['analyze']>>['violations'];

/**
 * What axe finds on a screen, once nothing fades in or out any more: what is half faded has no contrast, and
 * nobody reads it then. The insides of frames are foreign and are left out.
 */
export async function axeFindings(page: Page): Promise<Findings> {
  await page.waitForFunction(() =>
    document
      .getAnimations()
      .every(
        ({ playState, effect }) =>
          playState !== 'running' || effect?.getComputedTiming().iterations === Infinity,
      ),
  );
  return (await new AxeBuilder({ page }).exclude('iframe').analyze()).violations;
}

/** What keeps people from using a screen: the findings of axe that are serious or critical. */
export const barriers = async (page: Page): Promise<Findings> =>
  (await axeFindings(page)).filter(({ impact }) => impact === 'serious' || impact === 'critical');
