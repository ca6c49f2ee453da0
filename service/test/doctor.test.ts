/* The examination of an installation: each fault is made, and found. */
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request as forward, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo, LookupFunction } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { generate } from 'selfsigned';
import { doctorCodes, spoken, type Diagnosis, type DoctorCode } from '@orbis/contract';
import { lookAtConsole, lookAtFrames } from '../src/doctor/addresses.ts';
import { lookAtBrowser, lookAtCopies, lookAtMail, lookAtProxy } from '../src/doctor/around.ts';
import { lookAtCertificates } from '../src/doctor/certificates.ts';
import { lookAtClock, lookAtDatabase, lookAtTables } from '../src/doctor/database.ts';
import { lookAtDisk } from '../src/doctor/disk.ts';
import { nodesOf } from '../src/database/nodes.ts';
import { createMailer } from '../src/news/mailer.ts';
import { originsOf, type Origins } from '../src/origins.ts';
import { freePort } from './support/free-port.ts';
import { startMailServer } from './support/mail-server.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';

const day = 86_400_000;
const of = ({ code, state }: Diagnosis): string => `${state} ${code}`;

describe('what the examination finds', () => {
  it('has words for each thing, what to do wherever something is not well, and each check a name', () => {
    for (const code of Object.keys(doctorCodes) as DoctorCode[]) {
      const { said, todo } = spoken.doctor.found[code];
      expect(said({}), code).to.match(/[.:]$|undefined$/);
      expect(spoken.doctor.names[doctorCodes[code]], code).to.be.a('string');
      if (/away|other|else|full|low|over|untrusted|fault|off|late|failed|untold/.test(code))
        expect(todo({}), code).to.match(/\.$/);
    }
  });

  it('of the disk is its room, in the worst of the folders', () => {
    const rooms: Record<string, number> = { '/': 50e9, '/tmp': 1.2e9 };
    const look = (...folders: string[]) => lookAtDisk(folders, (folder) => rooms[folder]!);
    expect(of(look('/'))).to.equal('well disk-well');
    const low = look('/', '/tmp', '/not/there');
    expect(of(low)).to.equal('warning disk-low');
    expect(low.said).to.equal('Only 1.2 GB are free in /tmp.');
    rooms['/tmp'] = 120e6;
    expect(of(look('/', '/tmp'))).to.equal('fault disk-full');
    expect(lookAtDisk(['/']).facts['free']).to.match(/ [GM]B$/);
  });

  it('of a proxy is whether it was told of, and whether it passes on who asks', () => {
    const look = (home: string | undefined, trusted: number, address: string) =>
      of(lookAtProxy({ ORBIS_PUBLIC_URL: home, ORBIS_TRUST_PROXY: trusted }, address));
    expect(look(undefined, 0, '127.0.0.1')).to.equal('well proxy-none');
    expect(look('https://orbis.example', 0, '127.0.0.1')).to.equal('fault proxy-untold');
    expect(look('https://orbis.example', 1, '198.51.100.7')).to.match(/proxy-(?:well|hides)$/);
    expect(look('https://orbis.example', 1, '8.8.4.4')).to.equal('well proxy-well');
    for (const address of ['127.0.0.1', '::1', '10.0.0.7', '::ffff:192.168.1.4', 'nonsense'])
      expect(look('https://orbis.example', 1, address), address).to.equal('note proxy-hides');
  });

  it('of the browser is whether it starts', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    const program = join(folder, 'browser');
    writeFileSync(program, '#!/bin/sh\necho "libnss3.so: cannot open" >&2\nexit 127\n');
    chmodSync(program, 0o755);
    const fault = await lookAtBrowser({ ORBIS_CHROMIUM: program });
    expect(of(fault)).to.equal('fault browser-fault');
    expect(fault.said).to.include('libnss3.so: cannot open');
    writeFileSync(program, '#!/bin/sh\necho 1\n');
    expect(of(await lookAtBrowser({ ORBIS_CHROMIUM: program }))).to.equal('well browser-well');
    expect(of(await lookAtBrowser({ ORBIS_CHROMIUM: 'none' }))).to.equal('note browser-none');
    rmSync(folder, { recursive: true });
  });

  it('of mail is whether the server takes it', async () => {
    const server = await startMailServer();
    const look = async (url: string) => {
      const mailer = createMailer(url, () => 'Orbis <orbis@hollinfell.example>');
      const diagnosis = await lookAtMail(mailer, { ORBIS_SMTP_URL: url });
      mailer.close();
      return diagnosis;
    };
    expect(of(await look(server.url))).to.equal('well mail-well');
    await server.stop();
    expect(of(await look(server.url))).to.equal('fault mail-fault');
    expect(of(await lookAtMail(null, { ORBIS_SMTP_URL: undefined }))).to.equal('note mail-none');
  });

  it('of safety copies is how it stands with them', () => {
    const standing = {
      ...{ folder: '/srv/copies', at: '03:30', keep: null, encrypted: false, readBack: 'each' as const },
      ...{ lastAt: '2026-11-30T03:30:00.000Z', lastReadBack: true, nextAt: null },
    };
    const all = (['off', 'none', 'good', 'late', 'failed'] as const).map((each) =>
      lookAtCopies({ ...standing, standing: each }, 'The disk is full.'),
    );
    expect(all.map(of)).to.deep.equal([
      ...[
        'warning copies-off',
        'note copies-none',
        'well copies-good',
        'fault copies-late',
        'fault copies-failed',
      ],
    ]);
    expect(all[2]!.said).to.equal('The last one is of 2026-11-30 03:30 UTC, and was read back.');
    const unread = lookAtCopies({ ...standing, standing: 'good', lastReadBack: false }, '');
    expect(unread.said).to.equal('The last one is of 2026-11-30 03:30 UTC.');
    expect(all[4]!.said).to.equal('The last one failed: The disk is full.');
  });
});

