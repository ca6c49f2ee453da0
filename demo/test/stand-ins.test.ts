import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import type { Frame, Page } from 'playwright-core';
import { openCode, compose, read, optionNames, type Sheet } from '@orbis/core';
import { parseOptions } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import { faultNames, hosts, loopbackFetch, standIns, startDemoServer, type DemoServer } from '@orbis/demo';
import { settingCases } from './setting-cases.ts';
import { closeBrowser, expectSoon, newWindow } from '../../console/test/support/browser.ts';

const sheets = builtInSheets();
const providers = sheets.filter(({ files, pages }) => !files && !pages);

/* Which of a provider's codes its settings are for, where it has several. */
const which: Record<string, number> = { fennfeed: 1 };

describe('the stand-in providers', () => {
  let world: DemoServer;
  let page: Page;
  /* A page of the owner’s, with the code on it. */
  let site: Server;
  before(async () => {
    world = await startDemoServer({ port: 0, folder: '/nonexistent' });
    ({ page } = await newWindow());
    site = createServer((_request, response) =>
      response
        .setHeader('Content-Type', 'text/html; charset=utf-8')
        .end(`<!doctype html><title>Host</title><main>${code}</main>`),
    );
    await new Promise<void>((resolve) => site.listen(0, '127.0.0.1', resolve));
  });
  after(async () => {
    await closeBrowser();
    await world.stop();
    site.close();
  });
  let code = '';
  const origin = (host: string): string => `http://${host}:${world.port}`;
  const offered = (id: string, index = which[id] ?? 0): string =>
    standIns.find((standIn) => standIn.id === id)!.offers(origin)[index]!.code;
  /* The code on a page of the observatory's, in a browser: the frame that shows it, or the page itself. */
  const show = async (text: string): Promise<Frame> => {
    code = text.replace('data-after="20"', 'data-after="3"');
    await page.goto(`http://hollinfell.localhost:${(site.address() as AddressInfo).port}/`, {
      waitUntil: 'load',
    });
    return page.frames()[1] ?? page.mainFrame();
  };
  const sees = (frame: Frame, look: string, seen: unknown, what: string): Promise<void> =>
    expectSoon(
      async () => {
        const now = await frame.evaluate(look).catch(() => undefined);
        return JSON.stringify(now) === JSON.stringify(seen);
      },
      `${what} is ${JSON.stringify(seen)}`,
    );

  for (const [provider, asked, look, seen, otherwise] of settingCases) {
    it(`${provider} obeys ${asked}, and does otherwise without it`, async () => {
      const plain = offered(provider);
      const { text, problems } = compose(
        openCode(plain, { sheets }),
        parseOptions(asked.includes(', ') ? [asked] : asked.split(' '), [
          sheets.find(({ id }) => id === provider)!,
        ]),
      );
      expect(problems).to.deep.equal([]);
      expect(text).not.to.equal(plain);
      const without =
        provider === 'tallywren' && asked.startsWith('account')
          ? plain.replaceAll('hollinfell', 'often')
          : plain;
      if (without !== plain) for (let i = 0; i < 5; i++) await show(without);
      await sees(await show(without), look, otherwise, 'without it');
      await sees(await show(text), look, seen, 'with it');
    });
  }

  it('are twelve beside Kinorill, each with a sheet that knows every code it hands out, and no two with the same parameters', () => {
    expect(standIns).to.have.length(12);
    const names = (sheet: Sheet): string =>
      Object.values(sheet.settings)
        .map(({ name }) => name)
        .sort()
        .join(' ');
    expect(new Set(providers.map(names)).size).to.equal(providers.length);
    for (const { id, name, offers } of standIns) {
      for (const { what, code: text } of offers(origin)) {
        const reading = read(text, { sheets });
        const form = text.startsWith('<form');
        expect([reading.provider?.name ?? null, reading.kind], `${id}: ${what}`).to.deep.equal([
          form ? null : name,
          sheets.find((sheet) => sheet.id === id)!.kind,
        ]);
        expect(
          reading.findings.filter(({ level }) => level === 'error'),
          `${id}: ${what}`,
        ).to.deep.equal([]);
      }
    }
  });

  it('have a row in that table for every setting of their sheets', () => {
    for (const sheet of providers) {
      if (sheet.id === 'kinorill') continue;
      for (const setting of [...Object.keys(sheet.settings), ...Object.keys(sheet.options ?? {})])
        expect(
          settingCases.some(([id, asked]) => id === sheet.id && asked.startsWith(`${setting}=`)),
          `${sheet.id} ${setting}`,
        ).to.equal(true);
      for (const setting of Object.keys(sheet.settings)) expect(optionNames).to.include(setting);
    }
  });

  it('send their visitors’ forms, and refuse what a robot fills in', async () => {
    await show(offered('formwold', 1));
    await page.fill('input[name=mail]', 'reader@hollinfell.localhost');
    await page.click('button');
    await page.getByRole('heading', { name: 'Thank you' }).waitFor();
    const answer = await loopbackFetch()(`${origin(hosts.formwold)}/letters/x`, {
      method: 'POST',
      body: 'hf_trap=1',
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });
    expect(answer.status).to.equal(422);
  });

  describe('answer oEmbed questions as the standard says', () => {
    for (const [name, link, endpoint, formats, type] of [
      ['Kinorill', 'kinorill.localhost/films/cM7comet', 'kinorill.localhost', ['json', 'xml'], 'video'],
      [
        'Kinorill, by its short links',
        'kinorill.localhost/k/cM7comet',
        'kinorill.localhost',
        ['json', 'xml'],
        'video',
      ],
      ['Mapmere', 'mapmere.localhost/maps/tarn', 'mapmere.localhost', ['xml'], 'rich'],
      ['Tonebarn', 'tonebarn.localhost/hear/16', 'tonebarn.localhost', ['json'], 'rich'],
      ['Folioferry', 'folioferry.localhost/charts/winter.pdf', 'folioferry.localhost', ['json'], 'rich'],
    ] as const) {
      it(name, async () => {
        const fetch = loopbackFetch();
        const ask = (url: string, more: Record<string, string> = {}) =>
          fetch(`${origin(endpoint)}/oembed?${new URLSearchParams({ url, ...more }).toString()}`);
        const [host, ...path] = link.split('/');
        const url = `${origin(host!)}/${path.join('/')}`;
        for (const format of ['json', 'xml'] as const) {
          const answer = await ask(url, { format, maxwidth: '300' });
          if (!(formats as readonly string[]).includes(format)) {
            expect(answer.status).to.equal(501);
            continue;
          }
          const text = await answer.text();
          const told =
            format === 'json' ? (JSON.parse(text) as { type: string; width: number; html: string }) : null;
          expect(told ? told.type : /<type>(.*)<\/type>/.exec(text)?.[1]).to.equal(type);
          expect(Number(told ? told.width : /<width>(.*)<\/width>/.exec(text)?.[1])).to.equal(300);
          if (told)
            expect(read(told.html, { sheets }).provider?.id).to.equal(name.split(',')[0]!.toLowerCase());
        }
        expect((await ask(`${origin(endpoint)}/nothing/of/ours`)).status).to.equal(404);
      });
    }
  });

  it('play a file of one’s own from second to second, without any provider', async () => {
    const file = `<video src="${origin(hosts.kinorill)}/media/sky.webm" width="320"></video>`;
    const { text, problems } = compose(
      openCode(file, { sheets }),
      parseOptions(['start=20', 'end=21', 'autoplay=on', 'controls=off']),
    );
    expect(problems).to.deep.equal([]);
    const frame = await show(text);
    await sees(
      frame,
      'document.querySelector("video").paused && document.querySelector("video").currentTime > 20.5 && document.querySelector("video").currentTime < 21.6',
      true,
      'stopped at the end',
    );
    await sees(await show(file), 'document.querySelector("video").currentTime', 0, 'without options');
  });

  it('are quieter on the quieter host', async () => {
    const fetch = loopbackFetch();
    const cookie = async (host: string): Promise<string | null> =>
      (await fetch(`${origin(host)}/film/nB4moorNight`)).headers.get('set-cookie');
    expect(await cookie(hosts.kinorillPlayer)).to.include('kinorill_seen');
    expect(await cookie(hosts.kinorillQuiet)).to.equal(null);
  });

  describe('have faults, switched by a call and by a page', () => {
    const fetch = loopbackFetch();
    const map = (): string => `${origin('mapmere.localhost')}/embed/map`;
    const change = (provider: string, fault: string | null) =>
      fetch(`${origin(hosts.index)}/faults/${provider}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ fault }),
      });
    afterEach(() => change('mapmere', null));
    const ask = () => fetch(map(), { redirect: 'manual' });

    for (const [fault, look, seen] of [
      ['gone', async () => (await ask()).status, 410],
      ['refuses-frames', async () => (await ask()).headers.get('x-frame-options'), 'DENY'],
      ['redirects', async () => (await ask()).status, 302],
      ['wrong-type', async () => (await ask()).headers.get('content-type'), 'application/octet-stream'],
      ['oversized', async () => (await (await ask()).text()).length > 10_000_000, true],
    ] as const) {
      it(fault, async () => {
        expect(await look()).not.to.equal(seen);
        expect((await change('mapmere', fault)).status).to.equal(200);
        expect(await look()).to.equal(seen);
        expect((await fetch(`${origin('tonebarn.localhost')}/podcast/a/b`)).status).to.equal(200);
      });
    }
    it('slow', async () => {
      await change('mapmere', 'slow');
      const begun = Date.now();
      await ask();
      expect(Date.now() - begun).to.be.greaterThan(2_500);
    });
    it('refuse what is no fault and nobody’s', async () => {
      expect((await change('mapmere', 'tired')).status).to.equal(422);
      expect((await change('nobody', 'slow')).status).to.equal(404);
      expect(faultNames).to.have.length(6);
    });
    it('on a page', async () => {
      await page.goto(`${origin(hosts.index)}/faults`);
      await page.getByLabel('Mapmere').selectOption('gone');
      await page.waitForLoadState();
      await expectSoon(async () => (await ask()).status === 410, 'the map is gone');
    });
  });
});
