/*
 * Without its database Orbis answered 500, or hung while the database was stopped, and never came back when
 * it had died; a query went on for 40 seconds after its caller had left; 22 of 40 who collected one name at
 * once got 500; ten who asked for a sweep got ten.
 */
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { createClient, follow, type Client, type Sweep } from '@orbis/contract';
import { pidIn } from '../../src/database/processes.ts';
import type { Handle } from '../../src/database/connect.ts';
import { findJob } from '../../src/store/jobs.ts';
import type { SiteRow } from '../../src/store/places.ts';
import { closeLane, nextTurn, type HeldHost } from '../../src/store/sweep-turns.ts';
import { insertSweep, nextPage, recordPage } from '../../src/store/sweeps.ts';
import { accountUrls } from '../../src/database/accounts.ts';
import { seemsProxied } from '../../src/http/proxy-warning.ts';
import { CannotStart, openDataFolder, readSettings } from '@orbis/service';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from '../support/orbis.ts';
import { get } from '../support/get.ts';
import { runOrbis, type RunningOrbis } from '../support/process.ts';

const soon = async (what: () => Promise<boolean>, ms = 120_000): Promise<void> => {
  for (const end = Date.now() + ms; Date.now() < end; await new Promise((resolve) => setTimeout(resolve, 50)))
    if (await what()) return;
  expect.fail('not in time');
};

describe('fault: the database is away', () => {
  let root: string;
  let orbis: RunningOrbis;
  let client: Client;
  let url: string;
  /* Of documents that are served: one that was shown before, and one that was not. */
  const links: string[] = [];
  before(async () => {
    root = mkdtempSync(join(tmpdir(), 'orbis-fault-'));
    orbis = runOrbis(join(root, 'data'));
    await orbis.says('/set-password#');
    const link = orbis.link();
    ({ url } = link);
    const password = 'seven owls over the fell';
    await createClient({ url }).call('password.set', { body: { secret: link.secret, password } });
    const { data } = await createClient({ url }).call('tokens.exchange', { body: { name: 'x', password } });
    client = createClient({ url, headers: { authorization: `Bearer ${data.token}` } });
    await client.call('embeds.create', { body: { name: 'Talk', text: talkCode(1) } });
    await client.call('sites.create', {
      body: { key: 'moor', name: 'Moor', address: 'https://moor.example' },
    });
    for (const place of ['moor/a#a', 'moor/b#a']) {
      await client.call('pages.create', { body: { key: place.slice(0, -2), title: place } });
      await client.call('spots.create', { body: { key: place } });
      const { id } = (await client.call('placements.create', { body: { embed: 'talk', place } })).data;
      links.push((await client.call('placements.link', { params: { placement: id } })).data.link);
    }
  });
  after(async () => {
    orbis.child.kill('SIGTERM');
    await orbis.ended;
    rmSync(root, { recursive: true, force: true });
  });
  const databasePid = (): number => pidIn(join(root, 'data/database/mariadb.pid'))!;
  /* A signal is sent at once, but on a busy machine a thread of the server may still run for a moment (proc,
     section 5: state T). */
  const stopDatabase = async (): Promise<void> => {
    const pid = databasePid();
    process.kill(pid, 'SIGSTOP');
    const tasks = `/proc/${pid}/task`;
    await soon(() =>
      Promise.resolve(
        readdirSync(tasks).every((task) =>
          / T /.test(readFileSync(`${tasks}/${task}/stat`, 'utf8').replace(/^.*\)/s, '')),
        ),
      ),
    );
  };
  const timed = async (
    path: string,
    init: RequestInit = {},
  ): Promise<{ status: number; code: string; retry: string | null; ms: number }> => {
    const begun = performance.now();
    const answer = await fetch(url + path, init);
    const body = (await answer.json()) as { code?: string };
    return {
      status: answer.status,
      code: body.code ?? '',
      retry: answer.headers.get('retry-after'),
      ms: performance.now() - begun,
    };
  };

  it('stopped: every request is answered 503 within a second or so, liveness does not care, and all goes on when it does', async () => {
    await stopDatabase();
    try {
      const asked = ['/api/v1/session', '/api/v1/health/ready', '/api/v1/session'];
      for (const answer of await Promise.all(asked.map((path) => timed(path)))) {
        expect([answer.status, answer.code, Number(answer.retry) > 0]).to.deep.equal([
          503,
          'database-away',
          true,
        ]);
        // A second is meant; a busy machine takes its time.
        expect(answer.ms).to.be.below(3000);
      }
      expect((await timed('/api/v1/health/live')).status).to.equal(200);
      expect(
        (await refusal(client.call('embeds.create', { body: { name: 'Later', text: talkCode(2) } }))).code,
      ).to.equal('database-away');
    } finally {
      process.kill(databasePid(), 'SIGCONT');
    }
    await soon(async () => (await timed('/api/v1/health/ready')).status === 200);
    await soon(async () => (await client.call('embeds.list').catch(() => null)) !== null);
  });

  it('stopped: what visitors were shown before is shown on, and what changed comes when it goes on', async () => {
    const [shown, never] = links as [string, string];
    const before = await get(shown);
    expect(before.status).to.equal(200);
    await stopDatabase();
    try {
      await soon(
        async () => Number(/ttl=(-?\d+)/.exec(String((await get(shown)).headers['cache-status']))?.[1]) < 0,
      );
      for (let i = 0; i < 20; i++) {
        const { status, body } = await get(shown);
        expect([status, body]).to.deep.equal([200, before.body]);
      }
      expect(
        (await get(shown, { headers: { 'if-none-match': String(before.headers['etag']) } })).status,
      ).to.equal(304);
      const { status, headers } = await get(never);
      expect([status, headers['retry-after']]).to.deep.equal([503, '2']);
    } finally {
      process.kill(databasePid(), 'SIGCONT');
    }
    await soon(async () => (await timed('/api/v1/health/ready')).status === 200);
    const { etag } = await client.call('embeds.read', { params: { embed: 'talk' } });
    await client.call('revisions.create', {
      params: { embed: 'talk' },
      ifMatch: etag!,
      body: { options: { 'max-width': 333 } },
    });
    await soon(async () => (await get(shown)).body.includes('max-width:333px'));
    expect(orbis.log())
      .to.include('documents are served as they were last')
      .and.include('documents are up to date');
  });

  it('killed: it is started again by itself, with a word in the log, and nothing is lost', async () => {
    const before = databasePid();
    process.kill(before, 'SIGKILL');
    await soon(async () => {
      const answer = await timed('/api/v1/session');
      expect(answer.status).to.be.oneOf([200, 503]);
      return answer.status === 503 || databasePid() !== before;
    });
    await soon(async () => (await timed('/api/v1/health/ready')).status === 200);
    expect(databasePid()).to.not.equal(before);
    expect((await client.call('embeds.read', { params: { embed: 'talk' } })).data.name).to.equal('Talk');
    expect(orbis.log()).to.include('the database died; it is started again');
  });

  it('is not logged with what people typed', async () => {
    await stopDatabase();
    const name = 'a name that nobody else types';
    await client.call('embeds.create', { body: { name, text: talkCode(3) } }).catch(() => undefined);
    process.kill(databasePid(), 'SIGCONT');
    await soon(async () => (await timed('/api/v1/health/ready')).status === 200);
    expect(orbis.log()).to.not.include(name).and.not.include('nB4moorNight');
  });
});

