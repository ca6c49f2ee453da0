import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import type { Settings } from '../settings.ts';

/** What is said where a proxy seems to stand before Orbis that it was not told of. */
export const behindProxy =
  'A proxy seems to stand before Orbis, and ORBIS_TRUST_PROXY is 0: all visitors then seem to come from one address, and wrong passwords of one keep out all. Set it to the number of proxies.';

/**
 * Whether the settings tell of one: Orbis itself speaks http, so where it is reached by https, something
 * stands before it.
 */
export const seemsProxied = ({
  ORBIS_PUBLIC_URL: home,
  ORBIS_TRUST_PROXY: trusted,
}: Pick<Settings, 'ORBIS_PUBLIC_URL' | 'ORBIS_TRUST_PROXY'>): boolean =>
  home?.startsWith('https:') === true && trusted === 0;

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
