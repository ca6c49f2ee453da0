import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { pino } from 'pino';
import { sql } from 'drizzle-orm';
import { createFetching } from '../src/fetching/client.ts';
import { createReader } from '../src/reading/reader.ts';
import { connectDatabase } from '../src/database/connect.ts';
import { sweepJobs } from '../src/jobs/sweep.ts';
import type { JobHandler } from '../src/queue/handler.ts';
import { createRunner } from '../src/queue/runner.ts';
import { claimJob, findJob, renewLease } from '../src/store/jobs.ts';
import { migratedDatabase } from './support/database.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';

const silent = pino({ level: 'silent' });

describe('the queue of jobs', () => {
  let test: TestOrbis;
  let site: Server;
  const asked: string[] = [];
  before(async () => {
    test = await startTestOrbis();
    site = createServer((request, response) => {
      asked.push(request.url!);
      setTimeout(() => response.writeHead(200, { 'content-type': 'text/html' }).end('<p>x</p>'), 20);
    });
    await new Promise<void>((resolve) => site.listen(0, '127.0.0.1', resolve));
    for (const key of ['one', 'two', 'three']) {
      await test.client.call('sites.create', {
        body: { key, name: key, address: `http://${key}.localhost:${(site.address() as AddressInfo).port}` },
      });
      for (let i = 0; i < 6; i++)
        await test.client.call('pages.create', { body: { key: `${key}/${key}-${i}`, title: 'T' } });
    }
  });
  after(async () => {
    await test.stop();
    site.closeAllConnections();
    site.close();
  });
  const ended = async (id: string) => {
    for (;;) {
      const { data } = await test.client.call('sweeps.read', { params: { sweep: id } });
      if (data.endedAt !== null) return data;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  };

  it('is shared by several processes, and no page is read twice', async () => {
    const { db } = test.orbis.connection;
    const fetching = createFetching({ allowPrivate: false });
    const reader = createReader();
    const sweeping = sweepJobs({
      db,
      fetching,
      reader,
      renderContext: () => ({
        sheets: [],
        rules: { dropTracking: false },
        workOut: reader.workOut,
        workOutPage: reader.workOutPage,
        servedAt: () => '',
        sharesHost: () => false,
      }),
      refresh: () => Promise.resolve(),
      placementUrl: (id) => `http://${id}.frames.localhost/`,
      now: () => new Date(),
      log: silent,
    });
    let steps = 0;
    const counted: JobHandler = { ...sweeping, step: async (...job) => (steps++, sweeping.step(...job)) };
    const second = createRunner([counted], { db, owner: 'second', now: () => new Date(), log: silent });
    second.start();
    try {
      const sweeps = await Promise.all(
        ['one', 'two', 'three'].map((key) => test.client.call('sweeps.create', { body: { site: key } })),
      );
      second.nudge();
      for (const { data } of sweeps) expect(await ended(data.id)).to.include({ state: 'done', read: 6 });
      expect(asked).to.have.length(18);
      expect(new Set(asked).size).to.equal(18);
      // It has read whole sweeps: each has six pages, and one step more to see that there are no others.
      expect(steps).to.be.at.least(7);
    } finally {
      await second.stop();
      await fetching.close();
      await reader.close();
    }
  });

  it('refuses a second sweep of the same scope while one is running', async () => {
    const { data } = await test.client.call('sweeps.create', { body: {} });
    const again = await test.client.call('sweeps.create', { body: {} }).catch((error: unknown) => error);
    expect(again).to.include({ code: 'job-running' });
    await ended(data.id);
  });

  it('stops where it is asked to, and says so once only', async () => {
    const { data } = await test.client.call('sweeps.create', { body: {} });
    await test.client.call('sweeps.stop', { params: { sweep: data.id } });
    const stopped = await ended(data.id);
    expect(stopped.state).to.equal('stopped');
    expect(stopped.read).to.be.below(18);
    expect(
      await test.client.call('sweeps.stop', { params: { sweep: data.id } }).catch((error: unknown) => error),
    ).to.include({ code: 'sweep-ended' });
  });

  it('gives a job to another when its holder was not heard of for a minute, and the first one notices', async () => {
    const { db } = test.orbis.connection;
    const { data } = await test.client.call('sweeps.create', { body: { site: 'one' } });
    await ended(data.id);
    const job = (await findJob(db, data.id))!;
    await db.execute(
      sql`update job set state = 'running', ended_at = null, lease_owner = 'lost', lease_until = utc_timestamp(3) + interval 30 second where id = ${job.id}`,
    );
    expect(await claimJob(db, 'sweep', 'next'), 'its lease still runs').to.equal(null);
    await db.execute(
      sql`update job set lease_until = utc_timestamp(3) - interval 1 second where id = ${job.id}`,
    );
    expect(await claimJob(db, 'sweep', 'next')).to.include({ id: job.id });
    expect(await renewLease(db, job.id, 'lost')).to.equal('lost');
    expect(await renewLease(db, job.id, 'next')).to.equal('go-on');
    await db.execute(sql`update job set state = 'done', ended_at = utc_timestamp(3) where id = ${job.id}`);
  });

  it('gives one job to one of many who ask at once', async () => {
    const connection = await connectDatabase(await migratedDatabase());
    try {
      const { db } = connection;
      await db.execute(
        sql`insert into job (public_id, kind, state, created_at) values ('aaaaaaaaaa', 'sweep', 'waiting', utc_timestamp(3))`,
      );
      const claims = await Promise.all(
        Array.from({ length: 6 }, (_, i) => claimJob(db, 'sweep', `asker ${i}`)),
      );
      expect(claims.filter((claim) => claim !== null).map(({ publicId }) => publicId)).to.deep.equal([
        'aaaaaaaaaa',
      ]);
    } finally {
      await connection.close();
    }
  });

  it('tries a job that fails again, later each time, and no more than three times', async () => {
    const connection = await connectDatabase(await migratedDatabase());
    const { db } = connection;
    const failing = createRunner(
      [{ kind: 'sweep', leavesTrace: true, step: () => Promise.reject(new Error('broken')) }],
      { db, owner: 'o', now: () => new Date(), log: silent },
    );
    const waits: number[] = [];
    try {
      await db.execute(
        sql`insert into job (public_id, kind, state, created_at) values ('aaaaaaaaaa', 'sweep', 'waiting', utc_timestamp(3))`,
      );
      failing.start();
      for (
        let job = await findJob(db, 'aaaaaaaaaa');
        job?.state !== 'failed';
        job = await findJob(db, 'aaaaaaaaaa')
      ) {
        if (job!.attempts > waits.length) {
          const [[row]] = (await db.execute(
            sql`select timestampdiff(second, utc_timestamp(3), run_at) as wait from job`,
          )) as unknown as [[{ wait: number }]];
          waits.push(row.wait);
          await db.execute(sql`update job set run_at = null`);
          failing.nudge();
        }
        await new Promise((resolve) => setTimeout(resolve, 10));
      }
      expect(waits).to.have.length(2);
      expect(waits[0]).to.be.within(3, 5);
      expect(waits[1]).to.be.within(8, 10);
    } finally {
      await failing.stop();
      await connection.close();
    }
  });
});
