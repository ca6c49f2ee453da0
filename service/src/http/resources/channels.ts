import type { Deps } from '../../deps.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import {
  addChannel,
  channelNamed,
  editChannel,
  readChannels,
  removeChannel,
  renewChannel,
  tellChannel,
} from '../../usecases/channels.ts';
import { tryChannel } from '../../usecases/messages.ts';
import type { Handlers, Named } from '../reply.ts';

/** The ways by which news goes out. */
export function channelHandlers(deps: Deps): Handlers<Named<'channels'>> {
  const { db } = deps.connection;
  const tools = () => ({ db, origin: deps.origins().console, hasMail: deps.mailer !== null });
  const tell = async (name: string) => {
    const found = await channelNamed(db, name);
    return { data: await tellChannel(db, found), etag: versionTag(found.channel) };
  };
  return {
    'channels.list': async ({ query }) => ({ data: await readChannels(db, query.limit, query.after) }),
    'channels.create': async ({ body, actor }) => ({
      status: 201,
      data: await addChannel(body, tools(), actor),
    }),
    'channels.read': ({ params }) => tell(params.channel),
    'channels.change': async ({ params, body, matchState, actor }) => {
      await editChannel(params.channel, body, { db, matchState }, actor);
      deps.runner.nudge();
      return tell(params.channel);
    },
    'channels.renew': async ({ params, actor }) => ({
      data: await renewChannel(params.channel, tools(), actor.now),
    }),
    'channels.try': async ({ params, actor }) => {
      const data = await tryChannel(db, params.channel, actor);
      deps.runner.nudge();
      return { status: 201, data };
    },
    'channels.delete': async ({ params, actor }) => {
      await removeChannel(db, params.channel, actor);
      return { data: undefined, status: 204 };
    },
  };
}
