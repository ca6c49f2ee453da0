import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { connectDatabase, type Connection } from '../src/database/connect.ts';
import { createRunner } from '../src/queue/runner.ts';
import { claimJob, findJob, renewLease } from '../src/store/jobs.ts';
import { migratedDatabase } from './support/database.ts';

const silent = pino({ level: 'silent' });

describe('the queue of jobs', () => {
  let connection: Connection;
  beforeEach(async () => {
    connection = await connectDatabase(await migratedDatabase());
    await connection.db.execute(
      sql`insert into job (public_id, kind, state, created_at) values ('aaaaaaaaaa', 'plan', 'waiting', utc_timestamp(3))`,
    );
  });
  afterEach(() => connection.close());

  it('gives a job to another when its holder was not heard of for a minute, and the first one notices', async () => {
    const { db } = connection;
    const job = (await claimJob(db, 'plan', 'lost'))!;
    expect(await claimJob(db, 'plan', 'next'), 'its lease still runs').to.equal(null);
    await db.execute(
      sql`update job set lease_until = utc_timestamp(3) - interval 1 second where id = ${job.id}`,
    );
    expect(await claimJob(db, 'plan', 'next')).to.include({ id: job.id });
    expect(await renewLease(db, job.id, 'lost')).to.equal('lost');
    expect(await renewLease(db, job.id, 'next')).to.equal('go-on');
  });

  it('gives one job to one of many who ask at once', async () => {
    const claims = await Promise.all(
      Array.from({ length: 6 }, (_, i) => claimJob(connection.db, 'plan', `asker ${i}`)),
    );
    expect(claims.filter((claim) => claim !== null).map(({ publicId }) => publicId)).to.deep.equal([
      'aaaaaaaaaa',
    ]);
  });

  it('tries a job that fails again, later each time, and no more than three times', async () => {
    const { db } = connection;
    const failing = createRunner(
      [{ kind: 'plan', leavesTrace: true, step: () => Promise.reject(new Error('broken')) }],
      { db, owner: 'o', now: () => new Date(), log: silent },
    );
    const waits: number[] = [];
    try {
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
    }
  });
});
