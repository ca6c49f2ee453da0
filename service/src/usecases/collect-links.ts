import { OrbisError, refuseProblems, type LinksCollected } from '@orbis/contract';
import { digest } from '../digest.ts';
import type { NewEmbed } from '../store/import.ts';
import { compositionOf, newRevision } from './codes.ts';
import type { RenderContext } from './render-context.ts';
import { nameFor, sourceOfCode, ingest, type Collected } from './collect.ts';

/* So many links are asked about at the same time. */
const together = 4;

/** Finds out what several links are; which of them cannot be collected, and why. Nothing is kept yet. */
export async function resolveLinks(
  links: readonly string[],
  tags: readonly string[],
  take: (link: string) => ReturnType<typeof ingest>,
  renderContext: RenderContext,
): Promise<{
  embeds: { item: number; link: string; embed: NewEmbed }[];
  refused: LinksCollected['refused'];
}> {
  const found: ({ embed: NewEmbed } | { detail: string })[] = [];
  let next = 0;
  const one = async (): Promise<void> => {
    for (let i = next++; i < links.length; i = next++) {
      try {
        found[i] = { embed: await embedOf(await take(links[i]!), tags, renderContext) };
      } catch (error) {
        if (!(error instanceof OrbisError)) throw error;
        // That nothing was collected is said of all of them together.
        found[i] = { detail: error.message.replace(/ Nothing was collected.*$/s, '') };
      }
    }
  };
  await Promise.all(Array.from({ length: Math.min(together, links.length) }, one));
  return {
    embeds: found.flatMap((item, i) =>
      'embed' in item ? [{ item: i + 1, link: links[i]!, embed: item.embed }] : [],
    ),
    refused: found.flatMap((item, i) =>
      'detail' in item ? [{ item: i + 1, link: links[i]!, detail: item.detail }] : [],
    ),
  };
}

async function embedOf(
  taken: Collected,
  tags: readonly string[],
  renderContext: RenderContext,
): Promise<NewEmbed> {
  const options = taken.asked;
  const { composition, code } = await compositionOf(
    { base: taken.code.text, found: taken.found, asked: { embed: options } },
    renderContext,
  );
  refuseProblems(composition.problems);
  return {
    name: nameFor(taken),
    notes: '',
    tags,
    digest: digest(taken.code.text),
    ...sourceOfCode(taken),
    revision: newRevision(code.sheet, options, 'collected'),
  };
}