describe('fault: whoever asked has left', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(() => test.stop());

  it('the query ends on the server, and a change is brought to its end', async () => {
    const { connection } = test.orbis;
    const asleep = async (): Promise<number> => {
      const [rows] = (await connection.db.execute(
        sql`select count(*) as n from information_schema.processlist where info like '%sleep(25)%' and info not like '%processlist%'`,
      )) as unknown as [{ n: number }[]];
      return Number(rows[0]!.n);
    };
    const caller = new AbortController();
    const work = connection
      .during(caller.signal, () => connection.db.execute(sql`select sleep(25)`))
      .catch((error: unknown) => error);
    await soon(async () => (await asleep()) === 1);
    caller.abort();
    await soon(async () => (await asleep()) === 0, 20_000);
    await work;
    expect(await connection.during(null, async () => 'brought to its end')).to.equal('brought to its end');
  });

  it('queries have a time limit, and waiting for a lock a shorter one', async () => {
    const [rows] = (await test.orbis.connection.db.execute(
      sql`select @@max_statement_time as statement, @@innodb_lock_wait_timeout as lock_wait`,
    )) as unknown as [{ statement: number; lock_wait: number }[]];
    expect([Number(rows[0]!.statement), Number(rows[0]!.lock_wait)]).to.deep.equal([30, 10]);
  });
});

