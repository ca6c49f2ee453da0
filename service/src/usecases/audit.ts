import {
  actsAtServer,
  OrbisError,
  routes,
  spoken,
  type AuditChecked,
  type AuditEntry,
  type Route,
  type RouteName,
} from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import {
  auditAfter,
  contentsOf,
  hashOf,
  listAudit,
  readChain,
  sealAudit,
  type AuditAsked,
  type ChainRow,
  type AuditRow,
} from '../store/audit.ts';
import { findPerson, publicIdsOf } from '../store/people.ts';
import { keyset } from '../store/pages.ts';

/** What the log is searched for, with people by their ids in the interface. */
export type AuditSearch = Omit<AuditAsked, 'personId' | 'acts'> & {
  person?: string | undefined;
  /** An operation, or the word before its dot. */
  act?: string | undefined;
};

/** A part of the log. @throws OrbisError `not-found` of a person */
export async function readAudit(
  db: Database,
  { person, act, ...asked }: AuditSearch,
): Promise<{ items: AuditEntry[]; next: string | null }> {
  await sealAudit(db);
  const found = person === undefined ? null : await findPerson(db, person);
  if (person !== undefined && !found) throw new OrbisError('not-found', { what: 'person', key: person });
  const acts = act === undefined ? undefined : actsNamed(act);
  const rows = await listAudit(db, { ...asked, acts, personId: found?.id });
  const { items, next } = keyset(rows, asked.limit, (row) => row);
  return { items: await tellAudit(db, items), next };
}

const actsNamed = (act: string): string[] =>
  act.includes('.')
    ? [act]
    : [...Object.keys(routes), ...actsAtServer].filter((name) => name.startsWith(`${act}.`));

async function tellAudit(db: Handle, rows: readonly AuditRow[]): Promise<AuditEntry[]> {
  const people = await publicIdsOf(
    db,
    rows.map(({ personId }) => personId),
  );
  return rows.map((row) => ({
    ...{ number: row.number, at: row.at.toISOString(), act: row.act, said: row.said ?? summaryOf(row.act) },
    withheld: row.withheld,
    ...{ outcome: row.outcome, why: row.why, thing: row.thing, who: row.who },
    person: (row.personId === null ? undefined : people.get(row.personId)) ?? null,
    ...{ means: row.means, network: row.network, times: row.times, hash: row.hash },
    before: row.before === null ? null : (JSON.parse(row.before) as unknown),
    after: row.after === null ? null : (JSON.parse(row.after) as unknown),
  }));
}

/* What an operation does, in its first words; one that there is no more is called by its name. */
const summaryOf = (act: string): string =>
  Object.hasOwn(routes, act)
    ? (routes[act as RouteName] as Route).summary.split(/[:,.;(]/, 1)[0]!.trim()
    : act;

/* So many entries are read at once. */
const atOnce = 1000;

/** The whole log, the oldest first, a JSON text in each line. */
export async function* writeOutAudit(db: Database): AsyncGenerator<string> {
  await sealAudit(db);
  for await (const rows of inOrder(db))
    yield (await tellAudit(db, rows)).map((entry) => `${JSON.stringify(entry)}\n`).join('');
}

async function* inOrder(db: Handle, from = 0): AsyncGenerator<AuditRow[]> {
  for (let last = from; ;) {
    const rows = await auditAfter(db, last, atOnce);
    if (rows.length === 0) return;
    yield rows;
    last = rows.at(-1)!.number!;
  }
}

type Fault = NonNullable<AuditChecked['broken']>['why'];

/**
 * Holds the log against its own chain: whether each entry is as it was written, none is missing, and the end
 * is where it was.
 * @param noted a place of the chain that was told earlier.
 */
export async function checkAudit(
  db: Database,
  noted: { number: number; hash: string } | undefined,
): Promise<AuditChecked> {
  await sealAudit(db);
  const chain = await readChain(db);
  const nothing = { entries: 0, withheld: 0, first: null, head: null, broken: null };
  if (!chain) return noted ? { ...nothing, broken: fault(noted.number, 'cut') } : nothing;
  const so = { number: chain.droppedNumber, hash: chain.droppedHash, entries: 0, withheld: 0 };
  const done = (broken: AuditChecked['broken']): AuditChecked => ({
    ...{ entries: so.entries, withheld: so.withheld, broken },
    first: so.entries === 0 ? null : chain.droppedNumber + 1,
    head: so.number === 0 ? null : { number: so.number, hash: so.hash },
  });
  const against = { chain, noted };
  for await (const rows of inOrder(db, so.number))
    for (const row of rows) {
      // What is done meanwhile has moved the end.
      if (row.number! > against.chain.number) against.chain = (await readChain(db))!;
      const broken = faultOf(row, so, against);
      if (broken) return done(broken);
    }
  return done(faultAtEnd(so, against));
}

/** How far the chain has been gone along. */
interface SoFar {
  number: number;
  hash: string;
  entries: number;
  withheld: number;
}
interface HeldAgainst {
  chain: ChainRow;
  noted: { number: number; hash: string } | undefined;
}

/* What is wrong with the next entry of the chain; where nothing is, it has been gone along. */
function faultOf(row: AuditRow, so: SoFar, { chain, noted }: HeldAgainst): AuditChecked['broken'] {
  const number = row.number!;
  if (number > chain.number) return fault(number, 'added');
  if (number !== so.number + 1) return fault(so.number + 1, 'missing');
  const hash = hashOf(so.hash, number, row);
  const isWhole = row.withheld || contentsOf(row) === row.contents;
  if (hash !== row.hash || !isWhole) return fault(number, 'changed');
  if (noted?.number === number && noted.hash !== hash) return fault(number, 'other');
  Object.assign(so, {
    number,
    hash,
    entries: so.entries + 1,
    withheld: so.withheld + (row.withheld ? 1 : 0),
  });
  return null;
}

function faultAtEnd({ number, hash }: SoFar, { chain, noted }: HeldAgainst): AuditChecked['broken'] {
  if (number < chain.number) return fault(number + 1, 'cut');
  if (hash !== chain.hash) return fault(number, 'changed');
  return noted && noted.number > number ? fault(noted.number, 'cut') : null;
}

const fault = (number: number, why: Fault): NonNullable<AuditChecked['broken']> => ({
  ...{ number, why },
  said: spoken.audit.faults[why](number),
});
