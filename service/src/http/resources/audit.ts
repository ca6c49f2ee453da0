import type { Deps } from '../../deps.ts';
import { afterId } from '../../store/pages.ts';
import { checkAudit, readAudit, writeOutAudit } from '../../usecases/audit.ts';
import type { Handlers, Named } from '../reply.ts';

/** The audit log: searched, taken out, and held against its chain. */
export function auditHandlers({ connection: { db } }: Deps): Handlers<Named<'audit'>> {
  return {
    'audit.list': async ({ query: { after, ...asked } }) => ({
      data: await readAudit(db, { ...asked, before: afterId(after) }),
    }),
    'audit.export': ({ actor: { now } }) =>
      Promise.resolve({
        stream: writeOutAudit(db),
        name: `orbis-audit-${now.toISOString().slice(0, 10)}.ndjson`,
      }),
    'audit.check': async ({ body }) => ({ data: await checkAudit(db, body.head) }),
  };
}
