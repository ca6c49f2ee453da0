import type { OembedRoom, Options } from '@orbis/core';
import { OrbisError, refuseProblems } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { changeEmbed, insertEmbed, listEmbeds, setTags, tagsOf } from '../../store/embeds.ts';
import { markEmbeds } from '../../store/stale.ts';
import { keyset } from '../../store/pages.ts';
import { compositionOf, newRevision, openSource } from '../../usecases/codes.ts';
import { nameFor, sourceOfCode, ingest } from '../../usecases/collect.ts';
import { linkResolver } from '../../usecases/link-resolver.ts';
import { embedByKey, embedReply, embedTag, serializeSummaries } from '../../usecases/embeds.ts';
import { searchFor } from '../../usecases/search.ts';
import type { Handlers, Named } from '../reply.ts';
import { inTransaction } from '../../database/transaction.ts';

/** The collection: collecting, listing, renaming, duplicating. */
export function embedHandlers(deps: Deps): Handlers<Named<'embeds'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  const reply = (key: string, status = 200) => embedReply(db, key, renderContext(), status);
  return {
    'embeds.list': async ({ query }) => {
      const page = keyset(
        await listEmbeds(db, {
          ...query,
          term: query.where === undefined ? undefined : searchFor(query.where),
        }),
        query.limit,
        (row) => row,
      );
      return { data: { items: await serializeSummaries(db, page.items), next: page.next } };
    },
    'embeds.create': async ({ body, actor }) => {
      const follow = linkResolver(deps, actor.now, roomIn(body.options));
      const taken = await ingest(db, body.text, deps, { mend: body.mend, ...(body.ask ? { follow } : {}) });
      const options: Options = { ...taken.asked, ...body.options };
      refuseProblems(
        (
          await compositionOf(
            { base: taken.code.text, found: taken.found, asked: { embed: options } },
            renderContext(),
          )
        ).composition.problems,
      );
      const { name = nameFor(taken), notes, tags } = body;
      const values = {
        name,
        notes,
        tags,
        ...sourceOfCode(taken),
        revision: newRevision(taken.code.sheet, options, 'collected'),
      };
      return reply(
        await inTransaction(db, (tx) => insertEmbed(tx, values, actor), { duplicates: true }),
        201,
      );
    },
    'embeds.read': ({ params }) => reply(params.embed),
    'embeds.change': async ({ params, body, matchState, actor }) => {
      await inTransaction(db, async (tx) => {
        const { embed } = await embedByKey(tx, params.embed);
        matchState(embedTag(embed), 'embed');
        const { tags, retired, ...values } = body;
        const retiredAt =
          retired === undefined ? {} : { retiredAt: retired ? (embed.retiredAt ?? actor.now) : null };
        if (!(await changeEmbed(tx, embed, { ...values, ...retiredAt }, actor.now)))
          throw new OrbisError('if-match-stale', { what: 'embed' });
        if (tags) await setTags(tx, embed.id, tags);
        // Of what is retired nothing is served, and so nothing was planned for it.
        if (retired === false) await markEmbeds(tx, [embed.id]);
      });
      return reply(params.embed);
    },
    'embeds.duplicate': async ({ params, body, actor }) => {
      const { embed, source, revision } = await embedByKey(db, params.embed);
      const code = await openSource(source, renderContext());
      const tags = (await tagsOf(db, [embed.id])).get(embed.id) ?? [];
      const values = {
        name: body.name,
        notes: embed.notes,
        tags,
        ...sourceOfCode({ pasted: source.pasted, found: source.found, code }),
        revision: newRevision(code.sheet, revision.options, `copy of ${embed.key}`),
      };
      return reply(
        await inTransaction(db, (tx) => insertEmbed(tx, values, actor), { duplicates: true }),
        201,
      );
    },
  };
}

/* How large the options let it be: its provider is asked for no more. */
function roomIn(options: Options): OembedRoom {
  const number = (...names: string[]): number | undefined =>
    names.map((name) => options[name]).find((value) => typeof value === 'number');
  const [maxWidth, maxHeight] = [number('max-width', 'width'), number('height')];
  return { ...(maxWidth !== undefined && { maxWidth }), ...(maxHeight !== undefined && { maxHeight }) };
}
