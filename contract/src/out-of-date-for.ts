/** For how long something is out of date: up to so long; `unknown` where it was before that was kept. */
export const outOfDateFor = ['day', 'week', 'month', 'quarter', 'longer', 'unknown'] as const;
export type OutOfDateFor = (typeof outOfDateFor)[number];
