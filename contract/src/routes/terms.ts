import { key, listQuery } from '../common.ts';
import { providerId } from '../resources.ts';
import { terms, termsPage, termsValues, yearlyCosts } from '../terms.ts';
import { z } from '../zod.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Terms';
const ofEmbed = z.object({ embed: key });
const ofProvider = z.object({ provider: providerId });

/** Limits, prices, licences and ends of contracts. */
export const termsRoutes = {
  'terms.list': route({
    ...paths['terms.list'],
    summary: 'What has been agreed upon for embeds and with providers',
    tag,
    query: listQuery,
    answer: termsPage,
    statuses: [200],
    errors: [],
  }),
  'terms.costs': route({
    ...paths['terms.costs'],
    summary: 'What all of it costs in a year, by currency; of contracts that are over nothing is counted',
    tag,
    answer: yearlyCosts,
    statuses: [200],
    errors: [],
  }),
  'terms.ofEmbed': route({
    ...paths['terms.ofEmbed'],
    summary: 'What has been agreed upon for an embed; nothing is said where nobody has written it',
    tag,
    params: ofEmbed,
    answer: terms,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'terms.writeOfEmbed': route({
    ...paths['terms.writeOfEmbed'],
    summary: 'Write down what has been agreed upon for an embed; what is left out is not said any more',
    tag,
    params: ofEmbed,
    ifMatch: true,
    body: termsValues,
    answer: terms,
    statuses: [200],
    etag: true,
    errors: ['not-found', 'embed-purged'],
  }),
  'terms.ofProvider': route({
    ...paths['terms.ofProvider'],
    summary: 'What has been agreed upon with a provider; nothing is said where nobody has written it',
    tag,
    params: ofProvider,
    answer: terms,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'terms.writeOfProvider': route({
    ...paths['terms.writeOfProvider'],
    summary: 'Write down what has been agreed upon with a provider; what is left out is not said any more',
    tag,
    params: ofProvider,
    ifMatch: true,
    body: termsValues,
    answer: terms,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
};
