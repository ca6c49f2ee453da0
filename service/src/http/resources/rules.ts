import type { Deps } from '../../deps.ts';
import { readRules } from '../../store/rules.ts';
import { changeRules } from '../../usecases/rules.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import type { Handlers, Named } from '../reply.ts';

/** The rules for all embeds. */
export function ruleHandlers(deps: Deps): Handlers<Named<'rules'>> {
  const { db } = deps.connection;
  const reply = async () => {
    const stored = await readRules(db);
    return { data: stored.rules, etag: versionTag(stored) };
  };
  return {
    'rules.read': reply,
    'rules.change': async ({ body, matchState, actor }) => {
      await changeRules(body, matchState, deps, actor);
      return reply();
    },
  };
}
