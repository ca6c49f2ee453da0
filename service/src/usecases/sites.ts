import {
  asksTheSame,
  isHost,
  openEditor,
  type EditorRules,
  type KindDefaults,
  type PastedLanguage,
} from '@orbis/core';
import { OrbisError, type Schedule } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { endAllOn, hasAnyPage, markSiteGone } from '../store/gone-places.ts';
import { changeSite, deleteSite, insertSite, type SiteRow } from '../store/places.ts';
import { sharedSpotsOf } from '../store/shared-spots.ts';
import { markSite } from '../store/mark-stale.ts';
import { checkOptions } from './check-options.ts';
import type { MatchState } from './match-state.ts';
import { siteByKey } from './places.ts';
import { numberOfChange, refusePlaced } from './standing.ts';
import { unlessTaken } from './unless-taken.ts';

/** What a site says of itself; its key stays. */
export interface SiteValues {
  name: string;
  address: string;
  /** Where it is to be seen as well. */
  furtherAddresses: string[];
  defaults: KindDefaults;
  head: boolean;
  /** Digests of what is wanted once in the head of the whole site. */
  headKept: string[];
  language: PastedLanguage;
  colours: string[];
  /** Its style for what is in its frames (CSS). */
  frameStyle: string;
  editor: EditorRules;
  /** When its pages are read by themselves; null for never. */
  schedule: Schedule | null;
  rendered: boolean;
}

/** What is asked of a site; of its editor’s rules what is left out stays. */
export type AskedOfSite = {
  [K in keyof SiteValues]?: (K extends 'editor' ? Loose<EditorRules> : SiteValues[K]) | undefined;
};
type Loose<T> = { [K in keyof T]?: T[K] | undefined };

/** @throws OrbisError `key-taken`, `address-invalid` */
export const addSite = (
  db: Database,
  { key, name, address }: Pick<SiteValues, 'name' | 'address'> & { key: string },
  actor: Actor,
): Promise<void> =>
  unlessTaken('site', key, () =>
    inTransaction(db, async (tx) => {
      const values = {
        name,
        address: siteAddress(address, '/address'),
        furtherAddresses: [],
        defaults: {},
        head: false,
        headKept: [],
        language: 'en' as const,
        colours: [],
        frameStyle: '',
        editor: openEditor,
        schedule: null,
        rendered: false,
      };
      await insertSite(tx, { key, ...values }, actor);
      const effect = { of: 'site' as const, before: null, after: values };
      await recordChange(tx, { facts: { kind: 'added', what: 'site', key }, effect }, actor);
    }),
  );

/** Changes what of a site is named. */
export async function changeSiteValues(
  key: string,
  asked: AskedOfSite,
  matchState: MatchState,
  { connection: { db }, renderContext }: Pick<Deps, 'connection' | 'renderContext'>,
  actor: Actor,
): Promise<void> {
  for (const options of Object.values(asked.defaults ?? {})) checkOptions(options, renderContext().sheets);
  const names = (Object.keys(asked) as (keyof SiteValues)[]).filter((name) => asked[name] !== undefined);
  const values: Partial<SiteValues> = {
    ...(Object.fromEntries(names.map((name) => [name, asked[name]])) as Partial<SiteValues>),
    ...(asked.address !== undefined && { address: siteAddress(asked.address, '/address') }),
    ...(asked.furtherAddresses && { furtherAddresses: furtherAddresses(asked.furtherAddresses) }),
  };
  await inTransaction(db, async (tx) => {
    const row = await siteByKey(tx, key);
    matchState(versionTag(row), 'site');
    if (asked.editor) values.editor = { ...row.editor, ...said(asked.editor) };
    await writeSite(tx, row, values);
    const before = Object.fromEntries(names.map((name) => [name, row[name]]));
    const effect = { of: 'site' as const, before, after: values };
    await recordChange(tx, { facts: { kind: 'changed', what: 'site', key }, effect }, actor);
  });
}

