import type { RecordOf } from '@orbis/contract';
import { digest } from '../../digest.ts';
import { insertMany } from '../insert-many.ts';
import { embed, embedTag, revision, source } from '../schema.ts';
import { embedsBy, numberedBy, numberedKey } from './found-rows.ts';
import { date, dateOrNull, type Take } from './take.ts';

/** Embeds. What they are is read from their codes, once those are there. */
export const takeEmbeds: Take<'embed'> = async (tx, records, by) => {
  await insertMany(
    tx,
    embed,
    records.map(({ key, name, notes, retiredAt, purged, changedAt, at }) => ({
      ...{ key, name, notes, kind: 'unknown', provider: null, level: null, source: 1, revision: 1 },
      ...{ purgedAt: dateOrNull(purged?.at ?? null), purgeReason: purged?.reason ?? null },
      ...{ retiredAt: dateOrNull(retiredAt), changedAt: date(changedAt), createdAt: date(at), createdBy: by },
    })),
  );
  const ids = await embedsBy(
    tx,
    records.map(({ key }) => key),
  );
  await insertMany(
    tx,
    embedTag,
    records.flatMap(({ key, tags }) => tags.map((tag) => ({ embedId: ids.of(key), tag }))),
  );
};

/** Codes as they were pasted. */
export const takeSources: Take<'source'> = async (tx, records, by) => {
  const ids = await embedsBy(
    tx,
    records.map((record) => record.embed),
  );
  await insertMany(
    tx,
    source,
    records.map(({ embed: of, number, pasted, base, found, at }) => ({
      ...{ embedId: ids.of(of), number, pasted, base, found, digest: digest(base) },
      ...{ createdAt: date(at), createdBy: by },
    })),
  );
};

/** Revisions, each of a code. */
export const takeRevisions: Take<'revision'> = async (tx, records, by) => {
  const ids = await embedsBy(
    tx,
    records.map((record) => record.embed),
  );
  const sourceOf = ({ embed: of, source: number }: RecordOf<'revision'>) => ({ embedId: ids.of(of), number });
  const sources = await numberedBy(tx, source, records.map(sourceOf));
  await insertMany(
    tx,
    revision,
    records.map((record) => {
      const { embed: of, number, leftOut, options, sheet, reason, at } = record;
      return {
        ...{ embedId: ids.of(of), number },
        sourceId: sources.of(numberedKey(sourceOf(record)), `${record.source} of ${of}`),
        ...{ leftOut, options, sheetId: sheet?.id ?? null, sheetDigest: sheet?.digest ?? null, reason },
        ...{ createdAt: date(at), createdBy: by },
      };
    }),
  );
};
