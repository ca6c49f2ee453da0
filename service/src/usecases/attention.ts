import { mostFindingsCounted, OrbisError, formatRule, type Attention, type Decision } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Actor } from '../store/embeds.ts';
import { countOfRank, openByRule, openBySite } from '../store/finding-counts.ts';
import {
  decide,
  levelsByRank,
  lockFindings,
  pagesIn,
  scopesOf,
  type Decided,
  type FindingRow,
} from '../store/findings.ts';
import { findFinding, shownFindings, type ShownFinding } from '../store/list-findings.ts';
import { readAnew } from '../store/page-reads.ts';
import { askNow, resourcesAmong } from '../store/resources.ts';

/* So many sites are named of those where most is open. */
const mostSites = 20;

/** How much wants attention; the sites are those of a rule where one is named. */
export async function readAttention(db: Handle, rule: string | undefined): Promise<Attention> {
  const [note, warning, error] = await Promise.all(
    levelsByRank.map((_, rank) => countOfRank(db, rank, mostFindingsCounted)),
  );
  return {
    open: { error: error!, warning: warning!, note: note! },
    rules: (await openByRule(db)).map((each) => ({ ...each, title: formatRule(each.rule) })),
    sites: await openBySite(db, rule, mostSites),
  };
}

/** @throws OrbisError `not-found` */
export async function findingById(db: Handle, id: string): Promise<ShownFinding> {
  const found = await findFinding(db, id);
  if (!found) throw new OrbisError('not-found', { what: 'finding', key: id });
  return found;
}

/** What is decided about findings. */
export interface DecisionAsked {
  findings: readonly string[];
  as: Decision;
  until?: string | undefined;
  reason?: string | undefined;
}

/**
 * Decides about findings, all or none. What is called solved is looked at anew by the next sweep of its page,
 * and is open again where it is still there.
 * @throws OrbisError `not-found`, `time-passed`
 */
export async function decideAbout(
  db: Database,
  { findings: ids, as, until, reason = '' }: DecisionAsked,
  actor: Actor,
): Promise<ShownFinding[]> {
  const waits = until === undefined ? null : new Date(until);
  if (waits !== null && waits <= actor.now) throw new OrbisError('time-passed', { until: until! });
  return inTransaction(db, async (tx) => {
    const rows = await lockFindings(tx, ids);
    const known = new Set(rows.map(({ publicId }) => publicId));
    const unknown = ids.find((id) => !known.has(id));
    if (unknown !== undefined) throw new OrbisError('not-found', { what: 'finding', key: unknown });
    await decide(tx, rows, decidedAs(as, waits, reason), actor);
    if (as === 'solved') await lookAnew(tx, rows);
    return shownFindings(
      tx,
      rows.map(({ id }) => id),
    );
  });
}

function decidedAs(as: Decision, until: Date | null, reason: string): Decided {
  const list = as === 'seen' || as === 'open' ? 'open' : as;
  return { list, isNew: as === 'open', until, reason: list === 'open' ? '' : reason };
}

/* So many places are looked at anew of those where a finding is. */
const mostPages = 50;

async function lookAnew(tx: Handle, rows: readonly FindingRow[]): Promise<void> {
  const scopes: string[] = [];
  for (const { id } of rows) scopes.push(...(await scopesOf(tx, id, mostPages)));
  await readAnew(tx, pagesIn(scopes));
  await askNow(tx, { ids: resourcesAmong(scopes) });
}
