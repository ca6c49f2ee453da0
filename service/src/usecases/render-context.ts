import type { LevelledOptions, Sheet, PagePlan } from '@orbis/core';
import { optionsOfRules } from '@orbis/contract';
import type { WorkedOut, WorkOutTask } from '../reading/work-out.ts';
import type { PageTask } from '../reading/work-out-page.ts';
import type { Rules } from '../store/tables/providers.ts';

/**
 * What every output is made with beside the embed itself: the provider sheets at hand, and the
 * owner's rules for all embeds.
 */
export interface RenderContext {
  sheets: readonly Sheet[];
  rules: Rules;
  /** Where the document is served that is for the neutral mark. */
  servedAt: () => string;
  /** Whether all documents that are served share one host. */
  sharesHost: () => boolean;
  /** Works a code out in a worker with a deadline, as foreign text is read. */
  workOut: (task: WorkOutTask) => Promise<WorkedOut>;
  /** Plans a page in such a worker. */
  workOutPage: (task: PageTask) => Promise<PagePlan>;
}

/** What is asked at each level, with what the rules for all ask. */
export const withRules = (
  asked: LevelledOptions,
  { rules }: Pick<RenderContext, 'rules'>,
): LevelledOptions => ({ ...asked, rule: optionsOfRules(rules) });
