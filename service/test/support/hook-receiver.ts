import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';

/** What came to a webhook. */
export interface Received {
  headers: Readonly<Record<string, string>>;
  body: string;
  /** Whether it is signed by the key, as it came. */
  isSigned(key: string): boolean;
}

/** A program that takes events, checks their signatures, and answers as a test wants it to. */
export interface HookReceiver {
  address: string;
  port: number;
  received: Received[];
  /** The status of its next answers; 0 hangs up in the middle. */
  answers: number;
  /** Further headers of its answers. */
  says: Record<string, string>;
  stop(): Promise<void>;
}

export async function startHookReceiver({ port = 0 }: { port?: number } = {}): Promise<HookReceiver> {
  const server = createServer((request, response) => {
    const chunks: Buffer[] = [];
    request.on('data', (chunk: Buffer) => chunks.push(chunk));
    request.on('end', () => {
      const body = Buffer.concat(chunks).toString();
      const headers = request.headers as Record<string, string>;
      const address = `http://${headers['host']}${request.url}`;
      const isSigned = (key: string): boolean => checked({ headers, body, address }, key);
      made.received.push({ headers, body, isSigned });
      if (made.answers === 0) request.socket.destroy();
      else response.writeHead(made.answers, made.says).end();
    });
  });
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  const at = (server.address() as AddressInfo).port;
  const made: HookReceiver = {
    address: `http://hooks.localhost:${at}/news`,
    ...{ port: at, received: [], answers: 204, says: {} },
    stop: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
  return made;
}

/* Written from RFC 9421 (sections 2.5 and 3.2) and RFC 9530 alone, without what signs. */
function checked(
  { headers, body, address }: { headers: Record<string, string>; body: string; address: string },
  key: string,
): boolean {
  const digest = `sha-256=:${createHash('sha256').update(body).digest('base64')}:`;
  if (headers['content-digest'] !== digest) return false;
  const params = /^orbis=(\(.*)$/.exec(headers['signature-input'] ?? '')?.[1];
  const sent = /^orbis=:([A-Za-z0-9+/=]+):$/.exec(headers['signature'] ?? '')?.[1];
  if (params === undefined || sent === undefined) return false;
  const covered = [...params.slice(0, params.indexOf(')')).matchAll(/"([^"]+)"/g)].map((found) => found[1]!);
  for (const needed of ['@method', '@target-uri', 'content-type', 'content-digest'])
    if (!covered.includes(needed)) return false;
  const values: Record<string, string> = { ...headers, '@method': 'POST', '@target-uri': address };
  const base = [
    ...covered.map((name) => `"${name}": ${values[name]}`),
    `"@signature-params": ${params}`,
  ].join('\n');
  const mac = createHmac('sha256', key).update(base).digest();
  const given = Buffer.from(sent, 'base64');
  return given.length === mac.length && timingSafeEqual(given, mac);
}
