import { createServer, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import type { Sweep } from '@orbis/contract';
import { connectDatabase } from '../src/database/connect.ts';
import { createFetching } from '../src/fetching/client.ts';
import { createReader } from '../src/reading/reader.ts';
import { claimHost, keepHost, letHostGo } from '../src/store/sweep-turns.ts';
import { declaredSites } from '../src/sweeping/declared-sites.ts';
import { hostReader } from '../src/sweeping/read-host.ts';
import { createSweeper } from '../src/sweeping/sweeper.ts';
import { migratedDatabase } from './support/database.ts';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

type Answer = (response: ServerResponse, path: string) => void;

const page: Answer = (response) => response.writeHead(200, { 'content-type': 'text/html' }).end('<p>x</p>');
const busy =
  (status: number, retryAfter?: string): Answer =>
  (response) =>
    response.writeHead(status, retryAfter === undefined ? {} : { 'retry-after': retryAfter }).end();

describe('the hosts that sweeps read from', () => {
  let test: TestOrbis;
  let server: Server;
  /* How each host answers; pages where nothing is said. */
  let answers: Record<string, Answer> = {};
  let asked: string[] = [];
  const atOnce = new Map<string, number>();
  let mostAtOnce = 0;

  before(async () => {
    test = await startTestOrbis();
    server = createServer((request, response) => {
      const name = request.headers.host!.split('.')[0]!;
      asked.push(`${name}${request.url!}`);
      atOnce.set(name, (atOnce.get(name) ?? 0) + 1);
      mostAtOnce = Math.max(mostAtOnce, atOnce.get(name)!);
      response.on('close', () => atOnce.set(name, atOnce.get(name)! - 1));
      setTimeout(() => (answers[name] ?? page)(response, request.url!), 10);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    for (const key of ['one', 'two', 'three']) {
      const address = `http://${key}.localhost:${port}`;
      await test.client.call('sites.create', { body: { key, name: key, address } });
      for (let i = 0; i < 6; i++)
        await test.client.call('pages.create', { body: { key: `${key}/${i}`, title: 'T' } });
    }
  });
  after(async () => {
    await test.stop();
    server.closeAllConnections();
    server.close();
  });
  beforeEach(() => {
    answers = {};
    asked = [];
    mostAtOnce = 0;
  });

  const begin = async (body: { site?: string; page?: string } = {}): Promise<string> =>
    (await test.client.call('sweeps.create', { body })).data.id;
  const read = async (sweep: string): Promise<Sweep> =>
    (await test.client.call('sweeps.read', { params: { sweep } })).data;
  const ended = async (id: string): Promise<Sweep> => {
    await until(async () => (await read(id)).endedAt !== null);
    return read(id);
  };
  const pagesOf = async (sweep: string) =>
    (await test.client.call('sweeps.pages', { params: { sweep }, query: { limit: 100 } })).data.items;
  const db = () => test.orbis.connection.db;

  it('are read from at once, each one page after the other', async () => {
    const held: ServerResponse[] = [];
    answers['one'] = (response) => void held.push(response);
    const id = await begin();
    await until(async () => (await read(id)).read === 12);
    expect(
      asked.filter((path) => path.startsWith('one')),
      'a host that hangs holds nobody up',
    ).to.have.length(1);
    answers = {};
    page(held[0]!, '');
    expect(await ended(id)).to.include({ state: 'done', read: 18, unreachable: 0 });
    expect(new Set(asked).size).to.equal(18);
    expect(asked).to.have.length(18);
    expect(mostAtOnce).to.equal(1);
  });

  it('are shared by several processes, and no page is read twice', async () => {
    const fetching = createFetching({ allowPrivate: false });
    const reader = createReader();
    let readBySecond = 0;
    const tools = {
      db: db(),
      fetching: {
        ...fetching,
        readPage: (...of: Parameters<typeof fetching.readPage>) => (readBySecond++, fetching.readPage(...of)),
      },
      reader,
      browser: { work: () => Promise.reject(new Error('nothing is to be shown')) },
      renderContext: () => {
        throw new Error('nothing is to be planned');
      },
      refresh: () => Promise.resolve(),
      declaredSites: declaredSites(db()),
      placementUrl: (id: string) => `http://${id}.frames.localhost/`,
      now: () => new Date(),
      log: pino({ level: 'silent' }),
      metrics: { pageRead: () => undefined },
      version: '1',
    };
    const second = createSweeper(hostReader(tools, 'second'), {
      ...tools,
      owner: 'second',
      prepare: () => Promise.resolve(),
    });
    second.start();
    try {
      const ids = await Promise.all(['one', 'two', 'three'].map((site) => begin({ site })));
      second.nudge();
      for (const id of ids) expect(await ended(id)).to.include({ state: 'done', read: 6 });
      // The other process reads whatever this one lets go of, until chance has given it a host.
      for (let i = 0; i < 20 && readBySecond === 0; i++) {
        const id = await begin();
        second.nudge();
        await ended(id);
      }
      expect(readBySecond).to.be.at.least(1);
      expect(mostAtOnce).to.equal(1);
      expect(asked.length % 18).to.equal(0);
    } finally {
      await second.stop();
      await fetching.close();
      await reader.close();
    }
  });

  it('are left alone for as long as they say when they are too busy, while the others are read', async () => {
    let times = 0;
    answers['one'] = (response) => (times++ === 0 ? busy(503, '2')(response, '') : page(response, ''));
    const began = Date.now();
    const id = await begin();
    await until(async () => (await read(id)).waitsFor.length > 0);
    const [waits] = (await read(id)).waitsFor;
    expect(waits!.host).to.match(/^one\.localhost:\d+$/);
    expect(Date.parse(waits!.until) - began).to.be.within(1000, 20_000);
    expect(await ended(id)).to.deep.include({ state: 'done', read: 18, unreachable: 0, waitsFor: [] });
    expect(Date.now() - began).to.be.at.least(2000);
    expect(asked.filter((path) => path === 'one/0')).to.have.length(2);
  });

  it('are not waited for longer than an hour, nor asked more than three times', async () => {
    answers['one'] = busy(429, '7200');
    const [first] = await pagesOf((await ended(await begin({ page: 'one/0' }))).id);
    expect(first).to.deep.include({ state: 'unreachable', status: 429 });
    answers['one'] = busy(503, '0');
    asked = [];
    const [second] = await pagesOf((await ended(await begin({ page: 'one/0' }))).id);
    expect(second).to.deep.include({ state: 'unreachable', status: 503 });
    expect(asked).to.have.length(3);
    answers['one'] = busy(500, '1');
    asked = [];
    await ended(await begin({ page: 'one/0' }));
    expect(asked, 'what is broken is not busy').to.have.length(1);
  });

  it('are given up where nothing answers for three pages in a row', async () => {
    const closed = createServer();
    await new Promise<void>((resolve) => closed.listen(0, '127.0.0.1', resolve));
    const { port } = closed.address() as AddressInfo;
    closed.on('connection', () => expect.fail('it was asked'));
    await new Promise((resolve) => closed.close(resolve));
    const address = `http://gone.localhost:${port}`;
    await test.client.call('sites.create', { body: { key: 'gone', name: 'Gone', address } });
    for (let i = 0; i < 5; i++)
      await test.client.call('pages.create', { body: { key: `gone/${i}`, title: 'T' } });
    const back = createServer((_request, response) => page(response, ''));
    const id = await begin({ site: 'gone' });
    expect(await ended(id)).to.include({ state: 'done', read: 0, unreachable: 5 });
    const whys = (await pagesOf(id)).map(({ why }) => why);
    expect(whys.slice(0, 3)).to.deep.equal(Array(3).fill(`nothing answers at gone.localhost:${port}.`));
    expect(whys[4]).to.equal(
      `nothing answers at gone.localhost:${port}. It was not asked for this page after three in a row.`,
    );
    back.close();
  });

  it('are let go of where a sweep is held back, until it goes on', async () => {
    const held: ServerResponse[] = [];
    answers['one'] = (response) => void held.push(response);
    const id = await begin({ site: 'one' });
    await until(async () => held.length === 1);
    const params = { sweep: id };
    expect((await test.client.call('sweeps.pause', { params })).data.state).to.equal('paused');
    answers = {};
    page(held[0]!, '');
    await until(async () => (await read(id)).read === 1);
    // Another sweep of the same host is not held up by it.
    await ended(await begin({ page: 'one/5' }));
    expect(await read(id)).to.deep.include({ state: 'paused', read: 1, endedAt: null });
    expect((await test.client.call('sweeps.pause', { params })).data.state, 'twice is once').to.equal(
      'paused',
    );
    await test.client.call('sweeps.resume', { params });
    expect(await ended(id)).to.include({ state: 'done', read: 6 });
    expect((await refusal(test.client.call('sweeps.resume', { params }))).problem.code).to.equal(
      'sweep-ended',
    );
  });

  it('are read for one page before they are read for a whole site', async () => {
    const held: ServerResponse[] = [];
    answers['one'] = (response) => void held.push(response);
    const whole = await begin({ site: 'one' });
    await until(async () => held.length === 1);
    const small = await begin({ page: 'one/5' });
    answers = {};
    page(held[0]!, '');
    await ended(small);
    await ended(whole);
    expect(asked.slice(0, 2)).to.deep.equal(['one/0', 'one/5']);
  });

  it('are let go of where a sweep is to stop, also one that is held back or waits for a host', async () => {
    const stop = (sweep: string) => test.client.call('sweeps.stop', { params: { sweep } });
    answers['one'] = busy(503, '600');
    const waiting = await begin({ site: 'one' });
    await until(async () => (await read(waiting)).waitsFor.length > 0);
    await stop(waiting);
    expect((await ended(waiting)).state).to.equal('stopped');
    expect((await refusal(stop(waiting))).problem.code).to.equal('sweep-ended');
    await db().execute(sql`update swept_host set paused_until = null`);
    answers = {};
    const held: ServerResponse[] = [];
    answers['two'] = (response) => void held.push(response);
    const paused = await begin({ site: 'two' });
    await until(async () => held.length === 1);
    await test.client.call('sweeps.pause', { params: { sweep: paused } });
    await stop(paused);
    answers = {};
    page(held[0]!, '');
    expect(await ended(paused)).to.include({ state: 'stopped', read: 1 });
  });

  it('are each held by one process, until that was not heard of for a minute', async () => {
    const connection = await connectDatabase(await migratedDatabase());
    const { db: own } = connection;
    try {
      await own.execute(
        sql`insert into job (public_id, kind, state, created_at) values ('aaaaaaaaaa', 'sweep', 'waiting', utc_timestamp(3))`,
      );
      await own.execute(sql`insert into swept_host (name) values ('one.localhost')`);
      await own.execute(
        sql`insert into sweep_lane (job_id, host_id) select job.id, swept_host.id from job, swept_host`,
      );
      const claims = await Promise.all(Array.from({ length: 6 }, (_, i) => claimHost(own, `asker ${i}`)));
      expect(claims.filter((claim) => claim !== null)).to.have.length(1);
      const held = claims.find((claim) => claim !== null)!;
      const first = `asker ${claims.indexOf(held)}`;
      expect(await claimHost(own, 'next'), 'its lease still runs').to.equal(null);
      await own.execute(sql`update swept_host set lease_until = utc_timestamp(3) - interval 1 second`);
      expect(await claimHost(own, 'next')).to.deep.equal(held);
      expect(await keepHost(own, held, first)).to.equal(false);
      await letHostGo(own, held, first);
      expect(await keepHost(own, held, 'next'), 'whoever lost it lets go of nothing').to.equal(true);
      await letHostGo(own, held, 'next', 60);
      expect(await claimHost(own, 'third'), 'it is left alone for a minute').to.equal(null);
    } finally {
      await connection.close();
    }
  });
});
