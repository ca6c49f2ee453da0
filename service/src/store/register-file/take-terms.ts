import { RecordUnfit } from '@orbis/contract';
import { insertMany } from '../insert-many.ts';
import { terms } from '../schema.ts';
import { columnsOf } from '../terms.ts';
import { embedsBy } from './found-rows.ts';
import { date, type Take } from './take.ts';

/** What has been agreed upon for embeds and with providers. */
export const takeTerms: Take<'terms'> = async (tx, records, by) => {
  const embeds = await embedsBy(
    tx,
    records.flatMap(({ embed }) => embed ?? []),
  );
  await insertMany(
    tx,
    terms,
    records.map(({ type: _type, embed, provider, changedAt, at, ...values }) => {
      if ((embed === null) === (provider === null))
        throw new RecordUnfit('terms are either of an embed or of a provider');
      return {
        ...{ embedId: embed === null ? null : embeds.of(embed), provider },
        ...columnsOf(values),
        ...{ changedAt: date(changedAt), createdAt: date(at), createdBy: by },
      };
    }),
  );
};
