import { createServer, request as ask, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import CachePolicy from 'http-cache-semantics';

/** A cache in front of a site, as hosts have one: it keeps what it may keep, and asks anew where it must. */
export interface CachingProxy {
  /** Where the site is found through it. */
  address: string;
  /** What it answered from its memory, by path. */
  fromMemory: string[];
  /** Forgets all that it has. */
  forget(): void;
  stop(): Promise<void>;
}

interface Kept {
  policy: CachePolicy;
  body: Buffer;
}

/**
 * A shared cache (RFC 9111) for a site that answers at this port of this machine.
 * @param options.keepsPast whether it keeps what somebody asked for past it; many are set up so that they do
 * not, and what others get stays as it was.
 */
export async function startCachingProxy(
  port: number,
  host: string,
  { keepsPast }: { keepsPast: boolean },
): Promise<CachingProxy> {
  const kept = new Map<string, Kept>();
  const fromMemory: string[] = [];
  const fetched = ({
    url = '/',
    headers,
  }: IncomingMessage): Promise<{ answer: IncomingMessage; body: Buffer }> =>
    new Promise((resolve, reject) => {
      ask({ host: '127.0.0.1', port, path: url, headers }, (answer) => {
        const chunks: Buffer[] = [];
        answer.on('data', (chunk: Buffer) => chunks.push(chunk));
        answer.on('end', () => resolve({ answer, body: Buffer.concat(chunks) }));
      })
        .on('error', reject)
        .end();
    });
  const server = createServer((request, response) => {
    const url = request.url ?? '/';
    const asked = { url, method: request.method ?? 'GET', headers: request.headers };
    const known = kept.get(url);
    if (known?.policy.satisfiesWithoutRevalidation(asked)) {
      fromMemory.push(url);
      return void response.writeHead(200, known.policy.responseHeaders()).end(known.body);
    }
    fetched(request).then(
      ({ answer, body }) => {
        const status = answer.statusCode ?? 502;
        const policy = new CachePolicy(asked, { status, headers: answer.headers });
        const isPast = request.headers['cache-control'] === 'no-cache';
        if (policy.storable() && (keepsPast || !isPast)) kept.set(url, { policy, body });
        response.writeHead(status, answer.headers).end(body);
      },
      () => response.writeHead(502).end(),
    );
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    address: `http://${host}:${(server.address() as AddressInfo).port}`,
    fromMemory,
    forget: () => kept.clear(),
    stop: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
