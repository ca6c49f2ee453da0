/* Who did what: written down with each act, in a chain that shows whatever is done to it. */
import { expect } from 'chai';
import { createClient, type AuditEntry } from '@orbis/contract';
import { dropOldAudit, sealAudit } from '../src/store/audit.ts';
import { join } from './support/people.ts';
import { codeOf } from './support/calls.ts';
import { declareSite, password, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('the audit log', () => {
  let test: TestOrbis;
  beforeEach(async () => {
    test = await startTestOrbis({ env: { ORBIS_TRUST_PROXY: '1' } });
    await declareSite(test);
  });
  afterEach(() => test.stop());

  const entries = async (query: Record<string, string> = {}): Promise<AuditEntry[]> =>
    (await test.client.call('audit.list', { query: { limit: 100, ...query } })).data.items;
  const check = async (head?: { number: number; hash: string }) =>
    (await test.client.call('audit.check', { body: head ? { head } : {} })).data;
  const db = () => test.orbis.connection.db;

  it('has each act with who did it, from where, and how it was before and after', async () => {
    const { client } = await join(test, 'Ilse Varga', { role: 'editor' });
    const call = { params: { site: 'hollinfell' }, ifMatch: '*' };
    await client.call('sites.change', { ...call, body: { name: 'The observatory' } });
    const [entry] = await entries({ act: 'sites.change' });
    expect(entry).to.deep.include({
      ...{ act: 'sites.change', said: 'Changed the site hollinfell', thing: 'hollinfell', outcome: 'done' },
      ...{ who: 'Ilse Varga', means: 'token', times: 1, why: null },
      ...{ before: { name: 'Hollin Fell' }, after: { name: 'The observatory' } },
    });
    expect(entry!.network).to.match(/\/\d+$/);
    expect(entry!.hash).to.match(/^[0-9a-f]{64}$/);
  });

  it('tells of signing in, of what was refused, of exports and of changed rights', async () => {
    const stranger = createClient({ url: test.url });
    await stranger.call('session.create', { body: { password } });
    expect(await codeOf(stranger.call('session.create', { body: { password: 'no' } }))).to.equal(
      'wrong-password',
    );
    const { client, id } = await join(test, 'Tam Orrin', { role: 'reader' });
    expect(await codeOf(client.call('sites.create', { body: {} as never }))).to.equal('not-allowed');
    expect(await codeOf(client.call('audit.list', {}))).to.equal('not-allowed');
    await (await test.client.open('register.read', {})).text();
    const { etag } = await test.client.call('people.read', { params: { person: id } });
    await test.client.call('people.change', {
      params: { person: id },
      body: { role: 'editor' },
      ifMatch: etag!,
    });
    const told = (await entries()).map(({ act, outcome, who, why, said }) => [
      act,
      outcome,
      who,
      why ?? said,
    ]);
    expect(told.slice(0, 2)).to.deep.equal([
      ['people.change', 'done', 'Tester', 'Said that Tam Orrin is editor of everything'],
      ['register.read', 'done', 'Tester', 'The whole register'],
    ]);
    for (const row of [
      ['audit.list', 'refused', 'Tam Orrin', 'not-allowed'],
      ['sites.create', 'refused', 'Tam Orrin', 'not-allowed'],
      ['people.create', 'done', 'Tester', 'Invited Tam Orrin as reader of everything'],
      ['session.create', 'refused', null, 'wrong-password'],
    ])
      expect(told).to.deep.include(row);
    const [changed] = await entries({ act: 'people' });
    expect(changed).to.deep.include({ act: 'people.change' });
    expect((changed!.before as { role: string }).role).to.equal('reader');
    const [signedIn] = await entries({ act: 'session.create', outcome: 'done' });
    expect(signedIn).to.include({ who: 'Tester', means: 'browser' });
    const acts = JSON.stringify(await entries());
    expect(acts)
      .to.not.include(password)
      .and.not.match(/orbis_[\w-]{10}/);
  });

  it('knows of addresses only the part of the network', async () => {
    await fetch(`${test.url}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-forwarded-for': '203.0.113.77' },
      body: JSON.stringify({ password }),
    });
    const [entry] = await entries({ act: 'session.create' });
    expect(entry!.network).to.equal('203.0.113.0/24');
  });

  it('writes what is refused again and again once, and later how often it was', async () => {
    const { client } = await join(test, 'Piet Lauwers', { role: 'reader' });
    for (let i = 0; i < 5; i++)
      await codeOf(client.call('today.read', {}).then(() => client.call('people.list', {})));
    expect(await entries({ outcome: 'refused' })).to.have.length(1);
  });

  it('does not tell of acts that came to nothing', async () => {
    const call = { params: { site: 'hollinfell' }, ifMatch: '"0"', body: { name: 'Never' } };
    expect(await codeOf(test.client.call('sites.change', call))).to.equal('if-match-stale');
    expect(await entries({ act: 'sites.change' })).to.deep.equal([]);
  });

  it('is checked while others act', async () => {
    let [isOver, checks] = [false, 0];
    const acting = Promise.all(
      Array.from({ length: 40 }, (_, i) =>
        test.client.call('pages.create', { body: { key: `hollinfell/q${i}`, title: `Page ${i}` } }),
      ),
    ).then(() => (isOver = true));
    while (!isOver) {
      expect((await check()).broken).to.equal(null);
      checks += 1;
    }
    await acting;
    expect(checks).to.be.greaterThan(0);
  });

  it('holds as it was written, also when many act at once', async () => {
    await Promise.all(
      Array.from({ length: 30 }, (_, i) =>
        test.client.call('pages.create', { body: { key: `hollinfell/p${i}`, title: `Page ${i}` } }),
      ),
    );
    await Promise.all([1, 2, 3].map(() => sealAudit(db())));
    const checked = await check();
    expect(checked.broken).to.equal(null);
    expect(checked.entries).to.equal((await entries()).length);
    expect(checked.head?.number).to.equal(checked.entries);
    const numbers = (await entries()).map(({ number }) => number!).sort((a, b) => a - b);
    expect(numbers).to.deep.equal(numbers.map((_, i) => i + 1));
  });

  for (const [what, statement, why, number] of [
    ['changed', "update audit set who = 'Somebody else' where number = 3", 'changed', 3],
    ['changed in its texts', "update audit set said = 'Nothing' where number = 3", 'changed', 3],
    [
      'changed with its own hash',
      'update audit set times = 2, hash = repeat("a", 64) where number = 3',
      'changed',
      3,
    ],
    ['taken out', 'delete from audit where number = 3', 'missing', 3],
    ['cut off at its end', 'delete from audit where number >= 4', 'cut', 4],
    [
      'written over its end',
      'insert into audit (number, hash, at, act, outcome, means, network, contents) select max(number) + 1, repeat("b", 64), now(3), "x", "done", "token", "x", repeat("c", 64) from audit',
      'added',
      null,
    ],
  ] as const)
    it(`shows where an entry was ${what}`, async () => {
      const { head } = await check();
      expect(head!.number).to.be.at.least(5);
      await db().execute(statement);
      const { broken } = await check();
      expect(broken).to.deep.include({ why, number: number ?? head!.number + 1 });
      expect(broken!.said).to.include(`Entry ${broken!.number} `);
    });

  it('shows by a place that was noted that its end was cut off, and the chain with it', async () => {
    const { head } = await check();
    await test.client.call('pages.create', { body: { key: 'hollinfell/later', title: 'Later' } });
    expect((await check(head!)).broken).to.equal(null);
    const cut = head!.number - 2;
    await db().execute(`delete from audit where number > ${cut}`);
    await db().execute(
      `update audit_chain set number = ${cut}, hash = (select hash from audit where number = ${cut})`,
    );
    // The act of checking itself is none; what is done from now on is written behind the new end.
    expect((await check()).broken).to.equal(null);
    expect((await check(head!)).broken).to.deep.include({ number: head!.number, why: 'cut' });
  });

  it('forgets what is old, and what is left holds', async () => {
    await sealAudit(db());
    const before = await check();
    await db().execute("update audit set at = '2020-01-01 00:00:00' where number = 99999");
    const all = await entries();
    const third = all.find(({ number }) => number === 3)!;
    await dropOldAudit(db(), new Date(Date.parse(third.at) + 1));
    const left = await check();
    expect(left.broken).to.equal(null);
    expect(left.first).to.be.greaterThan(3);
    expect(left.entries).to.be.lessThan(before.entries);
    expect(left.head).to.deep.equal(before.head);
  });

  it('tells less of what was purged, and holds', async () => {
    const body = { text: talkCode(test.world.port), name: 'Secret talk', notes: '' };
    await test.client.call('embeds.create', { body });
    const change = (values: object): Promise<unknown> =>
      test.client.call('embeds.change', { params: { embed: 'secret-talk' }, body: values, ifMatch: '*' });
    await change({ notes: 'A telephone number' });
    expect(JSON.stringify(await entries())).to.include('telephone');
    await change({ retired: true });
    await test.client.call('embeds.purge', {
      params: { embed: 'secret-talk' },
      body: { reason: 'it was asked for' },
      ifMatch: '*',
    });
    expect(JSON.stringify(await entries())).to.not.include('telephone');
    const checked = await check();
    expect(checked).to.include({ broken: null, withheld: 2 });
    expect((await entries({ act: 'embeds.purge' }))[0]!.said).to.include('it was asked for');
  });

  it('comes out whole, a line for each entry, the oldest first', async () => {
    const text = await (await test.client.open('audit.export', {})).text();
    const lines = text
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as AuditEntry);
    expect(lines.map(({ number }) => number)).to.deep.equal(lines.map((_, i) => i + 1));
    expect((await entries())[0]).to.include({ act: 'audit.export', who: 'Tester' });
  });

  it('is searched by person, by act and by thing', async () => {
    const { client, id } = await join(test, 'Maud Ferrow', { role: 'editor' });
    await client.call('pages.create', { body: { key: 'hollinfell/maud', title: 'Maud' } });
    expect((await entries({ person: id })).map(({ act }) => act)).to.deep.equal([
      ...['pages.create', 'tokens.exchange', 'password.set'],
    ]);
    expect(await entries({ thing: 'hollinfell/maud' })).to.have.length(1);
    expect((await entries({ act: 'pages' })).map(({ who }) => who)).to.deep.equal(['Maud Ferrow', 'Tester']);
    const { data: first } = await test.client.call('audit.list', { query: { limit: 2 } });
    const { data: second } = await test.client.call('audit.list', {
      query: { limit: 2, after: first.next! },
    });
    expect(second.items[0]!.number).to.equal(first.items[1]!.number! - 1);
  });
});
