import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { createFetching, type Fetching } from '../src/fetching/client.ts';
import { isPublic } from '../src/fetching/addresses.ts';
import { FetchFailure } from '../src/fetching/failure.ts';

describe('the guarded client', () => {
  let server: Server;
  let origin: string;
  let answer: RequestListener = (_request, response) => response.end();
  let fetching: Fetching;
  before(async () => {
    server = createServer((request, response) => answer(request, response));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    origin = `http://site.localhost:${(server.address() as AddressInfo).port}`;
    fetching = createFetching({ allowPrivate: false, seconds: 1, bytes: 10_000, redirects: 2 });
  });
  after(async () => {
    await fetching.close();
    server.closeAllConnections();
    server.close();
  });
  const html = { 'content-type': 'text/html' };
  const read = (path = '/', declared = [origin]): Promise<{ text: string; url: string }> => fetching.readPage(origin + path, declared);
  const refusal = async (work: Promise<unknown>): Promise<string> => {
    const error = await work.catch((reason: unknown) => reason);
    expect(error).to.be.instanceOf(FetchFailure);
    return (error as FetchFailure).message;
  };

  it('reads a declared site wherever it is, past every cache', async () => {
    let headers: Record<string, unknown> = {};
    answer = (request, response) => {
      headers = request.headers;
      response.writeHead(200, html).end('<p>ü</p>');
    };
    expect((await read()).text).to.equal('<p>ü</p>');
    expect(headers).to.include({ 'cache-control': 'no-cache', 'pragma': 'no-cache' });
    expect(headers['user-agent']).to.match(/^Orbis\//);
    expect(headers).not.to.have.property('cookie');
  });

  for (const [label, address] of [
    ['loopback by name', 'http://other.localhost/'],
    ['loopback by number', 'http://127.0.0.1/'],
    ['a private network', 'http://10.0.0.1/'],
    ['IPv6 loopback', 'http://[::1]/'],
    ['IPv4 in IPv6', 'http://[::ffff:127.0.0.1]/'],
    ['the number in one', 'http://2130706433/'],
    ['octal', 'http://0177.0.0.1/'],
    ['link-local', 'http://169.254.169.254/'],
    ['another port', 'http://site.example:8080/'],
    ['another scheme', 'ftp://site.example/'],
    ['a password', 'http://a:b@site.example/'],
  ] as const) {
    it(`refuses ${label} where it is not declared`, async () => expect(await refusal(fetching.readPage(address, [origin]))).to.match(/public internet|port of its own|not read/));
  }

  it('checks every hop of a redirect anew', async () => {
    answer = (request, response) => (request.url === '/' ? response.writeHead(302, { location: '/there' }).end() : response.writeHead(200, html).end('there'));
    expect(await read()).to.include({ text: 'there', url: `${origin}/there` });
    answer = (_request, response) => response.writeHead(302, { location: 'http://127.0.0.1:1/' }).end();
    expect(await refusal(read())).to.include('127.0.0.1:1');
    answer = (request, response) => response.writeHead(302, { location: `${request.url}x` }).end();
    expect(await refusal(read())).to.include('more than 2 times');
  });

  for (const [label, listener, said] of [
    ['an error', (_q, r) => r.writeHead(404, html).end(), 'answers 404'],
    ['another type', (_q, r) => r.writeHead(200, { 'content-type': 'image/png' }).end('x'), 'image/png'],
    ['too much', (_q, r) => r.writeHead(200, html).end('x'.repeat(20_000)), 'more than'],
    ['no answer', () => {}, 'did not answer within 1 seconds'],
    ['a connection that breaks', (_q, r) => r.destroy(), 'broke the connection off'],
  ] as [string, RequestListener, string][]) {
    it(`says what happened: ${label}`, async () => {
      answer = listener;
      expect(await refusal(read())).to.include(said);
    });
  }

  it('knows public addresses from all others', () => {
    for (const address of ['93.184.215.14', '2606:2800:21f::1']) expect(isPublic(address), address).to.equal(true);
    for (const address of ['0.0.0.0', '127.1.2.3', '192.168.1.1', '172.16.0.1', '100.64.0.1', '224.0.0.1', '::', 'fe80::1', 'fd00::1', '::ffff:10.0.0.1', 'nonsense'])
      expect(isPublic(address), address).to.equal(false);
  });
});
