import { putEndpoints } from '../endpoints.ts';
import { groupBy } from '../group.ts';
import { insertMany } from '../insert-many.ts';
import { readRules, writeRules } from '../rules.ts';
import { preset, savedSearch } from '../schema.ts';
import { date, type Take } from './take.ts';

/** The rules for all embeds. */
export const takeRules: Take<'rules'> = async (tx, records) => {
  const { version } = await readRules(tx);
  await writeRules(tx, records.at(-1)!.rules, version, new Date());
};

/** Who answers questions about links. */
export const takeEndpoints: Take<'endpoint'> = async (tx, records, by) => {
  for (const [at, own] of groupBy(records, (record) => record.at))
    await putEndpoints(
      tx,
      own.map(({ type: _type, at: _at, ...listed }) => listed),
      { by, now: date(at) },
    );
};

/** Presets of the owner’s own. */
export const takePresets: Take<'preset'> = (tx, records, by) =>
  insertMany(
    tx,
    preset,
    records.map(({ key, meaning, options, at }) => ({
      ...{ key, meaning, options },
      ...{ createdAt: date(at), createdBy: by },
    })),
  );

/** Searches of the register that are kept. */
export const takeSearches: Take<'search'> = (tx, records, by) =>
  insertMany(
    tx,
    savedSearch,
    records.map(({ name, where, at }) => ({ name, where, createdAt: date(at), createdBy: by })),
  );
