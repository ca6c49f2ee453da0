import { expect } from 'chai';
import fc from 'fast-check';
import { asc, sql } from 'drizzle-orm';
import { inTransaction } from '../src/database/transaction.ts';
import { decide, keepFound, lockFindings, type Found } from '../src/store/findings.ts';
import { finding, findingCount, news } from '../src/store/schema.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';

const rules = ['missing', 'altered', 'doubled'] as const;
const scopes = ['page:1', 'page:2', 'site:1'] as const;
const lists = ['open', 'later', 'muted', 'solved'] as const;

/* What may happen: all that is found at a place, or what is decided about one finding. */
const act = fc.oneof(
  fc.record({
    what: fc.constant('found' as const),
    scope: fc.constantFrom(...scopes),
    rules: fc.subarray([...rules]),
  }),
  fc.record({
    what: fc.constant('decided' as const),
    rule: fc.constantFrom(...rules),
    list: fc.constantFrom(...lists),
  }),
);

/* What is known of a finding, told plainly: where it is, and on which list. */
interface Known {
  at: Set<string>;
  list: (typeof lists)[number];
}

describe('the life of findings', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await test.client.call('sites.create', {
      body: { key: 'fell', name: 'Fell', address: 'https://fell.example' },
    });
  });
  after(() => test.stop());

  it('is as whoever tells it plainly says, in any order of finding and deciding, and so are the counts', async () => {
    const { db } = test.orbis.connection;
    const now = new Date('2026-11-29T12:00:00.000Z');
    const found = (rule: string): Found => ({
      ...{ rule, level: 'warning', about: 'thing', siteId: 1, pageId: null, placementId: null },
      facts: {},
    });
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 1, maxLength: 12 }), async (acts) => {
        for (const table of ['finding_at', 'finding', 'finding_count'])
          await db.execute(sql.raw(`delete from ${table}`));
        const known = new Map<string, Known>();
        const told: string[] = [];
        for (const each of acts) {
          await inTransaction(db, async (tx) => {
            if (each.what === 'found') return keepFound(tx, each.scope, each.rules.map(found), now);
            const rows = await tx
              .select()
              .from(finding)
              .where(sql`rule = ${each.rule}`);
            const locked = await lockFindings(
              tx,
              rows.map(({ publicId }) => publicId),
            );
            const { list } = each;
            await decide(
              tx,
              locked,
              { list, isNew: list === 'open', until: null, reason: '' },
              { by: null, now },
            );
          });
          const before = new Map([...known].map(([rule, { list }]) => [rule, list]));
          tell(known, each);
          told.push(...toldOf(before, known));
        }
        const rows = await db.select().from(finding).orderBy(asc(finding.rule));
        expect(rows.map(({ rule, list, times }) => [rule, list, times])).to.deep.equal(
          [...known].sort().map(([rule, { list, at }]) => [rule, list, at.size]),
        );
        const kinds = await db
          .select({ rule: finding.rule, kind: news.kind })
          .from(news)
          .innerJoin(finding, sql`${finding.id} = ${news.findingId}`)
          .orderBy(asc(news.id));
        expect(inOrderOfEach(kinds.map(({ rule, kind }) => `${rule} ${kind}`))).to.deep.equal(
          inOrderOfEach(told),
        );
        const counts = await db.select().from(findingCount);
        const open = (rule: string): number =>
          [...known].filter(([name, { list }]) => list === 'open' && (rule === '' || rule === name)).length;
        for (const { rule, open: counted } of counts) expect(counted, rule).to.equal(open(rule));
        expect(counts.length > 0 || open('') === 0).to.equal(true);
      }),
      { numRuns: 60, seed: 30 },
    );
  });

  it('is counted once, however many find it at the same moment', async () => {
    const { db } = test.orbis.connection;
    for (const table of ['finding_at', 'finding', 'finding_count'])
      await db.execute(sql.raw(`delete from ${table}`));
    const now = new Date('2026-11-29T12:00:00.000Z');
    const found = rules.map((rule): Found => ({
      ...{ rule, level: 'note', about: 'thing', siteId: 1, pageId: null, placementId: null },
      facts: {},
    }));
    const keep = (scope: string, all: Found[]) => inTransaction(db, (tx) => keepFound(tx, scope, all, now));
    // Each place twice, as by two processes, and in either order.
    await Promise.all(
      [...scopes, ...scopes].map((scope, i) => keep(scope, i % 2 ? found : [...found].reverse())),
    );
    const times = async () => (await db.select().from(finding)).map((row) => row.times);
    expect(await times()).to.deep.equal([3, 3, 3]);
    await Promise.all([...scopes, ...scopes].map((scope) => keep(scope, [])));
    expect(await times()).to.deep.equal([0, 0, 0]);
    for (const { open } of await db.select().from(findingCount)) expect(open).to.equal(0);
  });
});

function tell(
  known: Map<string, Known>,
  act:
    | { what: 'found'; scope: string; rules: string[] }
    | { what: 'decided'; rule: string; list: Known['list'] },
): void {
  if (act.what === 'decided') {
    const one = known.get(act.rule);
    if (one) one.list = act.list;
    return;
  }
  for (const rule of act.rules) {
    const one = known.get(rule) ?? { at: new Set<string>(), list: 'solved' as const };
    known.set(rule, one);
    one.at.add(act.scope);
    // What is found is open, unless somebody wants it otherwise.
    if (one.list === 'solved') one.list = 'open';
  }
  for (const [rule, one] of known)
    if (!act.rules.includes(rule) && one.at.delete(act.scope) && one.at.size === 0 && one.list !== 'muted')
      one.list = 'solved';
}

/* What is worth telling of it: what is open now and was not, and what is solved that was to be looked at. */
function toldOf(before: ReadonlyMap<string, Known['list']>, known: ReadonlyMap<string, Known>): string[] {
  return [...known].flatMap(([rule, { list }]) => {
    const was = before.get(rule) ?? 'solved';
    if (list === 'open' && was !== 'open') return [`${rule} ${was === 'later' ? 'due' : 'found'}`];
    return list === 'solved' && (was === 'open' || was === 'later') ? [`${rule} solved`] : [];
  });
}

/* Of one finding, one behind the other. */
const inOrderOfEach = (told: readonly string[]): string[][] =>
  rules.map((rule) => told.filter((each) => each.startsWith(rule)));
