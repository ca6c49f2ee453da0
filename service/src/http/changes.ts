import type { Outcome, Sheet, Wishes } from '@orbis/core';
import { catalogue, joinWishes, OrbisError, sayWishes, withoutWishes, type GroupChange, type GroupOutcome } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { placementCounts, type StoredEmbed } from '../store/embeds.ts';
import { addRevisions, embedsWhere, findChange, itemsOfChange, listChanges, markUndone, recordChange, type GroupChangeRow } from '../store/group-changes.ts';
import { afterId, keyset } from '../store/pages.ts';
import { newRevision, outcomeOf, outcomeWith, sameWishes } from '../work/codes.ts';
import { searchFor } from '../work/search.ts';
import { someOf } from '../work/some-of.ts';
import type { Handlers, Named } from './reply.ts';

/** One embed that a group change is for: what it wishes and comes to now, and afterwards. */
interface Planned {
  stored: StoredEmbed;
  wishes: Wishes;
  sheet: Sheet | null;
  before: Outcome;
  after: Outcome;
}

/** Changes of many embeds at once: tried, made, listed, taken back. */
export function changeHandlers({ connection: { db }, making }: Deps): Handlers<Named<'changes'>> {
  const plan = (stored: StoredEmbed, change: (now: Wishes) => Wishes): Planned => {
    const now = { settings: stored.revision.settings, dress: stored.revision.dress };
    const wishes = change(now);
    const { code, outcome: before } = outcomeOf({ base: stored.source.base, found: stored.source.found, wishes: now }, making(), null);
    return { stored, wishes, sheet: code.sheet, before, after: outcomeWith(code, wishes, making()) };
  };
  return {
    'changes.create': async ({ body, act }) => {
      const more = { settings: body.settings, dress: body.dress };
      const said = [...sayWishes(more).map(({ name, value }) => `${name}=${value}`), ...body.unset.map((name) => `without ${name}`)].join(' ');
      if (said === '') throw new OrbisError('nothing-wished');
      const term = searchFor(body.where);
      const change = (now: Wishes): Wishes => joinWishes(withoutWishes(now, body.unset), more);
      const outcome = await db.transaction(async (tx): Promise<GroupOutcome> => {
        const planned = (await embedsWhere(tx, term, { lock: !body.dryRun })).map((stored) => plan(stored, change));
        const differing = planned.filter(({ stored, wishes }) => !sameWishes(wishes, stored.revision));
        // What stood against an embed before is not the matter of this change.
        const impossible = differing.filter(({ before, after }) => newProblems(before, after).length > 0);
        if (impossible.length > 0 && !body.skipImpossible && !body.dryRun) throw refused(impossible);
        const todo = differing.filter((item) => !impossible.includes(item));
        const answer = await tell(tx, planned.length, todo, planned.length - differing.length, impossible);
        if (body.dryRun || todo.length === 0) return answer;
        await addRevisions(
          tx,
          todo.map(({ stored, wishes, sheet }) => ({ stored, values: newRevision(sheet, wishes, 'changed with others') })),
          act,
        );
        const items = todo.map(({ stored: { embed } }) => ({ embedId: embed.id, from: embed.revision, to: embed.revision + 1, version: embed.version + 1 }));
        const id = await recordChange(tx, { search: body.where, said: said.slice(0, 2000) }, items, act);
        return { ...answer, change: tellChange((await findChange(tx, id))!) };
      });
      return { status: outcome.change === null ? 200 : 201, data: outcome };
    },
    'changes.list': async ({ query }) => {
      const page = keyset(await listChanges(db, query.limit, afterId(query.after)), query.limit, (row) => row);
      return { data: { items: page.items.map(tellChange), next: page.next } };
    },
    'changes.undo': async ({ params, act }) => {
      const undone = await db.transaction(async (tx) => {
        const row = await findChange(tx, params.change, { lock: true });
        if (!row) throw new OrbisError('not-found', { what: 'change', key: params.change, remedy: '“orbis list changes” shows them.' });
        if (row.undoneAt) throw new OrbisError('change-undone', { at: row.undoneAt.toISOString() });
        const items = await itemsOfChange(tx, row.id);
        const since = items.filter(({ item, embed }) => embed.version !== item.version);
        if (since.length > 0) {
          throw new OrbisError(
            'changed-since',
            { count: since.length, embeds: someOf(since.map(({ embed }) => embed.key)) },
            since.map(({ embed }) => ({ pointer: `/${embed.key}`, detail: 'It was changed since.' })),
          );
        }
        await addRevisions(
          tx,
          items.map(({ embed, earlier }) => {
            const { settings, dress, sheetId, sheetDigest, sourceId } = earlier;
            // Only the row and the source's id are needed of what is stored.
            return {
              stored: { embed, revision: earlier, source: { id: sourceId } } as StoredEmbed,
              values: { settings, dress, sheetId, sheetDigest, reason: `revision ${earlier.number} again` },
            };
          }),
          act,
        );
        await markUndone(tx, row.id, act.now);
        return { ...row, undoneAt: act.now };
      });
      return { data: tellChange(undone) };
    },
  };
}

async function tell(db: Parameters<typeof placementCounts>[0], found: number, todo: readonly Planned[], same: number, impossible: readonly Planned[]): Promise<GroupOutcome> {
  const counts = await placementCounts(
    db,
    todo.map(({ stored }) => stored.embed.id),
  );
  return {
    change: null,
    found,
    changed: todo.map(({ stored: { embed }, before, after }) => ({
      embed: embed.key,
      name: embed.name,
      placements: counts.get(embed.id) ?? 0,
      before: before.text,
      after: after.text,
      edits: after.edits,
    })),
    same,
    impossible: impossible.map(({ stored: { embed }, before, after }) => ({ embed: embed.key, name: embed.name, problems: newProblems(before, after) })),
  };
}

const newProblems = (before: Outcome, after: Outcome): { wish: string; detail: string }[] =>
  after.problems
    .filter(({ wish, code }) => !before.problems.some((known) => known.wish === wish && known.code === code))
    .map(({ wish, code, facts }) => ({ wish, detail: catalogue[code].detail(facts) }));

function refused(impossible: readonly Planned[]): OrbisError {
  return new OrbisError(
    'group-impossible',
    { count: impossible.length, embeds: someOf(impossible.map(({ stored }) => stored.embed.key)) },
    impossible.map(({ stored: { embed }, before, after }) => ({
      pointer: `/${embed.key}`,
      detail: newProblems(before, after)
        .map(({ detail }) => detail)
        .join(' '),
    })),
  );
}

const tellChange = (row: GroupChangeRow): GroupChange => ({
  id: row.publicId,
  where: row.search,
  said: row.said,
  embeds: row.embeds,
  createdAt: row.createdAt.toISOString(),
  undoneAt: row.undoneAt?.toISOString() ?? null,
});
