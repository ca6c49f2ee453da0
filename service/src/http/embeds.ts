import { read, type Kind, type Outcome, type Wishes } from '@orbis/core';
import { catalogue, OrbisError, tellReading, type Embed, type EmbedSummary, type Revision } from '@orbis/contract';
import type { Deps } from '../app.ts';
import type { Handle } from '../database/connect.ts';
import {
  addRevision,
  addSource,
  changeEmbed,
  findEmbed,
  findRevision,
  insertEmbed,
  listEmbeds,
  listRevisions,
  placementCounts,
  setTags,
  sourceNumbers,
  tagsOf,
  type EmbedRow,
  type RevisionRow,
  type StoredEmbed,
} from '../store/embeds.ts';
import { isDeadlock, isDuplicate } from '../database/connect.ts';
import { keyset } from '../store/pages.ts';
import { outcomeOf, refuseProblems, sheetDigest } from '../work/codes.ts';
import { takeIn, worstLevel } from '../work/collect.ts';
import type { Handlers, Named } from './reply.ts';

/** The state of an embed, for `If-Match`. */
export const embedTag = (row: Pick<EmbedRow, 'version'>): string => `"${row.version}"`;

/** @throws OrbisError `not-found` */
export async function embedByKey(db: Handle, key: string): Promise<StoredEmbed> {
  const stored = await findEmbed(db, key);
  if (!stored) throw new OrbisError('not-found', { what: 'embed', key, remedy: '“orbis list” shows the collection.' });
  return stored;
}

