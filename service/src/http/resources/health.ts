import type { Deps } from '../../deps.ts';
import { newestCopy } from '../../store/copies.ts';
import type { Handlers, Named } from '../reply.ts';

/** For whoever looks after the process: whether it lives, and whether it can work. */
export function healthHandlers({
  connection,
  version,
}: Pick<Deps, 'connection' | 'version'>): Handlers<Named<'health'>> {
  const well = { data: { status: 'ok' as const, version } };
  return {
    'health.live': () => Promise.resolve(well),
    'health.ready': async () => {
      await connection.ping();
      const last = await newestCopy(connection.db, ['good']);
      return { data: { ...well.data, lastCopyAt: last?.madeAt?.toISOString() ?? null } };
    },
  };
}
