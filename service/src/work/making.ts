import type { Options, Sheet } from '@orbis/core';
import type { WorkedOut, WorkOutTask } from '../reading/work-out.ts';

/** What every output is made with beside the embed itself: the provider sheets at hand, and the owner's rules for all embeds. */
export interface RenderContext {
  sheets: readonly Sheet[];
  rules: Rules;
  /** Works a code out in a worker with a deadline, as foreign text is read. */
  workOut: (task: WorkOutTask) => Promise<WorkedOut>;
}

/** Rules for all embeds; what is asked of an embed itself wins over them. */
export interface Rules {
  /** Whether parameters that only follow people are taken out. */
  dropTracking: boolean;
}

/** An embed's options as the rules for all complete them. */
export const withRules = (options: Options, { rules }: Pick<RenderContext, 'rules'>): Options =>
  rules.dropTracking && options['tracking'] === undefined ? { ...options, tracking: false } : options;
