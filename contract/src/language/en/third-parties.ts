import type { Language } from '../language.ts';

const does = {
  video: 'shows films',
  audio: 'plays sound',
  map: 'shows maps',
  form: 'takes what visitors enter into a form',
  feed: 'shows posts',
  document: 'shows documents',
  booking: 'takes bookings',
  counter: 'counts visits',
  popup: 'shows pop-ups',
  reviews: 'shows reviews',
  shop: 'offers items of a shop',
  share: 'offers to share the page',
  advert: 'shows advertising',
  image: 'shows pictures',
  frame: 'shows a page of its own',
  unknown: 'does what its code does',
} as const;

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** Whom browsers contact, as a privacy statement tells it. */
export const thirdParties = {
  heads: { name: 'Who', purpose: 'What for', when: 'When', hosts: 'Hosts' },
  purposes: (kinds) => list.format(kinds.map((kind) => does[kind])),
  loads: {
    'at-once': 'as soon as the page is opened',
    'waits': 'only once a visitor agrees or presses a button',
    'both':
      'on some pages as soon as they are opened, on others only once a visitor agrees or presses a button',
  },
} satisfies Language['thirdParties'];
