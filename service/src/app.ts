import { randomUUID } from 'node:crypto';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { apiBase, openApi } from '@orbis/contract';
import { errorForLog } from './http/error-log.ts';
import { consolePolicy, serveConsole } from './http/console.ts';
import { knownHosts, refuseCrossSite } from './http/guard.ts';
import { metricsRoute } from './http/metrics.ts';
import { wellKnown } from './http/well-known.ts';
import { mountRoutes } from './http/mount.ts';
import { answerProblems, noRoute } from './http/problems.ts';
import { warnOfProxy } from './http/proxy-warning.ts';
import type { Deps } from './deps.ts';
import { handlersOf } from './http/handlers.ts';

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
  app.use(apiBase, mountRoutes(handlersOf(deps), deps), noRoute);
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
