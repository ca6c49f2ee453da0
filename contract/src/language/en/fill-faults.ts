import type { Language } from '../language.ts';

/** What is wrong with a comment that marks a place of a file. */
export const fillFaults = {
  'not-closed': (found) => `${found} is not closed: its counterpart is missing.`,
  'not-opened': (found) => `${found} closes what is not open.`,
  'within-another': (found) => `${found} stands within another place, which is to be closed before.`,
  'unknown-kind': (found) => `${found} is of no known kind: spot, head and foot are.`,
  'no-key': (found) => `${found} does not say what it is for, such as hollinfell/talks#main.`,
  'not-a-key': (found) =>
    `${found} names no place of its kind: a spot is hollinfell/talks#main, a head hollinfell/talks or hollinfell, a foot hollinfell/talks.`,
} satisfies Language['fillFaults'];