/** The collection: collecting, listing, revisions. */
export function embedHandlers(deps: Deps): Handlers<Named<'embeds' | 'revisions' | 'sources'>> {
  const { sheets } = deps;
  const { db } = deps.connection;
  const reply = async (key: string, status = 200) => {
    const stored = await embedByKey(db, key);
    return { status, data: await tellEmbed(stored), etag: embedTag(stored.embed) };
  };
  const tellEmbed = async ({ embed, source, revision }: StoredEmbed): Promise<Embed> => ({
    ...(await summaries([embed]))[0]!,
    notes: embed.notes,
    source: source.number,
    pasted: source.pasted,
    base: source.base,
    reading: tellReading(read(source.base, { sheets })),
    current: tellRevision(revision, source.number),
  });
  const summaries = async (rows: readonly EmbedRow[]): Promise<EmbedSummary[]> => {
    const ids = rows.map((row) => row.id);
    const [tags, counts] = await Promise.all([tagsOf(db, ids), placementCounts(db, ids)]);
    return rows.map((row) => ({
      key: row.key,
      name: row.name,
      kind: row.kind as Kind,
      provider: row.provider,
      tags: tags.get(row.id) ?? [],
      retired: row.retiredAt !== null,
      revision: row.revision,
      level: row.level,
      placements: counts.get(row.id) ?? 0,
      createdAt: row.createdAt.toISOString(),
      changedAt: row.changedAt.toISOString(),
    }));
  };

  return {
    'embeds.list': async ({ query }) => {
      const page = keyset(await listEmbeds(db, query), query.limit, (row) => row);
      return { data: { items: await summaries(page.items), next: page.next } };
    },
    'embeds.create': async ({ body, act }) => {
      const { pasted, code } = await takeIn(db, body.text, sheets, { mend: body.mend });
      const wishes: Wishes = { settings: body.settings, dress: body.dress };
      refuseProblems(outcomeOf({ base: code.text, wishes }, sheets, null).outcome);
      const { reading, sheet } = code;
      const values = {
        name: body.name,
        notes: body.notes,
        tags: body.tags,
        kind: reading.kind,
        provider: reading.provider?.id ?? null,
        level: worstLevel(code),
        hosts: reading.hosts.map(({ host }) => host),
        pasted,
        base: code.text,
        revision: { ...wishes, sheetId: sheet?.id ?? null, sheetDigest: sheetDigest(sheet), reason: 'collected' },
      };
      return reply(await untilFree(() => db.transaction((tx) => insertEmbed(tx, values, act))), 201);
    },
    'embeds.read': ({ params }) => reply(params.embed),
    'embeds.change': async ({ params, body, matchState, act }) => {
      await db.transaction(async (tx) => {
        const { embed } = await embedByKey(tx, params.embed);
        matchState(embedTag(embed), 'embed');
        const { tags, retired, ...values } = body;
        const retiredAt = retired === undefined ? {} : { retiredAt: retired ? (embed.retiredAt ?? act.now) : null };
        if (!(await changeEmbed(tx, embed, { ...values, ...retiredAt }, act.now))) throw new OrbisError('if-match-stale', { what: 'embed' });
        if (tags) await setTags(tx, embed.id, tags);
      });
      return reply(params.embed);
    },
    'revisions.create': async ({ params, body, matchState, act }) => {
      const isNew = await db.transaction(async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const { code, outcome } = outcomeOf({ base: stored.source.base, wishes: body }, sheets, null);
        refuseProblems(outcome);
        if (sameWishes(body, stored.revision)) return false;
        const values = { ...body, sheetId: code.sheet?.id ?? null, sheetDigest: sheetDigest(code.sheet), reason: 'saved' };
        if (!(await addRevision(tx, stored, values, act))) throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'sources.create': async ({ params, body, matchState, act }) => {
      const isNew = await db.transaction(async (tx) => {
        const stored = await embedByKey(tx, params.embed);
        matchState(embedTag(stored.embed), 'embed');
        const { pasted, code } = await takeIn(tx, body.text, sheets, { mend: body.mend });
        if (code.text === stored.source.base) return false;
        const wishes = fittingWishes(stored.revision, outcomeOf({ base: code.text, wishes: stored.revision }, sheets, null).outcome, body.dropUnfit);
        const { reading, sheet } = code;
        const source = {
          pasted,
          base: code.text,
          kind: reading.kind,
          provider: reading.provider?.id ?? null,
          level: worstLevel(code),
          hosts: reading.hosts.map(({ host }) => host),
        };
        const revision = { ...wishes, sheetId: sheet?.id ?? null, sheetDigest: sheetDigest(sheet), reason: 'newer code of the provider' };
        if (!(await addSource(tx, stored, source, revision, act))) throw new OrbisError('if-match-stale', { what: 'embed' });
        return true;
      });
      return reply(params.embed, isNew ? 201 : 200);
    },
    'revisions.list': async ({ params, query }) => {
      const { embed } = await embedByKey(db, params.embed);
      const numbers = await sourceNumbers(db, embed.id);
      return { data: keyset(await listRevisions(db, embed.id, query.limit, query.after), query.limit, (row) => tellRevision(row, numbers.get(row.sourceId)!)) };
    },
    'revisions.read': async ({ params }) => {
      const { embed } = await embedByKey(db, params.embed);
      const row = await findRevision(db, embed.id, params.revision);
      if (!row) throw new OrbisError('not-found', { what: 'revision', key: `${params.embed} ${params.revision}` });
      return { data: tellRevision(row, (await sourceNumbers(db, embed.id)).get(row.sourceId)!) };
    },
  };
}

/** The wishes that a newer code can fulfil. @throws OrbisError `wishes-unfit` where some cannot and are not to be dropped. */
function fittingWishes({ settings, dress }: Wishes, { problems }: Pick<Outcome, 'problems'>, drop: boolean): Wishes {
  const unfit = [...new Set(problems.map((problem) => problem.wish))];
  if (unfit.length > 0 && !drop) {
    throw new OrbisError(
      'wishes-unfit',
      { wishes: unfit.join(', ') },
      problems.map(({ wish, code, facts }) => ({ pointer: `/${wish}`, detail: catalogue[code].detail(facts) })),
    );
  }
  const without = <T extends object>(wishes: T): T => Object.fromEntries(Object.entries(wishes).filter(([name]) => !unfit.includes(name))) as T;
  return { settings: without(settings), dress: without(dress) };
}

/* Whoever collects under the same name at the same time takes a key away, or waits for the same rows: then once more. */
async function untilFree<T>(insert: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await insert();
    } catch (error) {
      if (attempt === 10 || !(isDuplicate(error) || isDeadlock(error))) throw error;
    }
  }
}

const tellRevision = (row: RevisionRow, source: number): Revision => ({
  number: row.number,
  source,
  settings: row.settings,
  dress: row.dress,
  reason: row.reason,
  createdAt: row.createdAt.toISOString(),
});

const sameWishes = (a: Wishes, b: Wishes): boolean => canonicalJson([a.settings, a.dress]) === canonicalJson([b.settings, b.dress]);

/* Objects with their members in alphabetical order, so that equal wishes are equal texts. */
const canonicalJson = (value: unknown): string =>
  JSON.stringify(value, (_, inner: unknown) =>
    inner && typeof inner === 'object' && !Array.isArray(inner) ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1))) : inner,
  );
