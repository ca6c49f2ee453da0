import type { Language } from '../language.ts';

const many = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;
const are = (count: number, what: string): string => `${many(count, what)} ${count === 1 ? 'is' : 'are'}`;

/** Words for the check of a whole site. */
export const inspections = {
  progress: ({ sweep, readAt, pages, looks }) => {
    if (sweep === null) return 'It is about to begin.';
    if (readAt === null) return `${pages.done} of ${many(pages.of, 'page')} read`;
    return `${looks.done} of ${many(looks.of, 'page')} looked at with a browser`;
  },
  result: ({ state, well, lost, pages }) => {
    const broken = state === 'stopped' ? 'It was stopped. ' : state === 'failed' ? 'It broke off. ' : '';
    // Its sweep may have been stopped by itself: what was not read says nothing.
    const isPart = pages.done < pages.of;
    const end = `${broken}${isPart ? `Only ${pages.done} of ${many(pages.of, 'page')} were read. ` : ''}`;
    if (lost > 0)
      return `${end}${many(lost, 'thing')} ${lost === 1 ? 'works' : 'work'} no longer; ${are(well, 'placement')} on ${well === 1 ? 'its page' : 'their pages'} as before.`;
    if (well === 0) return `${end}Nothing has been seen on these pages yet.`;
    return `${end}Nothing was lost: ${are(well, 'placement')} as before.`;
  },
  unknown: (placements) =>
    placements === 1
      ? 'At one placement nobody had looked before: how it is now is kept for the next time.'
      : `At ${placements} placements nobody had looked before: how they are now is kept for the next time.`,
  looked: (pages) =>
    pages === 0
      ? 'No page was looked at with a browser.'
      : `${many(pages, 'page')} looked at with a browser.`,
  notLooked: ({ page, why }) => `${page} could not be looked at: ${why}`,
  wellUntil: (when, isSeen) => (isSeen ? `It was well on ${when}.` : `It was well until ${when}.`),
} satisfies Language['inspections'];

/** For how long something is out of date. */
export const outOfDateFor = {
  day: 'A day at most',
  week: 'A week at most',
  month: '30 days at most',
  quarter: '90 days at most',
  longer: 'Longer',
  unknown: 'Not known',
} satisfies Language['outOfDateFor'];

/** Words for what happened to a thing. */
export const history = {
  changed: (said, by, isUndone) =>
    `${said}${by === null ? '' : ` (${by})`}${isUndone ? ', and taken back later' : ''}`,
  seen: ({ embed, place }) => `${embed} in ${place}`,
  looked: (wrong) =>
    wrong === 0
      ? 'Looked at with a browser: all was well'
      : `Looked at with a browser: something was wrong with ${wrong === 1 ? 'one embed' : `${wrong} embeds`}`,
} satisfies Language['history'];
