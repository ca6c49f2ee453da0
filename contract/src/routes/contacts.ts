import { z } from '../zod.ts';
import { key } from '../common.ts';
import { optionErrors } from '../options/index.ts';
import { blockedList, contactsSeen } from '../contacts.ts';
import { subject } from './embeds.ts';
import { paths } from './paths.ts';
import { mostWithCode, route } from './route.ts';

const params = z.object({ embed: key });

/** Whom embeds contact. */
export const contactRoutes = {
  'contacts.create': route({
    ...paths['contacts.create'],
    summary: 'Find out by a browser whom a code really contacts; nothing is kept',
    tag: 'Looking',
    readOnly: true,
    most: mostWithCode,
    statuses: [200],
    body: z.strictObject(subject),
    answer: contactsSeen,
    errors: [
      'not-found',
      'browser-missing',
      'browser-failed',
      'browser-too-slow',
      'browser-busy',
      ...optionErrors,
    ],
  }),
  'contacts.blocked': route({
    ...paths['contacts.blocked'],
    summary: 'The hosts that visitors’ browsers kept the served frames of an embed from contacting',
    tag: 'Register',
    params,
    answer: blockedList,
    statuses: [200],
    errors: ['not-found'],
  }),
  'contacts.clear': route({
    ...paths['contacts.clear'],
    summary: 'Forget them, once they were looked at',
    tag: 'Register',
    params,
    statuses: [204],
    errors: ['not-found'],
  }),
};
