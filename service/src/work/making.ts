import type { Sheet, Wishes } from '@orbis/core';
import type { WorkedOut, WorkOutTask } from '../reading/work-out.ts';

/** What every output is made with beside the embed itself: the provider sheets at hand, and the owner's rules for all embeds. */
export interface Making {
  sheets: readonly Sheet[];
  rules: Rules;
  /** Works a code out in a worker with a deadline, as foreign text is read. */
  workOut: (task: WorkOutTask) => Promise<WorkedOut>;
}

/** Rules for all embeds; what an embed wishes itself wins over them. */
export interface Rules {
  /** Whether parameters that only follow people are taken out. */
  dropTracking: boolean;
}

/** An embed's wishes as the rules for all complete them. */
export const withRules = ({ settings, dress }: Wishes, { rules }: Pick<Making, 'rules'>): Wishes => ({
  settings: rules.dropTracking && settings.tracking === undefined ? { ...settings, tracking: false } : settings,
  dress,
});
