import { lookup } from 'node:dns/promises';
import { Agent, fetch as undiciFetch } from 'undici';

/**
 * `fetch` that finds `*.localhost` on this machine, as browsers do (RFC 6761, section 6.3) and Node's
 * resolver does not: so the command line reaches a local Orbis by the name that the console has.
 */
export function localFetch(): typeof globalThis.fetch {
  const dispatcher = new Agent({
    // A large register takes its time to be taken in, and nothing is answered before.
    headersTimeout: 0,
    connect: {
      lookup: (hostname, _options, done) => {
        if (/(?:^|\.)localhost$/i.test(hostname)) return done(null, [{ address: '127.0.0.1', family: 4 }]);
        lookup(hostname, { all: true }).then(
          (addresses) => done(null, addresses),
          (error: unknown) => done(error as Error, []),
        );
      },
    },
  });
  return ((input: never, init: object) => undiciFetch(input, { ...init, dispatcher })) as never;
}
