import { writePolicy } from '@orbis/core';
import { contactsSeen, type Contacted } from '../browser/contacts.ts';
import { embedByKey } from './embeds.ts';
import { blockedOf, forgetBlocked, mostBlocked, type BlockedContact } from '../store/blocked-contacts.ts';
import { declaredAddresses } from '../store/places.ts';
import { isOfInside, type LookingTools } from './looking.ts';
import { viewed, type Trial, type TrialTools } from './try-out.ts';

/* It may contact everybody: what it then does is what is to be found out. */
const open = writePolicy([
  ['sandbox', ['allow-scripts', 'allow-same-origin', 'allow-forms', 'allow-popups']],
  ['frame-ancestors', ["'none'"]],
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
  const document = { url: made.url, html: made.document.html, policy: open };
  return tools.browser.work((tab) => contactsSeen(tab, document), {
    declared: await declaredAddresses(tools.connection.db),
    signal,
  });
}

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
