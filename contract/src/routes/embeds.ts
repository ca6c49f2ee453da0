import { z } from '../zod.ts';
import { kinds } from '@orbis/core';
import { key, listQuery } from '../common.ts';
import { reading, readingsBody } from '../reading.ts';
import { sheetSchema } from '../sheet.ts';
import { dressSchema, settingsSchema } from '../wishes.ts';
import { embed, embedName, lists, outcome, preview, revision, tags } from '../resources.ts';
import { route } from './route.ts';

const params = z.object({ embed: key });
const wishes = { settings: settingsSchema.default({}), dress: dressSchema.default({}) };
const wishErrors = ['no-sheet', 'setting-not-offered', 'clip-order', 'sound-autoplay', 'nothing-to-dress', 'shape-unknown', 'own-wrapper'] as const;
/** A code that is in the collection, or a text that is not. */
const subject = { embed: key.optional(), text: z.string().optional() };

export const embedRoutes = {
  'readings.create': route({
    method: 'post',
    path: '/readings',
    summary: 'Read codes or links without keeping them',
    tag: 'Reading',
    access: 'owner',
    body: readingsBody,
    answer: z.object({ items: z.array(reading) }),
    statuses: [200],
    errors: ['too-large'],
  }),
  'outcomes.create': route({
    method: 'post',
    path: '/outcomes',
    summary: 'What wishes come to, without saving them: every edit with its reason, and the text',
    tag: 'Adjusting',
    access: 'owner',
    body: z.strictObject({ ...subject, ...wishes }),
    answer: outcome,
    statuses: [200],
    errors: ['not-found'],
  }),
  'previews.create': route({
    method: 'post',
    path: '/previews',
    summary: 'Show a code in a document of its own, on a host of its own',
    tag: 'Adjusting',
    access: 'owner',
    body: z.strictObject({ ...subject, ...wishes }),
    answer: preview,
    statuses: [201],
    errors: ['not-found', ...wishErrors],
  }),
  'providers.list': route({
    method: 'get',
    path: '/providers',
    summary: 'The provider sheets at hand',
    tag: 'Providers',
    access: 'owner',
    query: listQuery,
    answer: z.object({ items: z.array(sheetSchema), next: z.string().nullable() }),
    statuses: [200],
    errors: [],
  }),
  'embeds.list': route({
    method: 'get',
    path: '/embeds',
    summary: 'The collection, newest first',
    tag: 'Collection',
    access: 'owner',
    query: listQuery.extend({ q: z.string().max(200).optional(), kind: z.enum(kinds).optional(), tag: z.string().max(40).optional() }),
    answer: lists.embeds,
    statuses: [200],
    errors: [],
  }),
  'embeds.create': route({
    method: 'post',
    path: '/embeds',
    summary: 'Collect a code or a link',
    tag: 'Collection',
    access: 'owner',
    body: z.strictObject({ name: embedName, text: z.string(), tags: tags.default([]), notes: z.string().max(20_000).default(''), ...wishes }),
    answer: embed,
    statuses: [201],
    errors: ['nothing-pasted', 'text-too-much', 'no-code', 'visible-code', 'link-not-known', 'marked-code', ...wishErrors],
  }),
  'embeds.read': route({
    method: 'get',
    path: '/embeds/:embed',
    summary: 'One embed with its reading and its newest revision',
    tag: 'Collection',
    access: 'owner',
    params,
    answer: embed,
    statuses: [200],
    errors: ['not-found'],
  }),
  'embeds.change': route({
    method: 'patch',
    path: '/embeds/:embed',
    summary: 'Rename, tag, annotate, retire or restore (JSON Merge Patch)',
    tag: 'Collection',
    access: 'owner',
    params,
    ifMatch: true,
    body: z.strictObject({ name: embedName.optional(), tags: tags.optional(), notes: z.string().max(20_000).optional(), retired: z.boolean().optional() }),
    answer: embed,
    statuses: [200],
    errors: ['not-found'],
  }),
  'revisions.create': route({
    method: 'post',
    path: '/embeds/:embed/revisions',
    summary: 'Save settings and dress as the next revision; 200 where nothing differs',
    tag: 'Adjusting',
    access: 'owner',
    params,
    ifMatch: true,
    body: z.strictObject({ settings: settingsSchema, dress: dressSchema }),
    answer: embed,
    statuses: [201, 200],
    errors: ['not-found', ...wishErrors],
  }),
  'revisions.list': route({
    method: 'get',
    path: '/embeds/:embed/revisions',
    summary: 'Every revision, newest first',
    tag: 'Adjusting',
    access: 'owner',
    params,
    query: listQuery,
    answer: lists.revisions,
    statuses: [200],
    errors: ['not-found'],
  }),
  'revisions.read': route({
    method: 'get',
    path: '/embeds/:embed/revisions/:revision',
    summary: 'One revision',
    tag: 'Adjusting',
    access: 'owner',
    params: z.object({ embed: key, revision: z.coerce.number().int().min(1).max(1_000_000) }),
    answer: revision,
    statuses: [200],
    errors: ['not-found'],
  }),
};
