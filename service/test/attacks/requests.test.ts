/*
 * Before anybody had signed in, a request could have 24 MB of it read and unpacked, nested until the parser
 * ran out of stack, and parsed; a page key of 52 letters stopped the process for good; another site's page
 * could have questions answered in a visitor's browser, and a rebound name could ask anything.
 */
import { request, type IncomingMessage } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import { expect } from 'chai';
import express, { type ErrorRequestHandler, type RequestHandler } from 'express';
import fc from 'fast-check';
import { pageKey, routes, spotKey, usualMost } from '@orbis/contract';
import { knownHosts } from '../../src/http/guard.ts';
import { depthOf } from '../../src/json-depth.ts';
import { startTestOrbis, type TestOrbis } from '../support/orbis.ts';

interface Answered {
  status: number;
  headers: IncomingMessage['headers'];
  body: string;
}

describe('attack: requests', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(() => test.stop());

  const ask = (
    path: string,
    {
      method = 'GET',
      headers = {},
      body,
    }: { method?: string; headers?: Record<string, string>; body?: string | Buffer } = {},
  ): Promise<Answered> =>
    new Promise((resolve, reject) => {
      const { host, port } = new URL(test.url);
      const sent = request(
        { host: '127.0.0.1', port, path, method, headers: { host, ...headers } },
        (response) => {
          let text = '';
          response.on('data', (chunk: Buffer) => void (text += chunk.toString()));
          response.on('end', () =>
            resolve({ status: response.statusCode!, headers: response.headers, body: text }),
          );
        },
      );
      sent.on('error', reject);
      sent.end(body);
    });
  const own = () => ({ 'authorization': `Bearer ${test.token}`, 'content-type': 'application/json' });
  const codeOf = ({ body }: Answered): string => (JSON.parse(body) as { code: string }).code;

  it('is answered before anything that was sent is read, where nobody is signed in', async () => {
    const { port, host } = new URL(test.url);
    const answer = await new Promise<string>((resolve, reject) => {
      const socket = connect(Number(port), '127.0.0.1');
      // Of a body of 20 MB only the first bytes ever come: whoever waited for the rest would wait for ever.
      socket.write(
        `POST /api/v1/imports HTTP/1.1\r\nHost: ${host}\r\nContent-Type: application/json\r\nContent-Length: 20000000\r\n\r\n{"items":[`,
      );
      socket.once('data', (chunk) => resolve(chunk.toString()));
      socket.once('error', reject);
      setTimeout(() => reject(new Error('no answer')), 5000);
    });
    expect(answer)
      .to.match(/^HTTP\/1\.1 401 /)
      .and.match(/connection: close/i);
  });

  it('is not read beyond what its operation can need', async () => {
    const large = JSON.stringify({ name: 'x'.repeat(usualMost), password: 'y' });
    const refused = await ask('/api/v1/tokens', { method: 'POST', headers: own(), body: large });
    expect([refused.status, codeOf(refused)]).to.deep.equal([413, 'too-large']);
    for (const [name, route] of Object.entries(routes) as [string, { body?: unknown; most?: number }][])
      if (route.body) expect(route.most ?? usualMost, name).to.be.at.most(24 * 1024 * 1024);
    const few = (Object.entries(routes) as [string, { most?: number }][])
      .filter(([, { most }]) => most !== undefined)
      .map(([name]) => name);
    expect(few).to.include('imports.create').and.not.include('session.create');
  });

  it('is not unpacked', async () => {
    const refused = await ask('/api/v1/readings', {
      method: 'POST',
      headers: { ...own(), 'content-encoding': 'gzip' },
      body: gzipSync('{"text":"x"}'),
    });
    expect([refused.status, codeOf(refused)]).to.deep.equal([415, 'unsupported-encoding']);
  });

  it('is not parsed where it nests deeper than anything that is taken', async () => {
    const refused = await ask('/api/v1/readings', {
      method: 'POST',
      headers: own(),
      body: `{"text":${'['.repeat(200_000)}${']'.repeat(200_000)}}`,
    });
    expect([refused.status, codeOf(refused)]).to.deep.equal([400, 'too-deep']);
  });
  it('has its depth told from its bytes as a parser would tell it', () =>
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const depth = (inner: unknown): number =>
          typeof inner === 'object' && inner !== null
            ? 1 + Math.max(0, ...Object.values(inner).map(depth))
            : 0;
        expect(depthOf(Buffer.from(JSON.stringify(value)))).to.equal(depth(value));
      }),
    ));

  for (const [label, body] of [
    ['bytes that are no UTF-8', Buffer.from([0x22, 0xff, 0x22])],
    ['half of something', '{"text":'],
    ['nothing', ''],
    ['another language', 'text=1'],
  ] as [string, string | Buffer][])
    it(`is refused as no JSON: ${label}`, async () => {
      const refused = await ask('/api/v1/readings', { method: 'POST', headers: own(), body });
      expect([refused.status, codeOf(refused)]).to.deep.equal([400, 'not-json']);
    });

  it('is held against no pattern that takes long: a page key of any length is told at once', async () => {
    const begun = performance.now();
    for (const schema of [pageKey, spotKey])
      for (const end of ['?', '/?', '//', '#', '#!'])
        expect(schema.safeParse(`h/${'a'.repeat(380)}${end}`).success).to.equal(false);
    const refused = await ask('/api/v1/pages', {
      method: 'POST',
      headers: own(),
      body: JSON.stringify({ key: `h/${'a'.repeat(52)}?`, title: 'T' }),
    });
    expect(codeOf(refused)).to.equal('bad-request');
    // It took minutes, and then hours: this is no figure of speed.
    expect(performance.now() - begun).to.be.below(60_000);
  });

  for (const [method, path] of [
    ['GET', '/api/v1/embeds'],
    ['GET', '/api/v1/session'],
    ['GET', '/api/openapi.json'],
    ['HEAD', '/api/v1/embeds'],
    ['DELETE', '/api/v1/session'],
    ['POST', '/api/v1/session'],
  ] as const)
    it(`is refused when a page of another site makes it: ${method} ${path}`, async () => {
      for (const foreign of [
        { 'sec-fetch-site': 'cross-site' },
        { 'sec-fetch-site': 'same-site' },
        { origin: 'http://elsewhere.localhost' },
        { origin: 'null' },
      ] as Record<string, string>[])
        expect(
          (await ask(path, { method, headers: { ...own(), ...foreign } })).status,
          JSON.stringify(foreign),
        ).to.equal(403);
    });
  it('is taken from the console’s own pages, and from an address that somebody typed', async () => {
    for (const site of ['same-origin', 'none'])
      expect(
        (await ask('/api/v1/embeds', { headers: { ...own(), 'sec-fetch-site': site } })).status,
      ).to.equal(200);
  });

  it('reaches nothing by a name that is not ours', async () => {
    for (const host of [
      'evil.example',
      'orbis.localhost.evil.example',
      'orbis.localhost:1',
      '127.0.0.1.evil.example',
    ]) {
      for (const path of ['/', '/api/v1/embeds', '/api/v1/health/live', '/sign-in']) {
        const refused = await ask(path, { headers: { ...own(), host } });
        expect([refused.status, codeOf(refused)], `${host} ${path}`).to.deep.equal([421, 'unknown-host']);
      }
    }
  });
  it('on this machine’s own names reaches the interface, and leads pages to the console’s host', async () => {
    const { port } = new URL(test.url);
    for (const host of [`localhost:${port}`, `127.0.0.1:${port}`, `[::1]:${port}`]) {
      expect((await ask('/api/v1/embeds', { headers: { ...own(), host } })).status).to.equal(200);
      const led = await ask('/sign-in?back=%2Fregister', { headers: { host } });
      expect([led.status, led.headers.location]).to.deep.equal([307, `${test.url}/sign-in?back=%2Fregister`]);
    }
  });

  it('through a proxy is known by the name that the proxy was asked by, where it is trusted, and never led in a circle', async () => {
    const through = async (trusted: number, headers: Record<string, string>): Promise<number> => {
      const app = express();
      app.set('trust proxy', trusted);
      app.use(
        knownHosts(() => ({ console: 'https://orbis.example' }), trusted),
        ((_request, response) => void response.send('in')) as RequestHandler,
        ((_error, _request, response, _next) => void response.status(421).end()) as ErrorRequestHandler,
      );
      const server = app.listen(0, '127.0.0.1');
      await new Promise((resolve) => server.once('listening', resolve));
      const status = await new Promise<number>((resolve, reject) => {
        const sent = request(
          { host: '127.0.0.1', port: (server.address() as AddressInfo).port, path: '/sign-in', headers },
          (response) => {
            response.resume();
            resolve(response.statusCode!);
          },
        );
        sent.on('error', reject);
        sent.end();
      });
      server.closeAllConnections();
      server.close();
      return status;
    };
    for (const [trusted, headers, status] of [
      [1, { host: 'orbis.example' }, 200],
      [1, { 'host': '127.0.0.1:7420', 'x-forwarded-host': 'orbis.example' }, 200],
      [1, { host: '127.0.0.1:7420' }, 200],
      [1, { host: 'evil.example' }, 421],
      [1, { 'host': '127.0.0.1:7420', 'x-forwarded-host': 'evil.example' }, 421],
      [0, { 'host': '127.0.0.1:7420', 'x-forwarded-host': 'orbis.example' }, 307],
      [0, { 'host': 'evil.example', 'x-forwarded-host': 'orbis.example' }, 421],
    ] as [number, Record<string, string>, number][])
      expect(await through(trusted, headers), `${trusted} ${JSON.stringify(headers)}`).to.equal(status);
  });

  it('for an address that nobody has is answered so', async () => {
    for (const path of ['/api/v1/nothing', '/api/nothing', '/api']) {
      const { status, headers } = await ask(path);
      expect([status, headers['content-type']], path).to.deep.equal([
        404,
        'application/problem+json; charset=utf-8',
      ]);
    }
    for (const path of ['/nothing', '/sweeps/nothing', '/.env', '/wp-login.php', '/%E0%A4%A'])
      expect((await ask(path)).status, path).to.be.oneOf([400, 404]);
    for (const path of ['/', '/register', '/collection/opening-talk', '/register/'])
      expect((await ask(path)).status, path).to.be.oneOf([200, 503]);
  });

  it('for what every site has is answered', async () => {
    expect((await ask('/robots.txt')).body).to.equal('User-agent: *\nDisallow: /\n');
    const { status, headers } = await ask('/favicon.ico');
    expect([status, headers['content-type']]).to.deep.equal([200, 'image/svg+xml']);
    const security = await ask('/.well-known/security.txt');
    expect(security.headers['content-type']).to.match(/^text\/plain/);
    expect(security.body).to.match(/^Contact: mailto:security@orbis\.localhost$/m);
    const expires = new Date(/^Expires: (\S+)$/m.exec(security.body)![1]!).getTime() - Date.now();
    // RFC 9116, section 2.5.5: less than a year.
    expect(expires).to.be.within(86_400_000 * 100, 86_400_000 * 364);
  });
});
