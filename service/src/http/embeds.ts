import { type OembedRoom, type Wishes } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { changeEmbed, insertEmbed, listEmbeds, setTags, tagsOf } from '../store/embeds.ts';
import { keyset } from '../store/pages.ts';
import { newRevision, openSource, outcomeOf, refuseProblems } from '../work/codes.ts';
import { nameFor, sourceOfCode, takeIn } from '../work/collect.ts';
import { follower } from '../work/follow.ts';
import { embedByKey, embedReply, embedTag, tellSummaries } from '../work/embeds.ts';
import { searchFor } from '../work/search.ts';
import type { Handlers, Named } from './reply.ts';
import { inTransaction } from '../database/transaction.ts';

/** The collection: collecting, listing, renaming, duplicating. */
export function embedHandlers(deps: Deps): Handlers<Named<'embeds'>> {
  const { making } = deps;
  const { db } = deps.connection;
  const reply = (key: string, status = 200) => embedReply(db, key, making(), status);
  return {
    'embeds.list': async ({ query }) => {
      const page = keyset(await listEmbeds(db, { ...query, term: query.where === undefined ? undefined : searchFor(query.where) }), query.limit, (row) => row);
      return { data: { items: await tellSummaries(db, page.items), next: page.next } };
    },
    'embeds.create': async ({ body, act }) => {
      const follow = follower(deps, act.now, roomIn(body));
      const taken = await takeIn(db, body.text, deps, { mend: body.mend, ...(body.ask ? { follow } : {}) });
      const wishes: Wishes = { settings: { ...taken.asked, ...body.settings }, dress: body.dress };
      refuseProblems((await outcomeOf({ base: taken.code.text, found: taken.found, wishes }, making(), null)).outcome);
      const { name = nameFor(taken), notes, tags } = body;
      const values = { name, notes, tags, ...sourceOfCode(taken), revision: newRevision(taken.code.sheet, wishes, 'collected') };
      return reply(await inTransaction(db, (tx) => insertEmbed(tx, values, act), { duplicates: true }), 201);
    },
    'embeds.read': ({ params }) => reply(params.embed),
    'embeds.change': async ({ params, body, matchState, act }) => {
      await inTransaction(db, async (tx) => {
        const { embed } = await embedByKey(tx, params.embed);
        matchState(embedTag(embed), 'embed');
        const { tags, retired, ...values } = body;
        const retiredAt = retired === undefined ? {} : { retiredAt: retired ? (embed.retiredAt ?? act.now) : null };
        if (!(await changeEmbed(tx, embed, { ...values, ...retiredAt }, act.now))) throw new OrbisError('if-match-stale', { what: 'embed' });
        if (tags) await setTags(tx, embed.id, tags);
      });
      return reply(params.embed);
    },
    'embeds.duplicate': async ({ params, body, act }) => {
      const { embed, source, revision } = await embedByKey(db, params.embed);
      const code = await openSource(source, making());
      const wishes: Wishes = { settings: revision.settings, dress: revision.dress };
      const tags = (await tagsOf(db, [embed.id])).get(embed.id) ?? [];
      const values = {
        name: body.name,
        notes: embed.notes,
        tags,
        ...sourceOfCode({ pasted: source.pasted, found: source.found, code }),
        revision: newRevision(code.sheet, wishes, `copy of ${embed.key}`),
      };
      return reply(await inTransaction(db, (tx) => insertEmbed(tx, values, act), { duplicates: true }), 201);
    },
  };
}

/* How large the wishes let it be: its provider is asked for no more. */
function roomIn({ settings, dress }: Wishes): OembedRoom {
  const maxWidth = dress['max-width'] ?? settings.width;
  return { ...(maxWidth !== undefined && { maxWidth }), ...(settings.height !== undefined && { maxHeight: settings.height }) };
}
