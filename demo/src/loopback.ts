import { Agent, fetch as undiciFetch } from 'undici';

/** `fetch` that finds `*.localhost` on loopback, which Node's own resolver does not. */
export function loopbackFetch(): typeof globalThis.fetch {
  const dispatcher = new Agent({
    keepAliveTimeout: 500,
    connect: { lookup: (_hostname, _options, done) => done(null, [{ address: '127.0.0.1', family: 4 }]) },
  });
  return ((input: never, init: object) => undiciFetch(input, { ...init, dispatcher })) as never;
}
