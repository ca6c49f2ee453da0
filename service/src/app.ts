import { randomUUID } from 'node:crypto';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { apiBase, openApi } from '@orbis/contract';
import { changeHandlers } from './http/resources/changes.ts';
import { browsingHandlers } from './http/resources/browsing.ts';
import { contactHandlers } from './http/resources/contacts.ts';
import { codeHandlers } from './http/resources/codes.ts';
import { errorForLog } from './http/error-log.ts';
import { consolePolicy, serveConsole } from './http/console.ts';
import { endpointHandlers } from './http/resources/endpoints.ts';
import { knownHosts, refuseCrossSite } from './http/guard.ts';
import { healthHandlers } from './http/resources/health.ts';
import { metricsRoute } from './http/metrics.ts';
import { wellKnown } from './http/well-known.ts';
import { embedHandlers } from './http/resources/embeds.ts';
import { importHandlers } from './http/resources/imports.ts';
import { linkHandlers } from './http/resources/links.ts';
import { mountRoutes } from './http/mount.ts';
import { loadedHandlers } from './http/resources/loaded.ts';
import { lookHandlers } from './http/resources/looks.ts';
import { foundPageHandlers } from './http/resources/found-pages.ts';
import { harvestHandlers } from './http/resources/harvests.ts';
import { placementHandlers } from './http/resources/placements.ts';
import { planHandlers } from './http/resources/plans.ts';
import { pageHandlers } from './http/resources/pages.ts';
import { headHandlers } from './http/resources/heads.ts';
import { thirdPartyHandlers } from './http/resources/third-parties.ts';
import { changeListHandlers } from './http/resources/change-lists.ts';
import { todayHandlers } from './http/resources/today.ts';
import { registerHandlers } from './http/resources/register.ts';
import { siteHandlers } from './http/resources/sites.ts';
import { sharedSpotHandlers } from './http/resources/shared-spots.ts';
import { spotHandlers } from './http/resources/spots.ts';
import { termsHandlers } from './http/resources/terms.ts';
import { presetHandlers } from './http/resources/presets.ts';
import { savedSearchHandlers } from './http/resources/saved-searches.ts';
import { providerHandlers } from './http/resources/providers.ts';
import { ruleHandlers } from './http/resources/rules.ts';
import { answerProblems, noRoute } from './http/problems.ts';
import { revisionHandlers } from './http/resources/revisions.ts';
import { sessionHandlers } from './http/resources/session.ts';
import { warnOfProxy } from './http/proxy-warning.ts';
import { tokenHandlers } from './http/resources/tokens.ts';
import type { Deps } from './deps.ts';
import { attentionHandlers } from './http/resources/attention.ts';
import { channelHandlers } from './http/resources/channels.ts';
import { messageHandlers } from './http/resources/messages.ts';
import { newsHandlers } from './http/resources/news.ts';
import { sweepHandlers } from './http/resources/sweeps.ts';

/** Builds the app of the console and the interface, without listening. */
export function createApp(deps: Deps): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.set('trust proxy', deps.trustProxy);
  app.use(requestLog(deps.log));
  app.use(warnOfProxy(deps.trustProxy, deps.log));
  app.use(consolePolicy(deps));
  app.use(knownHosts(deps.origins, deps.trustProxy));
  app.use(compression());
  app.use('/api', refuseCrossSite(deps.origins));
  app.get('/api/openapi.json', describe(deps.version));
  const handlers = {
    ...healthHandlers(deps),
    ...sessionHandlers(deps),
    ...tokenHandlers(deps),
    ...codeHandlers(deps),
    ...browsingHandlers(deps),
    ...contactHandlers(deps),
    ...linkHandlers(deps),
    ...embedHandlers(deps),
    ...revisionHandlers(deps),
    ...harvestHandlers(deps),
    ...changeHandlers(deps),
    ...importHandlers(deps),
    ...termsHandlers(deps),
    ...presetHandlers(deps),
    ...savedSearchHandlers(deps),
    ...providerHandlers(deps),
    ...ruleHandlers(deps),
    ...endpointHandlers(deps),
    ...siteHandlers(deps),
    ...headHandlers(deps),
    ...pageHandlers(deps),
    ...foundPageHandlers(deps),
    ...loadedHandlers(deps),
    ...lookHandlers(deps),
    ...spotHandlers(deps),
    ...sharedSpotHandlers(deps),
    ...placementHandlers(deps),
    ...registerHandlers(deps),
    ...thirdPartyHandlers(deps),
    ...todayHandlers(deps),
    ...changeListHandlers(deps),
    ...planHandlers(deps),
    ...sweepHandlers(deps),
    ...attentionHandlers(deps),
    ...newsHandlers(deps),
    ...channelHandlers(deps),
    ...messageHandlers(deps),
  };
  app.use(apiBase, mountRoutes(handlers, deps), noRoute);
  app.use('/api', noRoute);
  app.use(metricsRoute(deps, deps.readMetrics));
  app.use(wellKnown(deps));
  app.use(serveConsole());
  app.use(answerProblems(deps.log));
  return app;
}

/* Put together by who asks first: that takes longer than all else of a start. */
function describe(version: string): RequestHandler {
  let description: ReturnType<typeof openApi> | undefined;
  return (_request, response) => void response.json((description ??= openApi(version)));
}

/* What is logged of a request: enough to find it, and nothing that is secret or was typed by people. */
const requestLog = (log: Logger) =>
  pinoHttp({
    logger: log,
    genReqId: (_request, response) => {
      const id = randomUUID();
      response.setHeader('X-Request-Id', id);
      return id;
    },
    customLogLevel: (_request, response, error) =>
      response.statusCode === 503 ? 'warn' : error || response.statusCode >= 500 ? 'error' : 'info',
    serializers: {
      req: (request: { id: string; method: string; url: string }) => ({
        id: request.id,
        method: request.method,
        path: request.url.split('?')[0],
      }),
      res: (response: { statusCode: number }) => ({ status: response.statusCode }),
      err: errorForLog,
    },
  });