describe('fault: many at once', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());

  it('forty who collect one name at once each get an embed of their own', async () => {
    const made = await Promise.all(
      Array.from({ length: 40 }, (_, i) =>
        test.client.call('embeds.create', { body: { name: 'The same', text: talkCode(1, `item${i}`) } }),
      ),
    );
    const keys = made.map(({ data }) => data.key);
    expect(new Set(keys).size).to.equal(40);
    expect([...keys].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))).to.deep.equal([
      'the-same',
      ...Array.from({ length: 39 }, (_, i) => `the-same-${i + 2}`),
    ]);
  });

  it('ten who ask for the same sweep start one', async () => {
    const asked = await Promise.all(
      Array.from({ length: 10 }, () =>
        test.client.call('sweeps.create', { body: {} }).then(
          ({ data }) => data.id,
          (error: { code: string }) => error.code,
        ),
      ),
    );
    expect(asked.filter((answer) => answer === 'job-running')).to.have.length(9);
    const { data } = await test.client.call('sweeps.list', {});
    expect(data.items).to.have.length(1);
    const id = asked.find((answer) => answer !== 'job-running')!;
    const seen: Sweep[] = [];
    for await (const sweep of follow(
      test.client,
      'sweeps.events',
      { params: { sweep: id } },
      ({ endedAt }) => endedAt !== null,
    ))
      seen.push(sweep);
    expect(seen.at(-1)!.state).to.equal('done');
    expect((await test.client.call('sweeps.create', { body: {} })).status, 'and afterwards another').to.equal(
      202,
    );
  });
});

describe('fault: a process that was stopped for longer than its lease', () => {
  it('writes nothing more when it goes on', async () => {
    const test = await startTestOrbis();
    try {
      await declareSite(test);
      const { db } = test.orbis.connection;
      const now = new Date();
      const [sites] = (await db.execute(sql`select id, address from site`)) as unknown as [SiteRow[]];
      const lease = (on: Handle, owner: string) =>
        on.execute(
          sql`update swept_host set lease_owner = ${owner}, lease_until = utc_timestamp(3) + interval 1 hour`,
        );
      const id = await db.transaction(async (tx) => {
        const scope = { scope: 'elsewhere', address: null };
        const begun = await insertSweep(tx, scope, { sites, pageIds: null }, { by: 1, now });
        // Held from the beginning, so that the service itself does not read from it.
        await lease(tx, 'stopped');
        return begun.id;
      });
      const [[host]] = (await db.execute(sql`select id, name from swept_host`)) as unknown as [[HeldHost]];
      const turn = (await nextTurn(db, host))!;
      const page = (await nextPage(db, turn.lane))!;
      await lease(db, 'next');
      const kept = { basis: '', content: '', etag: '' };
      const nothing = { seen: [], gone: [], head: [], findings: [], found: [] };
      const seen = { status: 200, why: null, digest: null, ...nothing, kept };
      expect(await recordPage(db, 'stopped', page, { state: 'read', ...seen }, now)).to.equal(false);
      expect(await recordPage(db, 'next', page, { state: 'unreachable', ...seen }, now)).to.equal(true);
      expect(
        await recordPage(db, 'next', page, { state: 'read', ...seen }, now),
        'a page is written down once',
      ).to.equal(false);
      expect(await nextPage(db, turn.lane)).to.equal(null);
      await closeLane(db, turn, now);
      expect((await findJob(db, id))!.state).to.equal('done');
      expect(await recordPage(db, 'next', page, { state: 'read', ...seen }, now), 'it has ended').to.equal(
        false,
      );
    } finally {
      await test.stop();
    }
  });
});

describe('fault: streams of events', () => {
  let test: TestOrbis;
  let site: ReturnType<typeof createServer>;
  let letGo: () => void = () => undefined;
  before(async () => {
    const held = new Promise<void>((resolve) => (letGo = resolve));
    site = createServer(
      (_request, response) =>
        void held.then(() => response.writeHead(200, { 'content-type': 'text/html' }).end('<p>x</p>')),
    );
    await new Promise<void>((resolve) => site.listen(0, '127.0.0.1', resolve));
    test = await startTestOrbis();
    await test.client.call('sites.create', {
      body: {
        key: 'slow',
        name: 'Slow',
        address: `http://slow.localhost:${(site.address() as AddressInfo).port}`,
      },
    });
    await test.client.call('pages.create', { body: { key: 'slow/', title: 'Home' } });
  });
  after(async () => {
    await test.stop();
    site.closeAllConnections();
    site.close();
  });

  it('carry ids, are taken up again behind what was seen, and end with the token that opened them', async () => {
    const { data: sweep } = await test.client.call('sweeps.create', { body: {} });
    const { data: token } = await test.client.call('tokens.create', {
      body: { name: 'listens', password: 'seven owls over the fell' },
    });
    const open = (headers: Record<string, string> = {}): Promise<Response> =>
      fetch(`${test.url}/api/v1/sweeps/${sweep.id}/events`, {
        headers: { authorization: `Bearer ${token.token}`, ...headers },
      });
    const stream = await open();
    const reader = stream
      .body!.pipeThrough(new TextDecoderStream() as never)
      .getReader() as ReadableStreamDefaultReader<string>;
    let text = '';
    while (!/^data: ?.*\n\n/m.test(text)) text += (await reader.read()).value ?? '';
    const id = /^id: ?(\S+)$/m.exec(text)![1]!;
    // Taken up again: what was seen is not said again, so nothing comes but the pause.
    const again = await open({ 'last-event-id': id });
    const second = again
      .body!.pipeThrough(new TextDecoderStream() as never)
      .getReader() as ReadableStreamDefaultReader<string>;
    let behind = (await second.read()).value ?? '';
    void second.read().then(
      ({ value }) => (behind += value ?? ''),
      () => undefined,
    );
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(behind)
      .to.match(/^retry: ?1000$/m)
      .and.not.match(/^data:/m);
    void second.cancel();
    await test.client.call('tokens.delete', { params: { token: token.id } });
    let ended = false;
    const end = (async () => {
      while (!(await reader.read()).done);
      ended = true;
    })();
    await soon(() => Promise.resolve(ended));
    await end;
  });

  it('go on by themselves over a restart of the service', async () => {
    const { data } = await test.client.call('sweeps.list', {});
    const id = data.items[0]!.id;
    const seen: Sweep[] = [];
    const client: Pick<Client, 'open'> = { open: (name, call) => test.client.open(name, call) };
    const following = (async () => {
      for await (const sweep of follow(
        client,
        'sweeps.events',
        { params: { sweep: id } },
        ({ endedAt }) => endedAt !== null,
      ))
        seen.push(sweep);
    })();
    await soon(() => Promise.resolve(seen.length > 0));
    await test.restart();
    letGo();
    await following;
    expect(seen.at(-1)).to.include({ id, state: 'done', read: 1 });
  });
});

