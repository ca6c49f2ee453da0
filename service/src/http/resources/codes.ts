import {
  classFor,
  documentText,
  limits,
  sandboxTokensOf,
  previewDocument,
  type Circumstances,
  type Options,
} from '@orbis/core';
import {
  formatSandboxToken,
  OrbisError,
  refuseProblems,
  serializeMended,
  serializeReading,
} from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { relayPath } from '../../frames/relay.ts';
import { newPublicId } from '../../store/ids.ts';
import { insertPreview } from '../../store/previews.ts';
import { compositionOf, type CodeSource } from '../../usecases/codes.ts';
import { serializeComposition } from '../../serializers/compositions.ts';
import { askedAt } from '../../usecases/asked.ts';
import { placementById } from '../../usecases/placements.ts';
import { ingest } from '../../usecases/collect.ts';
import { embedByKey } from '../../usecases/embeds.ts';
import type { Handlers, Named } from '../reply.ts';

/* The limit of a batch; of one text the reading itself says when it is too long. */
const batchLimit = 8 * limits.length;

/** Reading, trying out and previewing codes, without keeping them. */
export function codeHandlers(deps: Deps): Handlers<Named<'readings' | 'compositions' | 'previews'>> {
  const { renderContext, origins, now, reader } = deps;
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
    if (text === undefined)
      throw new OrbisError('bad-request', { problem: 'Name an embed, or give a text.' });
    return { base: (await ingest(db, text, deps)).code.text };
  };
  /* What is asked of an embed itself, or of one of its placements beside what the embed asks. */
  const askedBy = async ({
    placement,
    options,
  }: {
    placement?: string | undefined;
    options: Options;
  }): Promise<Pick<CodeSource, 'asked'>> => {
    if (placement === undefined) return { asked: { embed: options } };
    return { asked: { ...askedAt(await placementById(db, placement)), placement: options } };
  };
  const circumstancesOf = async ({
    placement,
  }: {
    placement?: string | undefined;
  }): Promise<Circumstances> =>
    placement !== undefined && (await placementById(db, placement)).site.head
      ? { apart: classFor(placement) }
      : {};
  return {
    'readings.create': async ({ body }) => {
      const texts = 'texts' in body ? body.texts : [body.text];
      const found = texts.reduce((sum, text) => sum + text.length, 0);
      if (found > batchLimit)
        throw new OrbisError('too-large', { most: `${batchLimit} characters`, found: String(found) });
      const context = { sheets: renderContext().sheets };
      const mended =
        body.mend === false
          ? []
          : await reader.mendTexts(texts, context, body.mend === true ? undefined : (body.mend as string[]));
      const readings = await reader.readTexts(
        body.mend === false ? texts : mended.map(({ text }) => text),
        context,
      );
      return { data: { items: readings.map(serializeReading), mended: mended.map(serializeMended) } };
    },
    'compositions.create': async ({ body }) => {
      const source = await baseOf(body);
      return {
        data: serializeComposition(
          source.base,
          (
            await compositionOf(
              { ...source, ...(await askedBy(body)) },
              renderContext(),
              await circumstancesOf(body),
            )
          ).composition,
        ),
      };
    },
    'previews.create': async ({ body, actor }) => {
      const source = await baseOf(body);
      const { code, composition } = await compositionOf(
        { ...source, ...(await askedBy(body)) },
        renderContext(),
        { apart: classFor('preview') },
      );
      refuseProblems(composition.problems);
      const name = newPublicId() + newPublicId();
      const document = previewDocument(documentText(composition.snippets), code.reading, code.sheet, {
        title: body.embed ?? 'Preview',
        ancestors: [origins().console],
        ownHost: origins().ownHosts,
        language: 'en',
        relay: { src: new URL(relayPath, origins().previewUrl(name)).href, to: origins().console },
      });
      const expiresAt = await insertPreview(db, name, document, { by: actor.by, now: now() });
      return {
        status: 201,
        data: {
          url: origins().previewUrl(name),
          expiresAt: expiresAt.toISOString(),
          sandboxTokens: sandboxTokensOf(code.reading).map(({ token, reason }) => ({
            token,
            reason: formatSandboxToken(reason),
          })),
        },
      };
    },
  };
}