describe('an installation', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(() => test.stop());

  it('that is used on its own machine is well, as far as it can be there', async () => {
    const { data } = await test.client.call('doctor.read');
    expect(data.checks.map(of)).to.deep.equal([
      ...['well database-well', 'well tables-well', data.checks[2] && of(data.checks[2])],
      ...['well clock-well', 'note console-local', 'note frames-local', 'well certificates-none'],
      ...['well proxy-none', 'note mail-none', 'well browser-well', 'warning copies-off'],
    ]);
    expect(data.checks[2]!.code).to.match(/^disk-/);
  });

  it('has a database that is slow, tables that are half changed, and a clock that is off', async () => {
    const { db, nodes } = test.orbis.connection;
    expect(of(await lookAtDatabase({ db, nodes }))).to.equal('well database-well');
    const several = nodesOf('mysql://db1.example,db2.example:3307/orbis');
    const first = await lookAtDatabase({ db, nodes: several });
    expect([of(first), first.said]).to.deep.equal([
      'well database-well',
      `It answers in ${first.facts['ms']} ms (${first.facts['server']}), by the first of 2 hosts.`,
    ]);
    several.leave(0);
    const other = await lookAtDatabase({ db, nodes: several });
    expect(of(other)).to.equal('warning database-other-host');
    expect(other.said).to.match(
      /, by db2\.example:3307: this process has left db1\.example:3306 at \d{4}-\d\d-\d\d \d\d:\d\d UTC, as/,
    );
    const slowly = new Proxy(db, {
      get: (target, name) =>
        name === 'execute'
          ? async (query: never) => {
              await new Promise((resolve) => setTimeout(resolve, 250));
              return target.execute(query);
            }
          : (Reflect.get(target, name) as unknown),
    });
    const slow = await lookAtDatabase({ db: slowly, nodes });
    expect(of(slow)).to.equal('warning database-slow');
    expect(slow.facts['ms']).to.be.at.least(240);

    await db.execute('update migration set done_at = null where statement = 0 limit 2');
    expect(of(await lookAtTables(db, '0.1.0'))).to.equal('fault tables-unfinished');
    await db.execute('update migration set done_at = begun_at where done_at is null');
    expect(of(await lookAtTables(db, '0.1.0'))).to.equal('well tables-well');

    expect(of(await lookAtClock(db, () => new Date()))).to.equal('well clock-well');
    const off = await lookAtClock(db, () => new Date(Date.now() - 90_000));
    expect(of(off)).to.equal('fault clock-off');
    expect(off.facts['seconds']).to.be.within(88, 92);
  });
});