describe('fault: stopping and starting', () => {
  let root: string;
  beforeEach(() => void (root = mkdtempSync(join(tmpdir(), 'orbis-fault-'))));
  afterEach(() => rmSync(root, { recursive: true, force: true }));

  it('stops within five seconds whatever is being fetched and whoever listens', async () => {
    const hanging = createServer(() => undefined);
    await new Promise<void>((resolve) => hanging.listen(0, '127.0.0.1', resolve));
    const orbis = runOrbis(join(root, 'data'));
    await orbis.says('/set-password#');
    const { url, secret } = orbis.link();
    const password = 'seven owls over the fell';
    await createClient({ url }).call('password.set', { body: { secret, password } });
    const { data } = await createClient({ url }).call('tokens.exchange', { body: { name: 'x', password } });
    const client = createClient({ url, headers: { authorization: `Bearer ${data.token}` } });
    await client.call('sites.create', {
      body: { key: 'h', name: 'H', address: `http://h.localhost:${(hanging.address() as AddressInfo).port}` },
    });
    await client.call('pages.create', { body: { key: 'h/', title: 'H' } });
    const { data: sweep } = await client.call('sweeps.create', { body: {} });
    const stream = await client.open('sweeps.events', { params: { sweep: sweep.id } });
    stream.body?.cancel().catch(() => undefined);
    const begun = performance.now();
    orbis.child.kill('SIGTERM');
    expect(await orbis.ended).to.equal(0);
    expect(performance.now() - begun).to.be.below(6000);
    hanging.closeAllConnections();
    hanging.close();
  });

  for (const [label, file, said] of [
    ['empty', '', /^The key in .*database-service is empty\. Take the file away while Orbis is stopped/],
    ['damaged', 'x\n', /^The key in .*database-service is damaged\./],
  ] as const)
    it(`says in one sentence that a key is ${label}`, () => {
      const folder = openDataFolder(join(root, 'data'));
      accountUrls(folder, 's', 'orbis');
      writeFileSync(join(folder.keys, 'database-service'), file);
      expect(() => accountUrls(folder, 's', 'orbis')).to.throw(CannotStart, said);
    });

  it('is not kept from starting by a process file that names another program', async () => {
    const first = runOrbis(join(root, 'data'));
    await first.says('/set-password#');
    first.child.kill('SIGKILL');
    await first.ended;
    // The number is used again, by a program that is node as well.
    writeFileSync(join(root, 'data/orbis.pid'), `${process.pid}\n`);
    const orbis = runOrbis(join(root, 'data'));
    await orbis.says('/set-password#');
    orbis.child.kill('SIGTERM');
    expect(await orbis.ended).to.equal(0);
  });

  it('says that a proxy seems to stand before it', () => {
    const behind = {
      ORBIS_PUBLIC_URL: 'https://orbis.example',
      ORBIS_FRAMES_URL: 'https://*.frames.other.example',
    };
    expect(seemsProxied(readSettings(behind, '/'))).to.equal(true);
    expect(seemsProxied(readSettings({ ...behind, ORBIS_TRUST_PROXY: '1' }, '/'))).to.equal(false);
    expect(seemsProxied(readSettings({}, '/'))).to.equal(false);
  });
});
