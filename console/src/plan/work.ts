import type { PagePlan, PlanStep } from '@orbis/contract';
import { api, refresh } from '../api.ts';

/** What is done with the steps of a plan, by its owner or by whoever has a link. */
export interface PlanWork {
  /** The code of a step, with its number: from then on a sweep knows it. */
  handOut(step: PlanStep): Promise<string>;
  /** Says that a step is done, or that it is not. */
  tick(step: PlanStep, done: boolean): Promise<void>;
  /** Has the page read, to see whether what is ticked has arrived; nothing where one may not. */
  check?: () => void;
}

/** The work of somebody who is signed in. */
export const ownersWork = ({ page, snippets }: PagePlan, check: () => void): PlanWork => ({
  check,
  handOut: async ({ digest, position }) => {
    const snippet = snippets.find((each) => each.digest === digest && each.position === position)!;
    const [placement] = snippet.placements;
    if (position === 'site-head') {
      // From then on a sweep looks for it in the heads of pages.
      await api.call('headDeliveries.create', { params: { site: page.slice(0, page.indexOf('/')) } });
      await refresh('sites');
    }
    if (position !== 'spot' || placement === undefined) return snippet.text;
    const { data, status } = await api.call('deliveries.create', { params: { placement } });
    if (status === 201) await refresh('placements');
    return data.text;
  },
  tick: async ({ id }, done) => {
    await api.call('plans.tick', { params: { page }, body: { step: id, done } });
  },
});

/** The work of whoever has a link with this secret. */
export const linkedWork = (link: string): PlanWork => ({
  handOut: async ({ id }) => (await api.call('sharedPlans.handOut', { body: { link, step: id } })).data.text,
  tick: async ({ id }, done) => {
    await api.call('sharedPlans.tick', { body: { link, step: id, done } });
  },
});
