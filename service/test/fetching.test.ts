import { brotliCompressSync, deflateSync, gzipSync } from 'node:zlib';
import { createServer, type RequestListener, type Server } from 'node:http';
import { createServer as createSafeServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { generate } from 'selfsigned';
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
  const read = (path = '/', declared = [origin]): Promise<{ text: string; url: string }> =>
    fetching.readPage(origin + path, declared);
  const refusal = async (work: Promise<unknown>): Promise<string> => {
    const error = await work.catch((reason: unknown) => reason);
    expect(error).to.be.instanceOf(FetchFailure);
    return (error as FetchFailure).message;
  };

  it('reads a declared site wherever it is, past every cache', async () => {
    let headers: Record<string, unknown> = {};
    answer = (request, response) => {
      headers = request.headers;
      response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end('<p>ü</p>');
    };
    expect((await read()).text).to.equal('<p>ü</p>');
    expect(headers).to.include({ 'cache-control': 'no-cache', 'pragma': 'no-cache' });
    expect(headers['user-agent']).to.match(/^Orbis\//);
    expect(headers).not.to.have.property('cookie');
  });

  const tricks: [label: string, address: string][] = [
    ['loopback by name', 'http://other.localhost/'],
    ['the bare name', 'http://localhost/'],
    ['the name with a dot', 'http://localhost./'],
    ['a name below it with a dot', 'http://a.b.localhost./'],
    ['upper case', 'http://LOCALHOST/'],
    ['loopback by number', 'http://127.0.0.1/'],
    ['another of loopback', 'http://127.8.8.8/'],
    ['loopback, short', 'http://127.1/'],
    ['loopback, three parts', 'http://127.0.1/'],
    ['with a dot behind', 'http://127.0.0.1./'],
    ['the number in one', 'http://2130706433/'],
    ['hexadecimal in one', 'http://0x7f000001/'],
    ['octal in one', 'http://017700000001/'],
    ['octal parts', 'http://0177.0.0.1/'],
    ['octal with zeros', 'http://0000177.0.0.01/'],
    ['hexadecimal parts', 'http://0x7f.0x0.0x0.0x1/'],
    ['mixed notation', 'http://0x7f.0.01/'],
    ['mixed, other way round', 'http://0177.0x0.1/'],
    ['hexadecimal, upper case', 'http://0X7F.1/'],
    ['full-width digits', 'http://１２７.０.０.１/'],
    ['full-width dots', 'http://127。0。0。1/'],
    ['circled digits', 'http://①②⑦.⓪.⓪.①/'],
    ['escaped digits', 'http://%31%32%37.0.0.1/'],
    ['an escaped dot', 'http://127%2E0%2E0%2E1/'],
    ['nothing', 'http://0.0.0.0/'],
    ['nothing, short', 'http://0/'],
    ['of this network', 'http://0.1.2.3/'],
    ['ten', 'http://10.0.0.1/'],
    ['ten as a number', 'http://167772161/'],
    ['172.16', 'http://172.16.0.1/'],
    ['172.31', 'http://172.31.255.254/'],
    ['192.168', 'http://192.168.1.1/'],
    ['192.168 in hexadecimal', 'http://0xc0a80101/'],
    ['a carrier’s network', 'http://100.64.0.1/'],
    ['link-local', 'http://169.254.0.1/'],
    ['the metadata address', 'http://169.254.169.254/latest/'],
    ['the metadata address as a number', 'http://2852039166/'],
    ['multicast', 'http://224.0.0.1/'],
    ['reserved', 'http://240.0.0.1/'],
    ['broadcast', 'http://255.255.255.255/'],
    ['for documentation', 'http://192.0.2.1/'],
    ['for benchmarks', 'http://198.18.0.1/'],
    ['of the protocol', 'http://192.0.0.1/'],
    ['IPv6 loopback', 'http://[::1]/'],
    ['IPv6 loopback, long', 'http://[0:0:0:0:0:0:0:1]/'],
    ['IPv6 loopback, zeros', 'http://[0000:0000::0001]/'],
    ['IPv6 nothing', 'http://[::]/'],
    ['IPv4 in IPv6', 'http://[::ffff:127.0.0.1]/'],
    ['IPv4 in IPv6, hexadecimal', 'http://[::ffff:7f00:1]/'],
    ['IPv4 in IPv6, long', 'http://[0:0:0:0:0:ffff:10.0.0.1]/'],
    ['IPv4-compatible', 'http://[::127.0.0.1]/'],
    ['translated', 'http://[64:ff9b::7f00:1]/'],
    ['6to4', 'http://[2002:7f00:1::]/'],
    ['Teredo', 'http://[2001:0:7f00:1::]/'],
    ['IPv6 link-local', 'http://[fe80::1]/'],
    ['IPv6 private', 'http://[fd00::1]/'],
    ['IPv6 private, other half', 'http://[fc00::1]/'],
    ['IPv6 multicast', 'http://[ff02::1]/'],
    ['IPv6 for documentation', 'http://[2001:db8::1]/'],
    ['another port', 'http://site.example:8080/'],
    ['the port of mail', 'http://site.example:25/'],
    ['the other scheme’s port', 'http://site.example:443/'],
    ['another scheme', 'ftp://site.example/'],
    ['a file', 'file:///etc/passwd'],
    ['data', 'data:text/html,x'],
    ['a script', 'javascript:1'],
    ['a password', 'http://a:b@site.example/'],
    ['a name before the host', 'http://site.example@127.0.0.1/'],
    ['only a name', 'http://a@site.example/'],
  ];
  it('has at least sixty tricks to refuse', () =>
    expect(new Set(tricks.map(([, address]) => address)).size).to.be.at.least(60));
  for (const [label, address] of tricks) {
    it(`refuses ${label} where it is not declared: ${address}`, async () => {
      const error = await refusal(fetching.readPage(address, [origin]));
      expect(error).to.match(/public internet|port of its own|not read|there is no host/);
      // What is behind an address is nobody's matter.
      expect(error).not.to.match(/nothing answers|did not answer/);
    });
  }

  it('dials the address that it checked, whatever the name says a moment later', async () => {
    const answers = [['93.184.215.14'], ['127.0.0.1']];
    let asked = 0;
    const rebinding = createFetching({
      allowPrivate: false,
      seconds: 1,
      resolve: () =>
        Promise.resolve(
          (answers[Math.min(asked++, 1)] ?? []).map((address) => ({ address, family: 4 as const })),
        ),
    });
    const first = await refusal(rebinding.get('http://turning.example/', { declared: [], accept: '*/*' }));
    expect(first).not.to.include('public internet');
    expect(asked).to.equal(1);
    expect(
      await refusal(rebinding.get('http://turning.example/', { declared: [], accept: '*/*' })),
    ).to.include('public internet');
    await rebinding.close();
  });

  it('refuses a name of which any address is private', async () => {
    const both = createFetching({
      allowPrivate: false,
      seconds: 1,
      resolve: () =>
        Promise.resolve([
          { address: '93.184.215.14', family: 4 },
          { address: '::1', family: 6 },
        ]),
    });
    expect(await refusal(both.readPage('http://both.example/', []))).to.include('public internet');
    await both.close();
  });

  it('measures what it reads after decompression, and never waits for headers without an end', async () => {
    const bomb = gzipSync(Buffer.alloc(2_000_000));
    expect(bomb.length).to.be.below(10_000);
    answer = (_request, response) =>
      response.writeHead(200, { ...html, 'content-encoding': 'gzip' }).end(bomb);
    expect(await refusal(read())).to.include('more than');
    answer = (_request, response) => {
      response.writeHead(200, html);
      const drip = setInterval(() => response.write('x'), 50);
      response.on('close', () => clearInterval(drip));
    };
    expect(await refusal(read())).to.include('did not answer within 1 seconds');
    answer = (_request, response) => response.writeHead(200, { ...html, 'x-much': 'y'.repeat(60_000) }).end();
    expect(await refusal(read())).to.match(/could not be read|broke/);
  });

  const umlaut = { latin: Buffer.from([0x3c, 0x70, 0x3e, 0xfc]), utf8: Buffer.from('<p>ü') };
  for (const [label, type, body, text] of [
    [
      'its byte-order mark, whatever else is said',
      'text/html; charset=iso-8859-1',
      Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), umlaut.utf8]),
      '<p>ü',
    ],
    ['its header', 'text/html; charset=iso-8859-2', Buffer.from([0xe6]), 'ć'],
    [
      'its header, before its meta',
      'text/html; charset=utf-8',
      Buffer.concat([Buffer.from('<meta charset=iso-8859-1>'), umlaut.utf8]),
      '<meta charset=iso-8859-1><p>ü',
    ],
    [
      'its meta',
      'text/html',
      Buffer.concat([Buffer.from('<meta charset=utf-8>'), umlaut.utf8]),
      '<meta charset=utf-8><p>ü',
    ],
    [
      'its older meta',
      'text/html',
      Buffer.concat([
        Buffer.from('<meta http-equiv=content-type content="text/html; charset=windows-1251">'),
        Buffer.from([0xe6]),
      ]),
      '<meta http-equiv=content-type content="text/html; charset=windows-1251">ж',
    ],
    ['what browsers take where nothing is said', 'text/html', umlaut.latin, '<p>ü'],
    [
      'two bytes a character',
      'text/html',
      Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('<p>ü', 'utf16le')]),
      '<p>ü',
    ],
    ['several bytes a character', 'text/html; charset=shift_jis', Buffer.from([0x90, 0xaf]), '星'],
    ['an encoding that nobody knows', 'text/html; charset=klingon', umlaut.latin, '<p>ü'],
  ] as [string, string, Buffer, string][])
    it(`reads a page in the encoding of ${label}`, async () => {
      answer = (_request, response) => response.writeHead(200, { 'content-type': type }).end(body);
      expect((await read()).text).to.equal(text);
    });

  for (const [encoding, pack] of [
    ['gzip', gzipSync],
    ['br', brotliCompressSync],
    ['deflate', deflateSync],
  ] as [string, (bytes: Buffer) => Buffer][]) {
    it(`takes an answer for a page only where it is whole: ${encoding}`, async () => {
      const page = Buffer.from(`<p>${'the night sky '.repeat(200)}</p>`);
      answer = (_request, response) =>
        response.writeHead(200, { ...html, 'content-encoding': encoding }).end(pack(page));
      expect((await read()).text).to.equal(page.toString());
      const packed = pack(page);
      answer = (_request, response) =>
        response
          .writeHead(200, { ...html, 'content-encoding': encoding })
          .end(packed.subarray(0, packed.length - 10));
      expect(await refusal(read())).to.include('broke its answer off in the middle');
      answer = (_request, response) =>
        response.writeHead(200, { ...html, 'content-encoding': encoding }).end('<p>not packed at all</p>');
      expect(await refusal(read())).to.include('packed it wrongly');
    });
  }
  it('takes no answer that is shorter than it says, or packed in a way that it does not know', async () => {
    answer = (_request, response) => {
      response.writeHead(200, { ...html, 'content-length': 100 });
      response.write('<p>half');
      setTimeout(() => response.destroy(), 20);
    };
    expect(await refusal(read())).to.match(/broke/);
    for (const encoding of ['zstd', 'constructor', 'gzip, gzip, gzip']) {
      answer = (_request, response) =>
        response.writeHead(200, { ...html, 'content-encoding': encoding }).end('x');
      expect(await refusal(read()), encoding).to.include('packs its answer');
    }
  });

  it('is not led from https: to http:, nor to a scheme that it does not read', async () => {
    for (const location of [
      'file:///etc/passwd',
      'ftp://site.example/',
      'http://a:b@site.example/',
      'http://[::1]/',
      '//127.0.0.1/',
    ]) {
      answer = (_request, response) => response.writeHead(302, { location }).end();
      expect(await refusal(read()), location).to.match(/not read|public internet/);
    }
  });

  it('checks every hop of a redirect anew', async () => {
    answer = (request, response) =>
      request.url === '/'
        ? response.writeHead(302, { location: '/there' }).end()
        : response.writeHead(200, html).end('there');
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

  it('asks once more where a connection that was kept open turns out to be closed, and not for ever', async () => {
    const asked = new Map<unknown, number>();
    // A server lets go of a connection at the moment in which the next question comes by it.
    answer = (request, response) => {
      const times = (asked.get(request.socket) ?? 0) + 1;
      asked.set(request.socket, times);
      if (times > 1) request.socket.destroy();
      else response.writeHead(200, html).end('<p>x</p>');
    };
    for (let i = 0; i < 3; i++) expect((await read()).text).to.equal('<p>x</p>');
    expect(
      [...asked.values()].filter((times) => times > 1).length,
      'connections were used again',
    ).to.be.at.least(1);
    let times = 0;
    answer = (request) => void (times++, request.socket.destroy());
    expect(await refusal(read())).to.include('broke the connection off');
    expect(times).to.equal(2);
  });

  it('knows public addresses from all others', () => {
    for (const address of ['93.184.215.14', '2606:2800:21f::1'])
      expect(isPublic(address), address).to.equal(true);
    for (const address of [
      '0.0.0.0',
      '127.1.2.3',
      '192.168.1.1',
      '172.16.0.1',
      '100.64.0.1',
      '224.0.0.1',
      '::',
      'fe80::1',
      'fd00::1',
      '::ffff:10.0.0.1',
      '::10.0.0.1',
      'fec0::1',
      '4000::1',
      '64:ff9b::1',
      'nonsense',
    ])
      expect(isPublic(address), address).to.equal(false);
  });

  describe('asks a site that is not declared what programs may read', () => {
    let strange: Fetching;
    let asked: string[];
    beforeEach(() => {
      // Another one each time: what a site asks for is remembered.
      strange = createFetching({ allowPrivate: true, seconds: 1 });
      asked = [];
    });
    afterEach(() => strange.close());
    const site = (robots: [status: number, text: string]): void => {
      answer = (request, response) => {
        asked.push(request.url!);
        if (request.url === '/robots.txt')
          return void response.writeHead(robots[0], { 'content-type': 'text/plain' }).end(robots[1]);
        response.writeHead(200, html).end(`<p>${request.url}</p>`);
      };
    };
    for (const [label, robots, path, allowed] of [
      ['no file', [404, ''], '/a', true],
      ['a file that is forbidden', [403, ''], '/a', true],
      ['an empty file', [200, ''], '/a', true],
      ['everything', [200, 'User-agent: *\nDisallow: /'], '/a', false],
      [
        'everything, to us alone',
        [200, 'User-agent: orbis\nDisallow: /\n\nUser-agent: *\nAllow: /'],
        '/a',
        false,
      ],
      ['everything, to others alone', [200, 'User-agent: Orbital\nDisallow: /'], '/a', true],
      ['another path', [200, 'User-agent: *\nDisallow: /private/'], '/a', true],
      [
        'this path, but for a part of it',
        [200, 'User-agent: *\nDisallow: /old/\nAllow: /old/open'],
        '/old/open',
        true,
      ],
      ['by a star', [200, 'User-agent: *\nDisallow: /*?print'], '/a?print', false],
      ['words', [200, '<html>no rules</html>'], '/a', true],
      ['nothing, as it is broken', [503, ''], '/a', false],
    ] as [string, [number, string], string, boolean][])
      it(`${label}: ${allowed ? 'reads' : 'leaves it alone'}`, async () => {
        site(robots);
        const work = strange.readPage(origin + path, []);
        if (allowed) expect((await work).text).to.equal(`<p>${path}</p>`);
        else expect(await refusal(work)).to.include('robots.txt');
        expect(asked).to.deep.equal(allowed ? ['/robots.txt', path] : ['/robots.txt']);
      });

    it('once for many pages, and never of a declared site or for a link that an owner gave', async () => {
      site([200, 'User-agent: *\nDisallow: /private']);
      await strange.readPage(`${origin}/a`, []);
      await strange.readPage(`${origin}/b`, []);
      expect(await refusal(strange.readPage(`${origin}/private`, []))).to.include('robots.txt');
      await strange.readPage(`${origin}/private`, [origin]);
      await strange.get(`${origin}/private`, { declared: [], accept: '*/*' });
      expect(asked).to.deep.equal(['/robots.txt', '/a', '/b', '/private', '/private']);
    });

    it('also of the site that a page leads to', async () => {
      answer = (request, response) => {
        if (request.url === '/robots.txt')
          return void response
            .writeHead(200)
            .end(request.headers.host!.startsWith('other.') ? 'User-agent: *\nDisallow: /' : '');
        if (request.url === '/leads')
          return void response.writeHead(302, { location: origin.replace('site.', 'other.') }).end();
        response.writeHead(200, html).end('<p>x</p>');
      };
      expect(await refusal(strange.readPage(`${origin}/leads`, []))).to.include('robots.txt');
    });
  });

  it('knows when the certificate of a host ends, once it was reached', async () => {
    const ends = new Date('2036-07-01T12:00:00.000Z');
    const certificate = await generate([{ name: 'commonName', value: 'safe.localhost' }], {
      notAfterDate: ends,
      extensions: [{ name: 'subjectAltName', altNames: [{ type: 2, value: 'safe.localhost' }] }],
    });
    const safe = createSafeServer(
      { key: certificate.private, cert: certificate.cert },
      (_request, response) => response.writeHead(200, html).end('<p>Safe</p>'),
    );
    await new Promise<void>((resolve) => safe.listen(0, '127.0.0.1', resolve));
    const address = `https://safe.localhost:${(safe.address() as AddressInfo).port}`;
    const trusting = createFetching({ allowPrivate: false, ca: certificate.cert });
    try {
      expect(trusting.certificateEnds(address)).to.equal(null);
      await trusting.readPage(address, [address]);
      expect(trusting.certificateEnds(`${address}/of/any/page`)).to.deep.equal(ends);
      expect(await refusal(fetching.readPage(address, [address]))).to.match(
        /^the certificate of safe\.localhost:\d+ is not valid\.$/,
      );
    } finally {
      await trusting.close();
      safe.closeAllConnections();
      safe.close();
    }
  });
});
