import type { Change } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { peopleOfChange, serializeChange } from '../serializers/changes.ts';
import type { ChangeRow } from '../store/change-log.ts';
import { namesOf } from '../store/people.ts';

/** What was done, as it crosses the wire, with the names of those who did it. */
export async function tellChanges(db: Handle, rows: readonly ChangeRow[]): Promise<Change[]> {
  const names = await namesOf(db, rows.flatMap(peopleOfChange));
  return rows.map((row) => serializeChange(row, names));
}

/** One thing that was done. */
export const tellChange = async (db: Handle, row: ChangeRow): Promise<Change> =>
  (await tellChanges(db, [row]))[0]!;
