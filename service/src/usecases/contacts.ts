import { writePolicy } from '@orbis/core';
import { contactsSeen, type Contacted } from '../browser/contacts.ts';
import { embedByKey } from './embeds.ts';
import type { Actor } from '../store/embeds.ts';
import { blockedOf, forgetBlocked, mostBlocked, type BlockedContact } from '../store/blocked-contacts.ts';
import { declaredAddresses } from '../store/places.ts';
import { isOfInside, type LookingTools } from './looking.ts';
import { preview, viewed, type Preview, type Trial, type TrialTools } from './try-out.ts';

/* It may contact everybody: what it then does is what is to be found out. */
const openTo = (ancestor: string): string =>
  writePolicy([
    ['sandbox', ['allow-scripts', 'allow-same-origin', 'allow-forms', 'allow-popups']],
    ['frame-ancestors', [ancestor]],
  ]);

/* Nothing is kept out by it, and everything is told. */
const tellsAll = writePolicy([
  ['default-src', ["'none'"]],
  ['form-action', ["'none'"]],
]);

/**
 * Finds out by a browser whom a trial contacts, without what stands around it and what it waits for.
 * @throws OrbisError of the options that it cannot have, and of the browser.
 */
export async function findContacts(
  trial: Trial,
  tools: LookingTools,
  signal: AbortSignal,
): Promise<Contacted[]> {
  const { document: made } = await viewed({ ...trial, keep: isOfInside }, tools);
  const document = { url: made.url, html: made.document.html, policy: openTo("'none'") };
  return tools.browser.work((tab) => contactsSeen(tab, document), {
    declared: await declaredAddresses(tools.connection.db),
    signal,
  });
}

/**
 * Keeps a trial for a while as a document that contacts whom it wants and tells the console about it, in the
 * owner’s own browser: without what stands around it and what it waits for. Where it is sent on is not told
 * (CSP 3, section 5.3, keeps that from a page).
 * @throws OrbisError of the options that it cannot have.
 */
export const previewOfContacts = (
  { embed, placement, text, options }: Trial,
  tools: TrialTools,
  actor: Actor,
): Promise<Preview> =>
  // However else it was to be looked at, it is by itself: nothing of a page may contact anybody with it.
  preview({ embed, placement, text, options, keep: isOfInside }, tools, actor, {
    policy: openTo(tools.origins().console),
    reportOnly: tellsAll,
  });

/* Nobody looks through more. */
const most = 5 * mostBlocked;

/**
 * What the documents of an embed were kept from contacting, the newest first.
 * @throws OrbisError `not-found`
 */
export async function readBlocked(
  key: string,
  { connection: { db } }: Pick<TrialTools, 'connection'>,
): Promise<BlockedContact[]> {
  return blockedOf(db, (await embedByKey(db, key)).embed.id, most);
}

/** Forgets that, once it was looked at. @throws OrbisError `not-found` */
export async function clearBlocked(
  key: string,
  { connection: { db } }: Pick<TrialTools, 'connection'>,
): Promise<void> {
  await forgetBlocked(db, (await embedByKey(db, key)).embed.id);
}
