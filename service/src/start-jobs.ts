import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { Connection } from './database/connect.ts';
import { inTransaction } from './database/transaction.ts';
import type { Deps } from './deps.ts';
import type { Fetching } from './fetching/client.ts';
import { copyJobs, type CopyTools } from './jobs/copy.ts';
import { inspectionJobs } from './jobs/inspect.ts';
import { planJobs } from './jobs/plan.ts';
import { createAsker } from './asking/asker.ts';
import { createCourier } from './news/courier.ts';
import type { Mailer } from './news/mailer.ts';
import { createSend } from './news/send.ts';
import { createRunner, together, type Runner } from './queue/runner.ts';
import { dropOldAudit, sealAudit } from './store/audit.ts';
import { beginDueSweeps } from './store/due-sweeps.ts';
import { wakeFindings } from './store/findings.ts';
import { beginDueChecks } from './store/page-checks.ts';
import { countDay } from './store/placement-days.ts';
import { keepSiteFindings } from './store/site-findings.ts';
import { declaredSites } from './sweeping/declared-sites.ts';
import { hostReader } from './sweeping/read-host.ts';
import { createSweeper } from './sweeping/sweeper.ts';
import { tidyLookFiles } from './usecases/looks.ts';
import { keepTermsFindings } from './usecases/terms-findings.ts';
import type { RenderContext } from './usecases/render-context.ts';

/** What jobs are done with. */
export type JobTools = Pick<
  Deps,
  | 'connection'
  | 'reader'
  | 'browser'
  | 'sheetRegistry'
  | 'origins'
  | 'now'
  | 'log'
  | 'metrics'
  | 'lookFiles'
  | 'looksKept'
> & {
  fetching: Fetching;
  readsTicked: boolean;
  gathers: number;
  /** In how many hours what placed embeds load is asked for anew; 0 for never by itself. */
  asksEvery: number;
  mailer: Mailer | null;
  /** For how many days it is kept who did what; 0 for good. */
  auditDays: number;
  /** Of Orbis. */
  version: string;
  /** How safety copies are made, and of what; null where nobody has said where to. */
  copying: Pick<CopyTools, 'plan' | 'url' | 'root'> | null;
};

/** Everything that goes on beside the answers: planning, sweeping, sending news; not started yet. */
export function runJobs(
  { connection, fetching, reader, browser, sheetRegistry, ...tools }: JobTools,
  undo: (() => unknown)[],
): Runner {
  const { db } = connection;
  const { origins, now, log, gathers, asksEvery, mailer, metrics, version, copying } = tools;
  const { renderContext } = sheetRegistry;
  const refresh = (): Promise<void> => sheetRegistry.refresh(db);
  const renewed = (): Promise<RenderContext> => refresh().then(renderContext);
  const planning = { tools: { db, renderContext: renewed, log, now }, now };
  const sweeping = {
    db,
    fetching,
    reader,
    browser,
    renderContext,
    refresh,
    declaredSites: declaredSites(db),
    placementUrl: (id: string) => origins().placementUrl(id),
    now,
    log,
    metrics,
    version,
  };
  const looking = { ...tools, connection, fetching, browser, sheetRegistry, renderContext };
  const owner = randomUUID();
  const send = createSend({ db, fetching, mailer, origins, now });
  const runner = together([
    createRunner(
      [
        planJobs(planning),
        inspectionJobs(looking),
        ...(copying ? [copyJobs({ connection, now, version, ...copying })] : []),
      ],
      { db, owner, now, log },
    ),
    createSweeper(hostReader(sweeping, owner), {
      ...{ db, owner, log },
      prepare: lookAfter({ ...tools, connection }, renewed),
    }),
    createAsker({ ...{ db, fetching, reader, now, log, every: asksEvery }, renderContext: renewed }, owner),
    createCourier({ db, owner, send, gathers, now, log, metrics }),
  ]);
  undo.push(async () => {
    // The page that is being read may come to its end; else the sweep goes on at it another time.
    await Promise.race([runner.stop(), wait(lastPage)]);
    mailer?.close();
    await Promise.all([runner.stop(), fetching.close(), reader.close()]);
  });
  return runner;
}

/* What nobody has asked for: done where it is time. */
function lookAfter(
  {
    connection,
    now,
    readsTicked,
    lookFiles,
    auditDays,
  }: Pick<JobTools, 'connection' | 'now' | 'readsTicked' | 'lookFiles' | 'auditDays'>,
  renewed: () => Promise<RenderContext>,
): () => Promise<void> {
  const { db } = connection;
  const everySoOften = atMostEvery(lookEvery);
  const everyMinute = atMostEvery(minute);
  const everyTenMinutes = atMostEvery(tenMinutes);
  const everyHour = atMostEvery(hour);
  return async () => {
    await beginDueSweeps(db, now());
    if (readsTicked) await beginDueChecks(db, now());
    await everySoOften(() => lookAround(db, now()));
    // Of what was done a moment ago; who reads the log does it too.
    await sealAudit(db);
    await everyMinute(async () => keepTermsFindings(db, (await renewed()).sheets, now()));
    await everyTenMinutes(() => countDay(db, now()));
    await everyHour(async () => {
      await tidyLookFiles({ connection, lookFiles });
      if (auditDays > 0) await dropOldAudit(db, new Date(now().getTime() - auditDays * 24 * hour));
    });
  };
}

/* What follows from what was planned and seen is looked up so often, in ms. */
const [lookEvery, minute, tenMinutes, hour] = [10_000, 60_000, 600_000, 3_600_000];

/* Findings that have waited long enough, and what holds of whole sites. */
async function lookAround(db: Connection['db'], now: Date): Promise<void> {
  await inTransaction(db, (tx) => wakeFindings(tx, now));
  await keepSiteFindings(db, now);
}

/* Does something at once, and then not again before so many ms have gone by. */
function atMostEvery(milliseconds: number): (work: () => Promise<void>) => Promise<void> {
  let next = 0;
  return async (work) => {
    if (performance.now() < next) return;
    next = performance.now() + milliseconds;
    await work();
  };
}

/* How long a page may take to be read once Orbis is told to stop, in milliseconds: with all the rest, it
   stops within five seconds. */
const lastPage = 2000;
