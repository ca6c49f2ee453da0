import type { Deps } from '../../deps.ts';
import { placeOf } from '../../usecases/page-plan.ts';
import { clearBlocked, findContacts, readBlocked } from '../../usecases/contacts.ts';
import type { Handlers, Named } from '../reply.ts';

/** Whom embeds contact, and what their frames kept them from. */
export function contactHandlers(deps: Deps): Handlers<Named<'contacts'>> {
  return {
    'contacts.create': async ({ body, signal }) => ({
      data: { contacted: await findContacts(body, deps, signal), at: deps.now().toISOString() },
    }),
    'contacts.blocked': async ({ params }) => ({
      data: {
        items: (await readBlocked(params.embed, deps)).map((row) => ({
          host: row.host,
          placement: row.placement.publicId,
          place: placeOf(row),
          firstAt: row.firstAt.toISOString(),
          lastAt: row.lastAt.toISOString(),
        })),
      },
    }),
    'contacts.clear': async ({ params }) => {
      await clearBlocked(params.embed, deps);
      return { data: undefined, status: 204 };
    },
  };
}