describe('the addresses of an installation', () => {
  let test: TestOrbis;
  let proxy: Server;
  let port: number;
  /* How the proxy before it is set up: which name it passes on, and where it leads. */
  let passes: { host: boolean; to: 'console' | 'frames' | 'nowhere' };
  let origins: Origins;
  before(async () => {
    test = await startTestOrbis();
    const framesAt = new URL(test.orbis.origins.framesSource.replace('*', 'x')).port;
    proxy = createServer((incoming, outgoing) => {
      if (passes.to === 'nowhere') return void outgoing.writeHead(404).end('<h1>Welcome</h1>');
      const isFrames = /frames/.test(incoming.headers.host ?? '');
      const to = isFrames && passes.to === 'frames' ? framesAt : new URL(test.url).port;
      const host = isFrames
        ? incoming.headers.host!.replace(/:\d+$/, `:${framesAt}`)
        : new URL(test.url).host;
      forward(
        { port: to, path: incoming.url, headers: passes.host ? { host } : { host: 'upstream.internal' } },
        (answer) => {
          outgoing.writeHead(answer.statusCode!, answer.headers);
          answer.pipe(outgoing);
        },
      ).end();
    });
    await new Promise<void>((resolve) => proxy.listen(0, '127.0.0.1', resolve));
    ({ port } = proxy.address() as AddressInfo);
    origins = originsOf({
      publicUrl: `http://outside.localhost:${port}`,
      framesUrl: `http://*.frames.localhost:${port}`,
      ...{ port: 1, framesPort: 2 },
    });
  });
  after(async () => {
    proxy.close();
    await test.stop();
  });

  const given = { ORBIS_PUBLIC_URL: 'x', ORBIS_FRAMES_URL: 'x' };
  const atConsole = async (version = '0.1.0') => of(await lookAtConsole(origins, given, version));
  const atFrames = async () => of(await lookAtFrames(origins, given));

  it('are well where the proxy passes on names', async () => {
    passes = { host: true, to: 'frames' };
    expect(await atConsole()).to.equal('well console-well');
    expect(await atFrames()).to.equal('well frames-well');
    expect(await atConsole('9.0.0')).to.equal('warning console-other-version');
  });

  it('are found to be asked under another name, or to lead elsewhere', async () => {
    passes = { host: false, to: 'frames' };
    expect(await atConsole()).to.equal('fault console-other-host');
    expect(await atFrames()).to.equal('fault frames-other-host');
    passes = { host: true, to: 'nowhere' };
    expect(await atConsole()).to.equal('fault console-something-else');
    expect(await atFrames()).to.equal('fault frames-something-else');
  });

  it('are found not to answer', async () => {
    const free = await freePort();
    const away = originsOf({
      publicUrl: `http://outside.localhost:${free}`,
      framesUrl: `http://*.frames.localhost:${free}`,
      ...{ port: 1, framesPort: 2 },
    });
    const console_ = await lookAtConsole(away, given, '0.1.0');
    expect(of(console_)).to.equal('fault console-away');
    expect(console_.said).to.equal(
      `Nothing answers at http://outside.localhost:${free}: nothing listens there.`,
    );
    expect(of(await lookAtFrames(away, given))).to.equal('fault frames-away');
  });

  it('share one host where no wildcard is given', async () => {
    passes = { host: true, to: 'frames' };
    const shared = originsOf({
      publicUrl: `http://outside.localhost:${port}`,
      framesUrl: `http://frames.localhost:${port}`,
      ...{ port: 1, framesPort: 2 },
    });
    // What answers there is set up with a wildcard, so it takes this for another name.
    expect(of(await lookAtFrames(shared, given))).to.match(/frames-(?:shared-host|other-host)$/);
    expect(of(await lookAtFrames(origins, { ORBIS_FRAMES_URL: undefined }))).to.equal('note frames-local');
  });
});

describe('certificates', () => {
  /* Node does not find `*.localhost` on loopback by itself. */
  const lookup: LookupFunction = (_host, _options, done) => done(null, [{ address: '127.0.0.1', family: 4 }]);
  const servedWith = async (days: number, notBefore = new Date()) => {
    const pair = await generate([{ name: 'commonName', value: 'orbis.localhost' }], {
      notBeforeDate: notBefore,
      notAfterDate: new Date(Date.now() + days * day),
      extensions: [
        {
          name: 'subjectAltName',
          altNames: ['orbis', 'certificate'].map((name) => ({ type: 2, value: `${name}.localhost` })),
        },
      ],
    });
    const server = createSecureServer({ key: pair.private, cert: pair.cert }, (_request, answer) =>
      answer.end('ok'),
    );
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    const origins = {
      console: `https://orbis.localhost:${port}`,
      previewUrl: (name: string) => `https://${name}.localhost:${port}/`,
    };
    return { origins, cert: pair.cert, stop: () => server.close() };
  };

  it('are found to be over, untrusted, and away', async () => {
    const over = await servedWith(-2, new Date(Date.now() - 90 * day));
    expect(of(await lookAtCertificates(over.origins, new Date(), { lookup }))).to.equal(
      'fault certificates-over',
    );
    over.stop();
    const untrusted = await servedWith(60);
    const found = await lookAtCertificates(untrusted.origins, new Date(), { lookup });
    expect(of(found)).to.equal('fault certificates-untrusted');
    expect(found.said).to.include('its certificate is signed by nobody but itself');
    untrusted.stop();
    const free = await freePort();
    const away = { console: `https://orbis.localhost:${free}`, previewUrl: () => `http://x.localhost/` };
    expect(of(await lookAtCertificates(away, new Date(), { lookup }))).to.equal('fault certificates-away');
    const none = { console: 'http://orbis.localhost', previewUrl: () => 'http://x.localhost/' };
    expect(of(await lookAtCertificates(none, new Date()))).to.equal('well certificates-none');
  });

  it('that are trusted are found to be well, and to end soon', async () => {
    for (const [days, is] of [
      [60, 'well certificates-well'],
      [5, 'warning certificates-end'],
    ] as const) {
      const { origins, cert, stop } = await servedWith(days);
      const found = await lookAtCertificates(origins, new Date(), { lookup, ca: cert });
      expect(of(found)).to.equal(is);
      expect(found.facts['days']).to.be.within(days - 1, days);
      stop();
    }
  });
});
