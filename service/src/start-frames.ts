import { createServer } from 'node:http';
import { join } from 'node:path';
import { pino, type Logger } from 'pino';
import { connectFrames } from './database/connect.ts';
import { tellLeftIn } from './database/tell-left.ts';
import { createFramesApp, type FramesDeps } from './frames/app.ts';
import { documentsOnDisk } from './frames/documents-on-disk.ts';
import { errorForLog } from './http/error-log.ts';
import { closeServer, listen } from './listen.ts';
import { originsOf, type Origins } from './origins.ts';
import { CannotStart, type Settings } from './settings.ts';

/** A process that serves frames and nothing else. */
export interface Frames {
  origins: Origins;
  stop(): Promise<void>;
}

/**
 * Serves the second origin alone: it knows no session and no secret, reads what is served from a database
 * that others keep, and fetches nothing. Any number of them may stand behind one address. What it has served
 * is kept in a folder, so that it can be started and go on while that database is away.
 * @throws CannotStart with one sentence.
 */
export async function startFrames(
  settings: Settings,
  { log: given = pino({ level: settings.ORBIS_LOG_LEVEL }) }: { log?: Logger } = {},
): Promise<Frames> {
  const log = given.child({}, { serializers: { err: errorForLog } });
  const options = framesOptions(settings, log);
  const connection = await connectFrames(sharedDatabase(settings), {
    // Without anything to show it would do no good to be there.
    mayBeAway: !(await options.disk.isEmpty()),
    tellLeft: tellLeftIn(log),
    tell: () => log.warn('the database does not answer: what is on disk is served as it was last'),
  });
  let origins: Origins | null = null;
  const app = createFramesApp({
    connection,
    origins: () => origins!,
    now: () => new Date(),
    log,
    ...options,
  });
  const server = createServer(app.answer);
  const stop = async (): Promise<void> => {
    await closeServer(server);
    await app.stop();
    await connection.close();
  };
  try {
    const { ORBIS_HOST: host, ORBIS_FRAMES_PORT: port } = settings;
    origins = originsOf({
      publicUrl: settings.ORBIS_PUBLIC_URL,
      framesUrl: settings.ORBIS_FRAMES_URL,
      port: settings.ORBIS_PORT,
      framesPort: await listen(server, host, port, 'ORBIS_FRAMES_PORT'),
    });
    return { origins, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}

/** What the settings say of frames; documents outlive a process in a folder that several may share. */
export const framesOptions = (settings: Settings, log: Logger): FramesOptions => ({
  trustProxy: settings.ORBIS_TRUST_PROXY,
  isCounted: settings.ORBIS_COUNT_FRAMES === 'yes',
  disk: documentsOnDisk(join(settings.ORBIS_DATA, 'cache', 'frames'), { log }),
});

type FramesOptions = Required<Pick<FramesDeps, 'trustProxy' | 'isCounted' | 'disk'>>;

/** The database that several processes share. @throws CannotStart where the settings name none. */
export function sharedDatabase(settings: Settings): string {
  if (settings.ORBIS_DATABASE_URL !== undefined) return settings.ORBIS_DATABASE_URL;
  throw new CannotStart(
    'Processes that do different things need one database for all of them: set ORBIS_DATABASE_URL. The private one belongs to a single process.',
  );
}
