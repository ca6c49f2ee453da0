import type { Deps } from '../../deps.ts';
import { listCopies } from '../../store/copies.ts';
import { keyset } from '../../store/pages.ts';
import { askForCopy, tellCopies, tellCopyStanding } from '../../usecases/copies.ts';
import type { Handlers, Named } from '../reply.ts';

/** Safety copies: listed, asked for, and how it stands with them. */
export function copyHandlers({
  connection: { db },
  runner,
  copyPlan,
  now,
}: Pick<Deps, 'connection' | 'runner' | 'copyPlan' | 'now'>): Handlers<Named<'copies'>> {
  return {
    'copies.list': async ({ query }) => {
      const page = keyset(await listCopies(db, query.limit, query.after), query.limit, (row) => row);
      return { data: { items: await tellCopies(db, page.items), next: page.next } };
    },
    'copies.create': async ({ actor }) => {
      const row = await askForCopy(db, copyPlan, actor);
      runner.nudge();
      return { status: 202, data: (await tellCopies(db, [row]))[0]! };
    },
    'copies.standing': async () => ({ data: await tellCopyStanding(db, copyPlan, now()) }),
  };
}
