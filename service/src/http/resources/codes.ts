import { limits } from '@orbis/core';
import {
  formatSandboxToken,
  OrbisError,
  serializeComposition,
  serializeMended,
  serializeReading,
  type PageShown,
} from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import type { RoomOnPage } from '../../usecases/in-page.ts';
import { previewOfContacts } from '../../usecases/contacts.ts';
import { preview, tryOut } from '../../usecases/try-out.ts';
import type { Handlers, Named } from '../reply.ts';

/* The limit of a batch; of one text the reading itself says when it is too long. */
const batchLimit = 8 * limits.length;

const serializePageShown = ({ url, room: { places, at, side, instead } }: RoomOnPage): PageShown => ({
  url,
  places,
  at,
  side,
  instead,
});

/** Reading, trying out and previewing codes, without keeping them. */
export function codeHandlers(deps: Deps): Handlers<Named<'readings' | 'compositions' | 'previews'>> {
  const { renderContext, reader } = deps;
  return {
    'readings.create': async ({ body: { mend, ...body } }) => {
      const texts = 'texts' in body ? body.texts : [body.text];
      const found = texts.reduce((sum, text) => sum + text.length, 0);
      if (found > batchLimit)
        throw new OrbisError('too-large', { most: `${batchLimit} characters`, found: String(found) });
      const context = { sheets: renderContext().sheets };
      const mended =
        mend === false ? [] : await reader.mendTexts(texts, context, mend === true ? undefined : mend);
      const toRead = mend === false ? texts : mended.map(({ text }) => text);
      const readings = await reader.readTexts(toRead, context);
      return { data: { items: readings.map(serializeReading), mended: mended.map(serializeMended) } };
    },
    'compositions.create': async ({ body }) => {
      const { base, tried } = await tryOut(body, deps);
      return { data: serializeComposition(base, tried.composition) };
    },
    'previews.create': async ({ body: { learning, ...body }, actor }) => {
      const { url, expiresAt, sandboxTokens, page } = learning
        ? await previewOfContacts(body, deps, actor)
        : await preview(body, deps, actor);
      return {
        status: 201,
        data: {
          url,
          expiresAt: expiresAt.toISOString(),
          sandboxTokens: sandboxTokens.map(({ token, reason }) => ({
            token,
            reason: formatSandboxToken(reason),
          })),
          page: page && serializePageShown(page),
        },
      };
    },
  };
}
