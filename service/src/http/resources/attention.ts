import type { Deps } from '../../deps.ts';
import { serializeKeptFinding } from '../../serializers/kept-findings.ts';
import { listFindings } from '../../store/list-findings.ts';
import { decideAbout, findingById, readAttention } from '../../usecases/attention.ts';
import { siteByKey } from '../../usecases/places.ts';
import { registerFound } from '../../usecases/register-found.ts';
import { renewFound } from '../../usecases/renew-found.ts';
import type { Handlers, Named } from '../reply.ts';

/** What wants attention, and what is decided about it. */
export function attentionHandlers(deps: Deps): Handlers<Named<'findings'>> {
  const { db } = deps.connection;
  return {
    'findings.list': async ({ query: { list, site, rule, limit, after } }) => {
      const siteId = site === undefined ? undefined : (await siteByKey(db, site)).id;
      const { items, next } = await listFindings(db, { list, siteId, rule }, limit, after);
      return { data: { items: items.map(serializeKeptFinding), next } };
    },
    'findings.count': async ({ query }) => ({ data: await readAttention(db, query.rule) }),
    'findings.read': async ({ params }) => {
      const found = await findingById(db, params.finding);
      return { data: { ...serializeKeptFinding(found), code: found.finding.code } };
    },
    'findings.decide': async ({ body, actor }) => ({
      data: { items: (await decideAbout(db, body, actor)).map(serializeKeptFinding) },
    }),
    'findings.renew': async ({ params, actor }) => {
      const embed = await renewFound(params.finding, deps, actor);
      deps.runner.nudge();
      return { data: { embed } };
    },
    'findings.register': async ({ params, body, actor }) => {
      const data = await registerFound(params.finding, body, deps, actor);
      deps.runner.nudge();
      return { data };
    },
  };
}
