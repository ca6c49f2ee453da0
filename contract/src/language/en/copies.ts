import type { ErrorWords, Language } from '../language.ts';

const each = new Intl.ListFormat('en-GB', { type: 'conjunction' });
const number = new Intl.NumberFormat('en-GB');
const some = (n: number, one: string): string => `${number.format(n)} ${one}${n === 1 ? '' : 's'}`;

/** Safety copies. */
export const copies: Language['copies'] = {
  explain:
    'A safety copy is one file with everything that Orbis keeps: the register, its pictures and its keys. It counts only once it was read back.',
  states: {
    waiting: 'waits for its turn',
    making: 'is being made',
    reading: 'is being read back',
    good: 'good: it was read back',
    unread: 'made, and not read back',
    failed: 'failed',
  },
  standings: {
    off: 'No safety copies are made: nobody has said where to. Whoever runs this Orbis says so with ORBIS_COPIES_TO.',
    none: 'Safety copies are set up, and the first one is not there yet.',
    good: 'The last one is good.',
    late: 'The last good one is older than two days.',
    failed: 'The last one failed.',
  },
  keeps: ({ days, weeks, months }) =>
    `The newest of each of the last ${each.format([some(days, 'day'), some(weeks, 'week'), some(months, 'month')])} ${days + weeks + months === 1 ? 'is' : 'are'} kept.`,
  holds: ({ rows, files }) => `${some(rows, 'row')} and ${some(files, 'file')}`,
  readBack: {
    each: 'Each one is read back at once.',
    weekly: 'Once a week one is read back.',
    never: 'They are not read back.',
  },
};

/** Errors about safety copies. */
export const errorsOfCopies = {
  'copies-off': {
    title: 'No safety copies',
    detail: () =>
      'Nobody has said where safety copies go. ORBIS_COPIES_TO says so; on the server’s own machine “npm run backup” makes one in any folder.',
  },
  'copy-running': {
    title: 'One is being made',
    detail: () => 'A safety copy is being made already. Wait until it is done.',
  },
} satisfies Record<string, ErrorWords>;
