import { OrbisError, type EmbedSummary } from '@orbis/contract';
import { forList } from '../pictures/scale.ts';
import { keepPicture, pictureOf } from '../store/embed-pictures.ts';
import { usableEmbed, serializeSummaries } from './embeds.ts';
import type { LookingTools } from './looking.ts';
import { photographed } from './still.ts';

/* Large enough that what stands in it can be read in a small picture. */
const window = 640;

/**
 * Takes the picture of an embed for lists: what its provider named, where it named one, else what it shows.
 * @throws OrbisError of the browser, and where there is nothing to take.
 */
export async function takePicture(
  key: string,
  of: 'embed' | 'provider' | undefined,
  tools: LookingTools,
  now: Date,
  signal: AbortSignal,
): Promise<EmbedSummary> {
  const { db } = tools.connection;
  const { embed, source, revision } = await usableEmbed(db, key);
  const asked = {
    embed: key,
    options: revision.options,
    of: of ?? (source.found?.thumbnail ? ('provider' as const) : ('embed' as const)),
    width: window,
  };
  const { png } = await photographed(asked, tools, signal);
  const { data, width, height } = await forList(png);
  await keepPicture(db, embed.id, { revision: revision.number, data, width, height, takenAt: now });
  return (await serializeSummaries(db, [embed], tools.renderContext()))[0]!;
}

/** The picture of an embed. @throws OrbisError `not-found` where none was taken. */
export async function readPicture(
  key: string,
  { connection: { db } }: Pick<LookingTools, 'connection'>,
): Promise<{ file: Buffer; etag: string }> {
  const picture = await pictureOf(db, key);
  if (!picture) throw new OrbisError('not-found', { what: 'picture', key });
  return { file: picture.data, etag: `"${picture.takenAt.getTime()}"` };
}
