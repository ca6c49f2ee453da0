/*
 * A browser that looks at foreign code is the largest door of all: it would fetch what only this machine
 * reaches, keep what it was given, run for ever, take all memory, and do so as whoever runs Orbis.
 */
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { OrbisError } from '@orbis/contract';
import { createBrowser, type BrowserOptions, type Tab } from '../../src/browser/browser.ts';
import { findChromium } from '../../src/browser/find.ts';
import { openGate } from '../../src/browser/gate.ts';
import { groupNaming } from '../../src/browser/processes.ts';
import { show } from '../../src/browser/show.ts';
import { resolveHost } from '../../src/fetching/addresses.ts';
import { until } from '../support/until.ts';

const chromium = findChromium(undefined);
const document = (html: string) => ({
  url: 'http://a23456789b123456789c.frames.example/',
  html: `<!doctype html><title>Foreign</title><body>${html}`,
  policy: 'sandbox allow-scripts allow-popups allow-forms allow-modals',
});
const size = { width: 400, height: 300 };

describe('attack: the browser', () => {
  let server: Server;
  let port: number;
  let asked: string[] = [];
  /* Others look with browsers at the same time: the profiles of these tests are in a folder of their own,
     which the browser's user may pass through. */
  const usual = process.env['TMPDIR'];
  let own: string;
  before(async () => {
    own = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    chmodSync(own, 0o711);
    process.env['TMPDIR'] = own;
    server = createServer((incoming, response) => {
      asked.push(`${incoming.headers.host}${incoming.url}`);
      response.setHeader('Access-Control-Allow-Origin', '*').end('<p>inside</p>');
    });
    await new Promise<void>((resolve) => server.listen(0, resolve));
    ({ port } = server.address() as AddressInfo);
  });
  after(() => {
    if (usual === undefined) delete process.env['TMPDIR'];
    else process.env['TMPDIR'] = usual;
    rmSync(own, { recursive: true, force: true });
    server.closeAllConnections();
    server.close();
  });
  beforeEach(() => void (asked = []));

  const looking = async <T>(
    html: string,
    {
      declared = [],
      task = () => Promise.resolve(undefined as T),
      ...options
    }: Partial<BrowserOptions> & { declared?: string[]; task?: (tab: Tab) => Promise<T> } = {},
  ): Promise<T> => {
    const browser = createBrowser({ chromium, allowPrivate: false, seconds: 180, ...options });
    try {
      return await browser.work(
        async (tab) => {
          await show(tab.page, document(html), size);
          return task(tab);
        },
        { declared },
      );
    } finally {
      await browser.close();
    }
  };
  const codeOf = async (work: Promise<unknown>): Promise<string> => {
    const error = await work.then(
      () => null,
      (reason: unknown) => reason,
    );
    return error instanceof OrbisError ? error.code : `${String(error)}`;
  };
  const profiles = (): string[] => readdirSync(own);

  it('reaches nothing that only this machine reaches, by whatever name and way', async () => {
    const addresses = [
      '127.0.0.1',
      'localhost',
      'site.localhost',
      '[::1]',
      '0.0.0.0',
      '[::ffff:127.0.0.1]',
      '2130706433',
    ]
      .map((host) => `http://${host}:${port}`)
      .concat('http://127.0.0.1', 'http://metadata.example');
    const html = addresses
      .map(
        (
          at,
          i,
        ) => `<img src="${at}/img${i}"><iframe src="${at}/frame${i}"></iframe><link rel="prefetch" href="${at}/pre${i}">
<script>fetch('${at}/fetch${i}', { mode: 'no-cors' }).catch(() => 0); navigator.sendBeacon('${at}/beacon${i}'); new WebSocket('${at.replace('http', 'ws')}/socket${i}'); open('${at}/window${i}');</script>`,
      )
      .join('');
    await looking(html, {
      resolve: (host) =>
        host === 'metadata.example'
          ? Promise.resolve([{ address: '169.254.169.254', family: 4 }])
          : resolveHost(host),
    });
    expect(asked).to.deep.equal([]);
  });

  it('reaches the owner’s own site wherever it is, and no other port of its host', async () => {
    await looking(
      `<img src="http://site.localhost:${port}/own"><img src="http://other.localhost:${port}/other">`,
      {
        declared: [`http://site.localhost:${port}`],
      },
    );
    expect(asked).to.deep.equal([`site.localhost:${port}/own`]);
  });

  it('dials what it was told that a name stands for, and nothing private', async () => {
    const looked: string[] = [];
    const resolve = (host: string) => {
      looked.push(host);
      return Promise.resolve([{ address: '127.0.0.1', family: 4 as const }]);
    };
    const own = `http://moor.example:${port}`;
    await looking(`<img src="${own}/own"><img src="http://elsewhere.example/img">`, {
      declared: [own],
      resolve,
    });
    expect(asked).to.deep.equal([`moor.example:${port}/own`]);
    expect(looked).to.have.members(['moor.example', 'elsewhere.example']);
  });

  it('lets nothing out that no page asked for', async () => {
    const gate = await openGate({ declared: [], allowPrivate: true, resolve: resolveHost });
    const { hostname, port: at } = new URL(gate.url);
    const through = (): Promise<number | undefined> =>
      new Promise((resolve, reject) => {
        get({ hostname, port: at, path: `http://site.localhost:${port}/errand` }, (response) =>
          resolve(response.resume().statusCode),
        ).on('error', reject);
      });
    try {
      expect(await through()).to.equal(403);
      expect(asked).to.deep.equal([]);
      gate.expect(`http://site.localhost:${port}/`);
      expect(await through()).to.equal(200);
    } finally {
      await gate.close();
    }
  });

  it('is nobody, in a sandbox, and leaves neither profile nor process behind', async () => {
    let folder = '';
    const status = await looking('<p>here</p>', {
      task: () => {
        folder = join(own, profiles()[0]!);
        const group = groupNaming(`--user-data-dir=${folder}`)!;
        return Promise.resolve({
          text: readFileSync(`/proc/${group}/status`, 'utf8'),
          line: readFileSync(`/proc/${group}/cmdline`, 'utf8'),
          environment: process.getuid?.() === 0 ? readFileSync(`/proc/${group}/environ`, 'utf8') : '',
        });
      },
    });
    const [, uid] = /^Uid:\s+(\d+)/m.exec(status.text)!;
    expect(Number(uid)).to.equal(process.getuid?.() === 0 ? 65_534 : process.getuid?.());
    expect(status.text).to.match(/^CapEff:\s+0+$/m);
    expect(status.line).not.to.include('--no-sandbox');
    expect(status.environment).not.to.include('ORBIS_DATA');
    expect(existsSync(folder)).to.equal(false);
    await until(() => Promise.resolve(groupNaming(folder) === null));
  });

  it('is ended where it does not come to an end', async () => {
    expect(await codeOf(looking('<script>for (;;);</script>', { seconds: 4 }))).to.equal('browser-too-slow');
    expect(profiles()).to.deep.equal([]);
  });

  it('is ended where it takes more memory than it may', async () => {
    const greedy =
      '<script>const all = []; setInterval(() => all.push(new Uint8Array(64e6).fill(1)), 30)</script>';
    const staying = (html: string, milliseconds: number): Promise<void> =>
      looking(html, {
        memory: 900e6,
        task: () => new Promise<void>((resolve) => setTimeout(resolve, milliseconds).unref()),
      });
    await staying('<p>small</p>', 1500);
    const error = await staying(greedy, 30_000).catch((reason: unknown) => reason);
    expect(String(error)).to.include('more memory than it may');
  });

  it('is stopped by no question, and keeps no worker', async () => {
    const worker = await looking(
      `<script>alert('Stay'); confirm('Stay?'); onbeforeunload = () => 'Stay';
       document.title = 'serviceWorker' in navigator ? 'there' : 'none';
       navigator.serviceWorker?.register('/sw.js').then(() => document.title = 'kept', () => document.title = 'refused')</script>`,
      { task: ({ page }) => page.title() },
    );
    expect(worker).not.to.equal('kept');
  });

  it('is said to be missing, in one sentence with what to do', async () => {
    const error = await looking('', { chromium: null }).catch((reason: unknown) => reason);
    expect(String((error as Error).message)).to.match(
      /^This needs the browser Chromium .*apt-get install chromium-headless-shell/,
    );
    expect(findChromium('none')).to.equal(null);
    expect(findChromium('/nowhere/chromium')).to.equal(null);
  });
});
