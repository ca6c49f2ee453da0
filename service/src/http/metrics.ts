import { Router } from 'express';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import type { ReadMetrics } from '../metrics/answer.ts';
import { basicChallenge, whoCalls } from './caller.ts';

/** Metrics for whoever has a token, also as the password of HTTP Basic. */
export function metricsRoute(deps: Deps, read: ReadMetrics): Router {
  const router = Router();
  router.get('/metrics', async (request, response) => {
    const { person } = await whoCalls(request, deps, { basic: true });
    if (person === null) {
      response.set('WWW-Authenticate', basicChallenge);
      throw new OrbisError('not-signed-in');
    }
    const { type, text } = await read();
    response.set('Cache-Control', 'no-store').type(type).send(text);
  });
  return router;
}
