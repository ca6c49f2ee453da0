import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import fc from 'fast-check';
import { sweepAll } from '@orbis/demo';
import type { Placement } from '@orbis/contract';
import { startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const page = 'moor/talks';
const ifMatch = '*';

describe('a page that is as it was when it is read again', () => {
  let test: TestOrbis;
  let server: Server;
  let id: string;
  /* What the site publishes, under which tag; and how it was asked for. */
  let text = '';
  let etag: string | null = null;
  let isBroken = false;
  let asked: (string | undefined)[] = [];

  before(async () => {
    test = await startTestOrbis();
    server = createServer((request, response) => {
      const tag = request.headers['if-none-match'];
      asked.push(tag);
      const headers = { 'content-type': 'text/html', ...(etag !== null && { etag }) };
      if (isBroken) response.writeHead(500).end();
      else if (tag !== undefined && tag === etag) response.writeHead(304, headers).end();
      else response.writeHead(200, headers).end(text);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = `http://moor.localhost:${(server.address() as AddressInfo).port}`;
    await test.client.call('sites.create', { body: { key: 'moor', name: 'Moor', address } });
    await test.client.call('pages.create', { body: { key: page, title: 'Talks' } });
    await test.client.call('spots.create', { body: { key: `${page}#main` } });
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    ({ id } = (
      await test.client.call('placements.create', { body: { embed: 'talk', place: `${page}#main` } })
    ).data);
  });
  after(async () => {
    await test.stop();
    server.closeAllConnections();
    server.close();
  });
  beforeEach(() => {
    asked = [];
    etag = null;
    isBroken = false;
  });

  const deliver = async (): Promise<string> =>
    (await test.client.call('deliveries.create', { params: { placement: id } })).data.text;
  const now = async (): Promise<Placement> =>
    (await test.client.call('placements.read', { params: { placement: id } })).data;
  const save = async (start: number): Promise<void> =>
    void (await test.client.call('revisions.create', {
      params: { embed: 'talk' },
      ifMatch,
      body: { options: { start } },
    }));
  const pause = (make: 'paused' | 'resumed') =>
    test.client.call('placements.changeMany', { body: { placements: [id], make } });
  const sightings = async (): Promise<number> => {
    const [[row]] = (await test.orbis.connection.db.execute(
      sql`select count(*) as n from sighting`,
    )) as unknown as [[{ n: number }]];
    return Number(row.n);
  };
  /* Sweeps, and how many sightings that wrote down. */
  const news = async (): Promise<number> => {
    const before = await sightings();
    await sweepAll(test.client);
    return (await sightings()) - before;
  };

  it('is seen once, and told by each sweep all the same', async () => {
    text = `<main>${await deliver()}</main>`;
    expect(await news()).to.equal(1);
    for (let i = 0; i < 3; i++) {
      const { checkedAt } = await now();
      expect(await news()).to.equal(0);
      expect(Date.parse((await now()).checkedAt!)).to.be.above(Date.parse(checkedAt!));
      expect((await now()).lastSeenAt).to.equal((await now()).checkedAt);
    }
    const { data } = await test.client.call('sweeps.list', {});
    expect(data.items[0]!.counts).to.deep.equal({ live: 1 });
    for (const { id: sweep } of data.items) {
      const { data: pages } = await test.client.call('sweeps.pages', { params: { sweep } });
      expect(pages.items[0]!.seen.map(({ state }) => state)).to.deep.equal(['live']);
    }
  });

  it('is asked for by its tag, where its host has a strong one and nothing else is expected', async () => {
    etag = '"one"';
    expect(await news()).to.equal(0);
    expect(await news()).to.equal(0);
    expect(asked.at(-1)).to.equal('"one"');
    await save(30);
    await sweepAll(test.client);
    expect(asked.at(-1), 'another thing is expected').to.equal(undefined);
    expect((await now()).state).to.equal('out-of-date');
    etag = 'W/"two"';
    text = `<main>${await deliver()}</main>`;
    await sweepAll(test.client);
    await sweepAll(test.client);
    await sweepAll(test.client);
    expect(asked.slice(-2), 'a weak one may stay').to.deep.equal([undefined, undefined]);
    expect((await now()).state).to.equal('live');
  });

  it('is news each time that something else is seen, and when it cannot be read', async () => {
    const good = text;
    text = '<main>Nothing</main>';
    expect(await news()).to.equal(1);
    expect((await now()).state).to.equal('missing');
    expect(await news()).to.equal(0);
    isBroken = true;
    expect(await news()).to.equal(1);
    expect(await news(), 'as broken as before').to.equal(0);
    expect((await now()).state).to.equal('unreachable');
    isBroken = false;
    text = good;
    expect(await news()).to.equal(1);
    expect((await now()).state).to.equal('live');
  });

  it('has a history of what was news, each with what it was before', async () => {
    const { data } = await test.client.call('sweeps.onPage', { params: { page } });
    expect(data.next).to.equal(null);
    expect(
      data.items.map(({ state, why, seen }) => [
        state,
        why?.replace(/:\d+/, ''),
        seen.map(({ was, state: is }) => [was, is]),
      ]),
    ).to.deep.equal([
      ['read', undefined, [['unreachable', 'live']]],
      ['unreachable', 'moor.localhost answers 500.', []],
      ['read', undefined, [['live', 'missing']]],
      ['read', undefined, [['out-of-date', 'live']]],
      ['read', undefined, [['live', 'out-of-date']]],
      ['read', undefined, [[null, 'live']]],
    ]);
    const first = await test.client.call('sweeps.onPage', { params: { page }, query: { limit: 2 } });
    const { data: second } = await test.client.call('sweeps.onPage', {
      params: { page },
      query: { limit: 4, after: first.data.next! },
    });
    expect([...first.data.items, ...second.items]).to.deep.equal(data.items);
  });

  it('says how many are not placed there any more', async () => {
    await test.client.call('spots.create', { body: { key: `${page}#other` } });
    const { data: other } = await test.client.call('placements.create', {
      body: { embed: 'talk', place: `${page}#other` },
    });
    expect(await news()).to.equal(2);
    await test.client.call('placements.delete', { params: { placement: other.id }, ifMatch });
    expect(await news()).to.equal(1);
    const { data } = await test.client.call('sweeps.onPage', { params: { page }, query: { limit: 2 } });
    expect(
      data.items.map(({ seen, gone }) => [seen.map(({ was, state }) => [was, state]), gone]),
    ).to.deep.equal([
      [[], 1],
      [[[null, 'planned']], 0],
    ]);
  });

  it('shows what it would show if nothing were known of it', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.constantFrom(
            'publish',
            'alter',
            'take-out',
            'save',
            'pause',
            'resume',
            'break',
            'mend',
            'nothing',
          ),
          { minLength: 3, maxLength: 7 },
        ),
        async (steps) => {
          for (const step of steps) {
            // What is paused is not handed out.
            if (step === 'publish') text = await deliver().catch(() => text);
            if (step === 'alter') text = text.replace('title="', 'title="A ');
            if (step === 'take-out') text = '<p>Nothing</p>';
            if (step === 'save') await save(1 + Math.floor(Math.random() * 3));
            if (step === 'pause' || step === 'resume')
              await pause(step === 'pause' ? 'paused' : 'resumed').catch(() => undefined);
            if (step === 'break') isBroken = true;
            if (step === 'mend') isBroken = false;
            etag = `"${String(text.length)}-${text.slice(-40).replace(/[^a-z0-9]/gi, '')}"`;
            await sweepAll(test.client);
            const known = await now();
            await test.orbis.connection.db.execute(sql`delete from page_read`);
            await sweepAll(test.client);
            const anew = await now();
            const told = ({ state, carries, findings }: Placement) => ({ state, carries, findings });
            expect(told(known), steps.join()).to.deep.equal(told(anew));
            await sweepAll(test.client);
            expect(told(await now())).to.deep.equal(told(anew));
          }
        },
      ),
      { numRuns: 6 },
    ));
});
