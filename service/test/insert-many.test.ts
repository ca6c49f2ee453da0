import { expect } from 'chai';
import { eq, sql } from 'drizzle-orm';
import { insertMany } from '../src/store/insert-many.ts';
import { changeItem, changeLog, preset, revision } from '../src/store/schema.ts';
import { startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('many rows written at once', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
  });
  after(() => test.stop());

  it('are what the same rows are one by one, whatever is in them', async () => {
    const { db } = test.orbis.connection;
    const words = [
      'plain',
      '',
      'a "quote" \\ and \\n',
      "it's",
      '🌌 ü ‘x’',
      'line\nend\ttab',
      '%_;--',
      '{"json": [1]}',
      '</script>\u2028',
      'NULL',
      'a'.repeat(300),
    ];
    const now = new Date('2026-11-23T09:30:00.123Z');
    const rows = (name: string) =>
      words.map((meaning, i) => ({
        key: `${name}-${i}`,
        meaning,
        options: i === 0 ? {} : { title: meaning, start: i / 2, muted: i % 2 === 0 },
        version: i + 1,
        createdAt: now,
        createdBy: 1,
      }));
    await db.insert(preset).values(rows('one') as never);
    await insertMany(db, preset, rows('many') as never);
    const read = async (name: string) =>
      (
        await db
          .select()
          .from(preset)
          .where(sql`${preset.key} like ${`${name}-%`}`)
          .orderBy(preset.id)
      ).map(({ id: _id, key, ...rest }) => ({ ...rest, key: key.replace(name, '') }));
    expect(await read('many')).to.deep.equal(await read('one'));
    expect((await read('many')).length).to.equal(words.length);
  });

  it('keep what is nothing as nothing, and more than a statement’s worth in their order', async () => {
    const { db } = test.orbis.connection;
    const many = 2_345;
    const now = new Date();
    await insertMany(
      db,
      changeLog,
      Array.from({ length: many }, (_, i) => ({
        publicId: i.toString().padStart(10, '0'),
        kind: 'options' as const,
        facts: { kind: 'options' as const, embed: 'x', said: String(i) },
        createdAt: now,
        createdBy: 1,
        undoneAt: i % 2 === 0 ? null : now,
      })),
    );
    const rows = await db.select().from(changeLog).where(eq(changeLog.kind, 'options')).orderBy(changeLog.id);
    expect(rows.map(({ facts }) => 'said' in facts && Number(facts.said))).to.deep.equal(
      Array.from({ length: many }, (_, i) => i),
    );
    expect(rows.filter(({ undoneAt }) => undoneAt === null).length).to.equal(Math.ceil(many / 2));
    await insertMany(db, changeLog, []);
  });

  it('are refused, not cut, where something is too long or belongs to nothing', async () => {
    const { db } = test.orbis.connection;
    const refused = async (work: Promise<unknown>): Promise<boolean> =>
      work.then(
        () => false,
        () => true,
      );
    const row = {
      publicId: 'zzzzzzzzzz',
      kind: 'renewed' as const,
      facts: { kind: 'renewed' as const, embed: 'x' },
      createdAt: new Date(),
      createdBy: 1,
    };
    expect(await refused(insertMany(db, changeLog, [{ ...row, publicId: 'elevenchars' }]))).to.equal(true);
    expect(await refused(insertMany(db, changeLog, [{ ...row, createdBy: 99_999 }]))).to.equal(true);
    expect(
      await refused(insertMany(db, changeItem, [{ changeId: 99_999, embedId: 1, from: 1, to: 2 }])),
    ).to.equal(true);
    const { data } = await test.client.call('embeds.create', { body: { name: 'One', text: talkCode(1) } });
    expect((await db.select().from(revision)).length).to.equal(data.revision);
  });
});