/** Writes values of a site down; its pages are planned again where their codes depend on them. */
export async function writeSite(tx: Handle, row: SiteRow, values: Partial<SiteValues>): Promise<void> {
  if (!(await changeSite(tx, row, values))) throw new OrbisError('if-match-stale', { what: 'site' });
  const changesCodes =
    (['defaults', 'head', 'headKept', 'language', 'frameStyle'] as const).some(
      (name) => values[name] !== undefined,
    ) ||
    (values.editor !== undefined && !asksTheSame(values.editor, row.editor));
  if (changesCodes) await markSite(tx, row.id);
}

/**
 * Removes a site. Where it ever had pages, the register keeps it, and what is placed on them ends with it.
 * @param endsPlacements whether that is agreed to.
 * @throws OrbisError `in-use` where it is not, and something is placed on it
 */
export const removeSite = (
  db: Database,
  key: string,
  { endsPlacements }: { endsPlacements: boolean },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const row = await siteByKey(tx, key);
    matchState(versionTag(row), 'site');
    const where = { siteId: row.id };
    if (!endsPlacements) await refusePlaced(tx, 'site', key, where);
    const facts = { kind: 'removed', what: 'site', key } as const;
    const before = valuesOf(row);
    if (await isKept(tx, row.id)) {
      const effect = { of: 'gone' as const, what: 'site' as const, id: row.id, before, after: null };
      const change = await numberOfChange(tx, { facts, effect }, actor);
      // First of all: whoever is placing something there waits for it, and then finds no page.
      await markSiteGone(tx, row.id, change, actor.now);
      await endAllOn(tx, where, change, actor.now);
      return;
    }
    await deleteSite(tx, row.id);
    await recordChange(tx, { facts, effect: { of: 'site', before, after: null } }, actor);
  });

/* Whether something hangs on it that would not be found again. */
const isKept = async (tx: Handle, siteId: number): Promise<boolean> =>
  (await hasAnyPage(tx, siteId)) || (await sharedSpotsOf(tx, [siteId])).length > 0;

const valuesOf = (row: SiteRow): SiteValues => ({
  name: row.name,
  address: row.address,
  furtherAddresses: row.furtherAddresses,
  defaults: row.defaults,
  head: row.head,
  headKept: row.headKept,
  language: row.language,
  colours: row.colours,
  frameStyle: row.frameStyle,
  editor: row.editor,
  schedule: row.schedule,
  rendered: row.rendered,
});

/** Takes a site out that was declared, as long as it has no pages. @throws OrbisError `in-use` */
export async function deleteEmptySite(tx: Handle, row: SiteRow, change: number, now: Date): Promise<void> {
  if (row.pages > 0)
    throw new OrbisError('in-use', {
      what: 'site',
      key: row.key,
      by: `it has ${row.pages} ${row.pages === 1 ? 'page' : 'pages'}`,
    });
  if (await isKept(tx, row.id)) await markSiteGone(tx, row.id, change, now);
  else await deleteSite(tx, row.id);
}

/* What is named of rules. */
const said = (rules: Loose<EditorRules>): Partial<EditorRules> => {
  const named: [string, unknown][] = Object.entries(rules);
  return Object.fromEntries(named.filter(([, value]) => value !== undefined));
};

/* Each once. */
const furtherAddresses = (addresses: readonly string[]): string[] => [
  ...new Set(addresses.map((each, i) => siteAddress(each, `/furtherAddresses/${i}`))),
];

/* The site's address without query, fragment and the slash at its end: pages are put behind it. */
function siteAddress(address: string, pointer: string): string {
  const url =
    /^https?:\/\//i.test(address.trim()) && URL.canParse(address.trim()) ? new URL(address.trim()) : null;
  const named = url !== null && (isHost(url.hostname) || url.hostname.startsWith('['));
  if (!named || url.username || url.password || url.search || url.hash)
    throw new OrbisError('address-invalid', { found: address }, [
      { pointer, detail: 'an address such as https://site.example' },
    ]);
  return url.href.replace(/\/$/, '');
}
