import { daysBeforeEnd, isUnsaid, noTerms, termsFindings, type Sheet, type Terms } from '@orbis/core';
import { OrbisError, serializeFinding, type Terms as ToldTerms, type TermsValues } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange, type ChangedEmbed } from '../store/change-log.ts';
import type { Actor, StoredEmbed } from '../store/embeds.ts';
import {
  deleteTerms,
  findTerms,
  pressingTerms,
  putTerms,
  termsIn,
  viewsOf,
  type ListedTerms,
  type TermsOf,
  type TermsRow,
} from '../store/terms.ts';
import { embedByKey, usableEmbed } from './embeds.ts';
import type { MatchState } from './match-state.ts';

/** Whose terms are asked for: an embed by its key, or a provider by the id of its sheet. */
export type TermsAbout = { embed: string } | { provider: string };

export interface TermsTools {
  db: Handle;
  sheets: readonly Sheet[];
  now: Date;
}

/** The state of terms, for `If-Match`: 0 where nobody has written any. */
const termsTag = (row: TermsRow | null): string => versionTag(row ?? { version: 0 });

/** As `YYYY-MM-DD`, in UTC. */
export const dayOf = (now: Date): string => now.toISOString().slice(0, 10);
const monthOf = (now: Date): string => dayOf(now).slice(0, 7);

/**
 * What has been agreed upon for an embed or with a provider.
 * @throws OrbisError `not-found`
 */
export async function readTerms(
  about: TermsAbout,
  tools: TermsTools,
): Promise<{ data: ToldTerms; etag: string }> {
  const { db, sheets } = tools;
  const subject = await subjectOf(db, about, sheets);
  const row = await findTerms(db, subject.of);
  const etag = termsTag(row);
  const embed = 'embed' in about ? { key: about.embed, name: subject.name } : null;
  if (row) return { data: (await tellTerms([{ row, embed }], tools))[0]!, etag };
  const asIf = { id: 0, embedId: null, provider: null, ...subject.of };
  const views = (await viewsOf(db, [asIf], monthOf(tools.now))).get(0)!;
  const data = {
    ...{ embed: embed?.key ?? null, provider: asIf.provider, name: subject.name },
    ...noTerms,
    ...{ views: { month: monthOf(tools.now), times: views }, findings: [], changedAt: null },
  };
  return { data, etag };
}

/**
 * Writes down what has been agreed upon; where nothing is said, nothing is kept.
 * @throws OrbisError `not-found`, `embed-purged`, `if-match-stale`
 */
export const writeTerms = (
  about: TermsAbout,
  values: TermsValues,
  matchState: MatchState,
  { db, sheets }: { db: Database; sheets: readonly Sheet[] },
  actor: Actor,
): Promise<void> =>
  inTransaction(
    db,
    async (tx) => {
      const changed = 'embed' in about ? [itself(await usableEmbed(tx, about.embed))] : [];
      const { of } = await subjectOf(tx, about, sheets);
      const row = await findTerms(tx, of);
      matchState(termsTag(row), 'terms');
      if (!(await setTerms(tx, row, of, isUnsaid(values) ? null : values, actor)))
        throw new OrbisError('if-match-stale', { what: 'terms' });
      const before = row && termsIn(row);
      const after = isUnsaid(values) ? null : values;
      const facts = { kind: 'terms' as const, ...about };
      const effect = { of: 'terms' as const, before, after };
      // An embed of which something was written down is not as if it had never been collected.
      await recordChange(tx, { facts, effect, embeds: changed }, actor);
    },
    { duplicates: true },
  );

/* An embed as it is, before and after. */
const itself = ({ embed: { id, revision } }: StoredEmbed): ChangedEmbed => ({
  ...{ embedId: id, from: revision, to: revision },
});

/** Makes terms be what is said, or not be there; false where somebody was faster. */
export async function setTerms(
  tx: Handle,
  row: TermsRow | null,
  of: TermsOf,
  values: Terms | null,
  actor: Actor,
): Promise<boolean> {
  if (values !== null) return putTerms(tx, row, of, values, actor);
  if (row) await deleteTerms(tx, row);
  return true;
}

/**
 * Whose terms these are.
 * @throws OrbisError `not-found`
 */
export async function subjectOf(
  db: Handle,
  about: TermsAbout,
  sheets: readonly Sheet[],
): Promise<{ of: TermsOf; name: string }> {
  if ('embed' in about) {
    const { embed } = await embedByKey(db, about.embed);
    return { of: { embedId: embed.id }, name: embed.name };
  }
  const sheet = sheets.find(({ id }) => id === about.provider);
  // What was written stays within reach where the sheet is gone.
  if (!sheet && !(await findTerms(db, about)))
    throw new OrbisError('not-found', { what: 'provider', key: about.provider });
  return { of: about, name: sheet?.name ?? about.provider };
}

/** Terms beside what has happened so far, and what of them wants looking at. */
export async function tellTerms(
  listed: readonly ListedTerms[],
  { db, sheets, now }: TermsTools,
): Promise<ToldTerms[]> {
  const month = monthOf(now);
  const views = await viewsOf(
    db,
    listed.map(({ row }) => row),
    month,
  );
  return listed.map(({ row, embed }) => {
    const times = views.get(row.id)!;
    const terms = termsIn(row);
    const found = termsFindings(terms, { views: times, today: dayOf(now) });
    return {
      ...{ embed: embed?.key ?? null, provider: row.provider },
      name: embed?.name ?? sheets.find(({ id }) => id === row.provider)?.name ?? row.provider ?? '',
      ...terms,
      ...{ views: { month, times }, changedAt: row.changedAt.toISOString() },
      findings: found.map((finding) => serializeFinding({ ...finding, facts: { ...finding.facts } })),
    };
  });
}

/** Terms of which something wants looking at, the worst first, at most so many. */
export async function termsToLookAt(most: number, tools: TermsTools): Promise<ToldTerms[]> {
  const { db, now } = tools;
  const endsBy = dayOf(new Date(now.getTime() + daysBeforeEnd * 86_400_000));
  const found = await tellTerms(await pressingTerms(db, { endsBy, month: monthOf(now), most }), tools);
  const isBad = ({ findings }: ToldTerms): boolean => findings[0]?.level === 'error';
  return found
    .filter(({ findings }) => findings.length > 0)
    .sort((a, b) => Number(isBad(b)) - Number(isBad(a)))
    .slice(0, most);
}
