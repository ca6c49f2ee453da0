/**
 * How something that placed embeds load was answered: it was not asked for yet, all is well, it went wrong
 * once and is soon asked for again, or something is wrong.
 */
export const resourceStates = ['waiting', 'well', 'unsure', 'faulty'] as const;
export type ResourceState = (typeof resourceStates)[number];
