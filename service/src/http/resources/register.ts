import type { Deps } from '../../deps.ts';
import { planTools } from '../../usecases/planning.ts';
import { placementRows } from '../../usecases/register-file/table.ts';
import { spooled } from '../../usecases/register-file/spooled.ts';
import { takeInRegister } from '../../usecases/register-file/take-in.ts';
import { writeOutRegister } from '../../usecases/register-file/write-out.ts';
import type { Handlers, Named } from '../reply.ts';

/** The register as a whole: taken out, and taken in. */
export function registerHandlers(deps: Deps): Handlers<Named<'register'>> {
  const { db } = deps.connection;
  const named = (now: Date, ending: string): string => `orbis-${now.toISOString().slice(0, 10)}.${ending}`;
  return {
    'register.read': ({ actor: { now } }) =>
      Promise.resolve({
        stream: writeOutRegister(db, { orbis: deps.version, now }),
        name: named(now, 'ndjson'),
      }),
    'register.create': async ({ input, actor }) => ({
      status: 201,
      data: await spooled(input, (whole) => takeInRegister(whole, deps, actor)),
    }),
    'register.table': ({ actor: { now } }) =>
      Promise.resolve({ stream: placementRows(planTools(deps)), name: named(now, 'csv') }),
  };
}
