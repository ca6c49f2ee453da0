import { limits, powersOf, previewDocument, type Options } from '@orbis/core';
import { formatPower, OrbisError, refuseProblems, serializeMended, serializeReading } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { relayPath } from '../frames/relay.ts';
import { newPublicId } from '../store/ids.ts';
import { insertPreview } from '../store/previews.ts';
import { compositionOf, type CodeSource } from '../work/codes.ts';
import { serializeComposition } from '../serializers/compositions.ts';
import { askedAt } from '../work/asked.ts';
import { placementById } from '../work/placements.ts';
import { takeIn } from '../work/collect.ts';
import { embedByKey } from '../work/embeds.ts';
import type { Handlers, Named } from './reply.ts';

/* The limit of a batch; of one text the reading itself says when it is too long. */
const batchLimit = 8 * limits.length;

/** Reading, trying out and previewing codes, without keeping them. */
export function codeHandlers(deps: Deps): Handlers<Named<'readings' | 'compositions' | 'previews'>> {
  const { making, origins, now, reader } = deps;
  const { db } = deps.connection;
  const baseOf = async ({
    embed,
    text,
    placement,
  }: {
    embed?: string | undefined;
    text?: string | undefined;
    placement?: string | undefined;
  }): Promise<Pick<CodeSource, 'base' | 'found'>> => {
    if (placement !== undefined) return (await placementById(db, placement)).source;
    if (embed !== undefined) return (await embedByKey(db, embed)).source;
    if (text === undefined) throw new OrbisError('bad-request', { problem: 'Name an embed, or give a text.' });
    return { base: (await takeIn(db, text, deps)).code.text };
  };
  /* What is asked of an embed itself, or of one of its placements beside what the embed asks. */
  const askedBy = async ({ placement, options }: { placement?: string | undefined; options: Options }): Promise<Pick<CodeSource, 'asked'>> => {
    if (placement === undefined) return { asked: { embed: options } };
    return { asked: { ...askedAt(await placementById(db, placement)), placement: options } };
  };
  return {
    'readings.create': async ({ body }) => {
      const texts = 'texts' in body ? body.texts : [body.text];
      const found = texts.reduce((sum, text) => sum + text.length, 0);
      if (found > batchLimit) throw new OrbisError('too-large', { most: `${batchLimit} characters`, found: String(found) });
      const context = { sheets: making().sheets };
      const mended = body.mend === false ? [] : await reader.mendTexts(texts, context, body.mend === true ? undefined : (body.mend as string[]));
      const readings = await reader.readTexts(body.mend === false ? texts : mended.map(({ text }) => text), context);
      return { data: { items: readings.map(serializeReading), mended: mended.map(serializeMended) } };
    },
    'compositions.create': async ({ body }) => {
      const source = await baseOf(body);
      return { data: serializeComposition(source.base, (await compositionOf({ ...source, ...(await askedBy(body)) }, making(), null)).composition) };
    },
    'previews.create': async ({ body, act }) => {
      const source = await baseOf(body);
      const { code, composition } = await compositionOf({ ...source, ...(await askedBy(body)) }, making(), null);
      refuseProblems(composition.problems);
      const name = newPublicId() + newPublicId();
      const document = previewDocument(composition.text, code.reading, code.sheet, {
        title: body.embed ?? 'Preview',
        ancestors: [origins().console],
        ownHost: origins().ownHosts,
        language: 'en',
        relay: { src: new URL(relayPath, origins().previewUrl(name)).href, to: origins().console },
      });
      const expiresAt = await insertPreview(db, name, document, { by: act.by, now: now() });
      return {
        status: 201,
        data: {
          url: origins().previewUrl(name),
          expiresAt: expiresAt.toISOString(),
          powers: powersOf(code.reading).map(({ token, because }) => ({ token, because: formatPower(because) })),
        },
      };
    },
  };
}
