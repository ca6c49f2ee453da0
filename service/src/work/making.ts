import type { Sheet, Wishes } from '@orbis/core';

/** What every output is made with beside the embed itself: the provider sheets at hand, and the owner's rules for all embeds. */
export interface Making {
  sheets: readonly Sheet[];
  rules: Rules;
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
