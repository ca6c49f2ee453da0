import type { AddCommand } from '../command.ts';

/** The verbs that mean the same for everything that is kept. */
export const verbs = {
  list: 'what there is of something',
  show: 'one of something, with all that is known of it',
  add: 'make or declare something',
  change: 'change something, or what it is called',
  remove: 'take something away',
} as const;

/** One of them. */
export type Verb = keyof typeof verbs;

/** A thing that is kept, with what can be done to it: each adds the command of its name to a verb. */
export type Thing = { readonly [V in Verb]?: AddCommand };
