import { directOf, keptAt, type Kind, type Options } from '@orbis/core';
import {
  apiBase,
  OrbisError,
  pathOf,
  serializeReading,
  type Embed,
  type EmbedSummary,
  type Revision,
} from '@orbis/contract';
import { openSource } from './codes.ts';
import type { RenderContext } from './render-context.ts';
import type { Handle } from '../database/connect.ts';
import { personName } from '../store/people.ts';
import { picturesTaken } from '../store/embed-pictures.ts';
import {
  embedOfSameCode,
  findEmbed,
  tagsOf,
  type EmbedRow,
  type RevisionRow,
  type StoredEmbed,
} from '../store/embeds.ts';

/** The state of an embed, for `If-Match`. */
export const embedTag = (row: Pick<EmbedRow, 'version'>): string => `"${row.version}"`;

/** @throws OrbisError `not-found` */
export async function embedByKey(db: Handle, key: string): Promise<StoredEmbed> {
  const stored = await findEmbed(db, key);
  if (!stored) throw new OrbisError('not-found', { what: 'embed', key });
  return stored;
}

/** The same, where something is to be made of it. @throws OrbisError `not-found`, `embed-purged` */
export async function usableEmbed(db: Handle, key: string): Promise<StoredEmbed> {
  const stored = await embedByKey(db, key);
  if (stored.embed.purgedAt !== null) throw new OrbisError('embed-purged', { embed: key });
  return stored;
}

/** Embeds as the collection lists them. */
export async function serializeSummaries(
  db: Handle,
  rows: readonly EmbedRow[],
  { sheets }: Pick<RenderContext, 'sheets'>,
): Promise<EmbedSummary[]> {
  const ids = rows.map((row) => row.id);
  const [tags, pictures] = await Promise.all([tagsOf(db, ids), picturesTaken(db, ids)]);
  return rows.map((row) => ({
    key: row.key,
    name: row.name,
    kind: row.kind as Kind,
    provider: row.provider,
    providerName: sheets.find(({ id }) => id === row.provider)?.name ?? row.provider,
    tags: tags.get(row.id) ?? [],
    retired: row.retiredAt !== null,
    revision: row.revision,
    level: row.level,
    placements: row.placements,
    picture: pictureAddress(row.key, pictures.get(row.id)?.takenAt),
    pictured: pictures.get(row.id)?.revision ?? null,
    createdAt: row.createdAt.toISOString(),
    changedAt: row.changedAt.toISOString(),
  }));
}

/* With its state, so that browsers keep it until another one is taken. */
const pictureAddress = (embed: string, taken: Date | undefined): string | null =>
  taken === undefined ? null : `${apiBase}${pathOf('embeds.picture', { embed })}?taken=${taken.getTime()}`;

/** The item’s own id, where a code says it as a setting. */
export const accountIn = ({ account }: Options): string | null =>
  typeof account === 'string' ? account : null;

/** One embed whole, with the reading of its code. */
async function serializeEmbed(
  db: Handle,
  { embed, source, revision }: StoredEmbed,
  renderContext: RenderContext,
): Promise<Embed> {
  const [{ reading, current }, [summary], same, purgedBy] = await Promise.all([
    openSource(source, renderContext),
    serializeSummaries(db, [embed], renderContext),
    embedOfSameCode(db, embed.id, source.digest),
    embed.purgedAt && personName(db, embed.purgedBy),
  ]);
  return {
    ...summary!,
    notes: embed.notes,
    source: source.number,
    pasted: source.pasted,
    base: source.base,
    reading: serializeReading(reading),
    found: source.found,
    direct: directOf(reading, renderContext.sheets),
    kept: keptAt(reading, accountIn(current), renderContext.sheets),
    same,
    inCode: current,
    current: serializeRevision(revision, source.number),
    purged: embed.purgedAt && {
      at: embed.purgedAt.toISOString(),
      by: purgedBy ?? '',
      reason: embed.purgeReason ?? '',
    },
  };
}

/** An answer that is one embed, with its state. */
export async function embedReply(db: Handle, key: string, renderContext: RenderContext, status = 200) {
  const stored = await embedByKey(db, key);
  return { status, data: await serializeEmbed(db, stored, renderContext), etag: embedTag(stored.embed) };
}

export const serializeRevision = (row: RevisionRow, source: number): Revision => ({
  number: row.number,
  source,
  options: row.options,
  reason: row.reason,
  createdAt: row.createdAt.toISOString(),
});
