import type { Deps } from '../../deps.ts';
import { messageById, readMessages, resend } from '../../usecases/messages.ts';
import { dropDead } from '../../store/messages.ts';
import type { Handlers, Named } from '../reply.ts';

/** What went out, and what did not get through. */
export function messageHandlers(deps: Deps): Handlers<Named<'messages'>> {
  const { db } = deps.connection;
  return {
    'messages.list': async ({ query }) => ({ data: await readMessages(db, query) }),
    'messages.read': async ({ params }) => ({ data: await messageById(db, params.message) }),
    'messages.resend': async ({ body, actor }) => {
      const items = await resend(db, body.messages, actor);
      deps.runner.nudge();
      return { data: { items } };
    },
    'messages.drop': async ({ body }) => ({ data: { dropped: await dropDead(db, body.messages) } }),
  };
}
