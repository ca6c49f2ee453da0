import type { RequestHandler } from 'express';
import type { Logger } from 'pino';

/** What is said where a proxy seems to stand before Orbis that it was not told of. */
export const behindProxy =
  'A proxy seems to stand before Orbis, and ORBIS_TRUST_PROXY is 0: all visitors then seem to come from one address, and wrong passwords of one keep out all. Set it to the number of proxies.';

/** Says so once, when a request comes that only a proxy can have passed on. */
export function warnOfProxy(trusted: number, log: Logger): RequestHandler {
  let said = trusted > 0;
  return (request, _response, next) => {
    if (!said && (request.get('x-forwarded-for') !== undefined || request.get('forwarded') !== undefined)) {
      said = true;
      log.warn(behindProxy);
    }
    next();
  };
}
