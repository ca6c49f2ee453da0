import type { RecordOf } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { insertMany } from '../insert-many.ts';
import { issueDigest, keepSnippets } from '../issued.ts';
import { isOneOf } from '../one-of.ts';
import { delivery, deliverySnippet, placement, revision } from '../schema.ts';
import { embedsBy, numberedBy, numberedKey, placementsBy, spotsBy } from './found-rows.ts';
import { date, dateOrNull, type Take } from './take.ts';

/** Placements, ended ones too. What is wanted of them now is planned afterwards. */
export const takePlacements: Take<'placement'> = async (tx, records, by) => {
  const embeds = await embedsBy(
    tx,
    records.map((record) => record.embed),
  );
  const spots = await spotsBy(
    tx,
    records.map(({ place }) => place),
  );
  await insertMany(
    tx,
    placement,
    records.map(({ id, embed: of, place, seen, state, seenDelivery, carried, findings, at, ...own }) => {
      const { options, note, pausedAt, ...times } = own;
      const isOver = times.endedAt !== null;
      return {
        ...{ publicId: id, embedId: embeds.of(of), ...spots.of(place), options, note },
        // Worked out anew when its page is planned: since when it is so stays where it is the same.
        ...{
          seen,
          state: state ?? seen,
          stateSince: dateOrNull(times.stateSince),
          seenDelivery,
          carried,
          findings,
        },
        pausedAt: dateOrNull(pausedAt),
        ...{ lastSeenAt: dateOrNull(times.lastSeenAt), checkedAt: dateOrNull(times.checkedAt) },
        ...{ linkedAt: dateOrNull(times.linkedAt), endedAt: dateOrNull(times.endedAt) },
        ...{ active: isOver ? null : 1, stale: isOver ? ('no' as const) : ('yes' as const) },
        ...{ createdAt: date(at), createdBy: by },
      };
    }),
  );
};

/** What was handed out for placements. */
export const takeDeliveries: Take<'delivery'> = async (tx, records, by) => {
  const placements = await placementsBy(
    tx,
    records.map((record) => record.placement),
  );
  const madeOf = ({ placement: of, revision: number }: RecordOf<'delivery'>) => ({
    embedId: placements.of(of).embedId,
    number,
  });
  const revisions = await numberedBy(tx, revision, records.map(madeOf));
  await insertMany(
    tx,
    delivery,
    records.map((record) => ({
      ...{ placementId: placements.of(record.placement).id, number: record.number, options: record.options },
      revisionId: revisions.of(numberedKey(madeOf(record)), `${record.revision} of ${record.placement}`),
      digest: issueDigest(record.snippets),
      asFound: Number(record.asFound),
      ...{ createdAt: date(record.at), createdBy: by },
    })),
  );
  const ids = await deliveriesOf(
    tx,
    records.map((record) => placements.of(record.placement).id),
  );
  const snippets = await keepSnippets(
    tx,
    records.flatMap((record) => record.snippets),
  );
  const kept = snippets.values();
  await insertMany(
    tx,
    deliverySnippet,
    records.flatMap((record) => {
      const deliveryId = ids.get(`${placements.of(record.placement).id} ${record.number}`)!;
      return record.snippets.map(({ position }, at) => ({
        ...{ deliveryId, at, position },
        snippetId: kept.next().value!,
      }));
    }),
  );
};

async function deliveriesOf(tx: Handle, placementIds: readonly number[]): Promise<Map<string, number>> {
  const rows = await tx
    .select({ id: delivery.id, placementId: delivery.placementId, number: delivery.number })
    .from(delivery)
    .where(isOneOf(delivery.placementId, [...new Set(placementIds)]));
  return new Map(rows.map(({ id, placementId, number }) => [`${placementId} ${number}`, id]));
}
