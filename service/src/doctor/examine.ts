import { doctorChecks, doctorCodes, type Diagnosis, type Examination } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import { lastCopy } from '../store/copies.ts';
import { tellCopyStanding } from '../usecases/copies.ts';
import { lookAtConsole, lookAtFrames } from './addresses.ts';
import { lookAtBrowser, lookAtCopies, lookAtMail, lookAtProxy } from './around.ts';
import { lookAtCertificates } from './certificates.ts';
import { lookAtClock, lookAtDatabase, lookAtTables } from './database.ts';
import { lookAtDisk } from './disk.ts';

/** What an installation is examined with. */
export type ExaminationTools = Pick<
  Deps,
  'connection' | 'settings' | 'origins' | 'mailer' | 'copyPlan' | 'now' | 'version'
>;

/**
 * Looks whether everything that Orbis needs is well.
 * @param address that of whoever asks, as it is seen here.
 */
export async function examine(tools: ExaminationTools, address: string): Promise<Examination> {
  const { settings, mailer, copyPlan, now, version } = tools;
  const { db } = tools.connection;
  const origins = tools.origins();
  const folders = [settings.ORBIS_DATA, ...(copyPlan ? [copyPlan.folder] : [])];
  const copies = async (): Promise<Diagnosis> =>
    lookAtCopies(await tellCopyStanding(db, copyPlan, now()), (await lastCopy(db))?.why ?? '');
  const atOnce = [lookAtDisk(folders), lookAtProxy(settings, address)];
  // By itself: what else is looked at would keep this machine busy.
  const database = await lookAtDatabase(tools.connection);
  const looked = await Promise.all([
    lookAtTables(db, version),
    lookAtClock(db, now),
    lookAtConsole(origins, settings, version),
    lookAtFrames(origins, settings),
    lookAtCertificates(origins, now()),
    lookAtMail(mailer, settings),
    lookAtBrowser(settings),
    copies(),
  ]);
  const place = ({ code }: Diagnosis): number => doctorChecks.indexOf(doctorCodes[code]);
  const checks = [database, ...atOnce, ...looked].sort((a, b) => place(a) - place(b));
  return { at: now().toISOString(), version, checks };
}
