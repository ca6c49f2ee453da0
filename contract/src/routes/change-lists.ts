import { changeList, changeListPage, newChangeList, tick } from '../change-lists.ts';
import { listQuery, publicId } from '../common.ts';
import { pageKey } from '../place.ts';
import { lists } from '../resources.ts';
import { z } from '../zod.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Register';
const params = z.object({ list: publicId });
const ofPage = params.extend({ page: pageKey });

export const changeListRoutes = {
  'changeLists.list': route({
    ...paths['changeLists.list'],
    summary: 'Lists of pages where something is to be done, the newest first',
    tag,
    query: listQuery,
    answer: lists.changeLists,
    statuses: [200],
    errors: [],
  }),
  'changeLists.create': route({
    ...paths['changeLists.create'],
    summary: 'Put the pages that a search of the register finds on a list, to be ticked off one by one',
    tag,
    body: newChangeList,
    answer: changeList,
    statuses: [201],
    location: ({ id: list }) => pathOf('changeLists.read', { list }),
    errors: ['search-invalid', 'not-found', 'nothing-to-list'],
  }),
  'changeLists.read': route({
    ...paths['changeLists.read'],
    summary: 'One list',
    tag,
    params,
    answer: changeList,
    statuses: [200],
    errors: ['not-found'],
  }),
  'changeLists.fill': route({
    ...paths['changeLists.fill'],
    summary: 'Put the pages on a list that its search finds by now as well',
    tag,
    params,
    answer: changeList,
    statuses: [200],
    errors: ['not-found', 'search-invalid'],
  }),
  'changeLists.delete': route({
    ...paths['changeLists.delete'],
    summary: 'Remove a list with its ticks; nothing else changes',
    tag,
    params,
    statuses: [204],
    errors: ['not-found'],
  }),
  'changeListPages.list': route({
    ...paths['changeListPages.list'],
    summary: 'The pages of a list, with what is to be done there now',
    tag,
    params,
    query: listQuery.extend({
      open: z.enum(['true', 'false']).optional().meta({ description: 'Only those that are not ticked' }),
    }),
    answer: lists.changeListPages,
    statuses: [200],
    errors: ['not-found'],
  }),
  'changeListPages.read': route({
    ...paths['changeListPages.read'],
    summary: 'One page of a list',
    tag,
    params: ofPage,
    answer: changeListPage,
    statuses: [200],
    errors: ['not-found'],
  }),
  'changeListPages.tick': route({
    ...paths['changeListPages.tick'],
    summary: 'Say that what is to be done on a page is done',
    tag,
    params: ofPage,
    body: tick,
    answer: changeListPage,
    statuses: [200],
    errors: ['not-found', 'already-ticked', 'work-changed'],
  }),
  'changeListPages.untick': route({
    ...paths['changeListPages.untick'],
    summary: 'Take a tick back',
    tag,
    params: ofPage,
    answer: changeListPage,
    statuses: [200],
    errors: ['not-found'],
  }),
};
