import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import type { Frame, Page } from 'playwright-core';
import { openCode, compose, read, optionNames, type Sheet } from '@orbis/core';
import { parseOptions } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import { faultNames, hosts, loopbackFetch, standIns, startDemoServer, type DemoServer } from '@orbis/demo';
import { closeBrowser, expectSoon, newWindow } from '../../console/test/support/browser.ts';

const sheets = builtInSheets();
const providers = sheets.filter(({ files, pages }) => !files && !pages);

/**
 * Each setting of each stand-in: what is asked for, what is looked at, and what is
 * seen with it and without it.
 */
const table: [provider: string, asked: string, look: string, seen: unknown, otherwise: unknown][] = [
  ['mapmere', 'zoom=15', 'document.querySelector("svg").dataset.zoom', '15', '13'],
  [
    'mapmere',
    'centre=54.3804, -2.1215',
    'document.querySelector("svg").dataset.latitude + " " + document.querySelector("svg").dataset.longitude',
    '54.3804 -2.1215',
    '54.3712 -2.1048',
  ],
  ['mapmere', 'view=terrain', 'document.querySelector("svg").dataset.layer', 'relief', 'paper'],
  ['mapmere', 'language=de', 'document.querySelector("nav a").textContent', 'Näher', 'Closer'],
  [
    'mapmere',
    'accent=#aa3355',
    'document.querySelector("circle").getAttribute("fill")',
    '#aa3355',
    '#9c2f24',
  ],
  ['tonebarn', 'start=0:12', 'Math.round(document.querySelector("audio").currentTime)', 12, 0],
  ['tonebarn', 'muted=on', 'document.querySelector("audio").muted', true, false],
  ['tonebarn', 'download=off', 'document.querySelectorAll("a[download]").length', 0, 1],
  [
    'tonebarn',
    'account=moor-radio',
    'document.querySelector("p").textContent',
    'moor radio, 17',
    'under the fell, 17',
  ],
  [
    'tonebarn',
    'theme=dark',
    'getComputedStyle(document.body).backgroundColor',
    'rgb(35, 42, 39)',
    'rgb(245, 241, 232)',
  ],
  [
    'tonebarn',
    'accent=#aa3355',
    'getComputedStyle(document.body).borderLeftColor',
    'rgb(170, 51, 85)',
    'rgb(47, 97, 69)',
  ],
  [
    'folioferry',
    'page=2',
    'document.querySelector("section.open h2").textContent',
    'The Fish and the Ram',
    'The Great Square',
  ],
  ['folioferry', 'zoom=150', 'document.body.style.zoom', '1.5', '1'],
  ['folioferry', 'view=page', 'document.body.dataset.fit', 'p', undefined],
  ['folioferry', 'download=off', 'document.querySelectorAll("a[download]").length', 0, 1],
  ['nodthorn', 'language=de', 'document.querySelector("a").textContent', 'Weitersagen', 'Pass it on'],
  [
    'nodthorn',
    'accent=#aa3355',
    'getComputedStyle(document.querySelector("a")).backgroundColor',
    'rgb(170, 51, 85)',
    'rgb(60, 90, 112)',
  ],
  [
    'nodthorn',
    'theme=dark',
    'getComputedStyle(document.body).backgroundColor',
    'rgb(23, 27, 25)',
    'rgba(0, 0, 0, 0)',
  ],
  [
    'hoardinglea',
    'theme=dark',
    'getComputedStyle(document.body).backgroundColor',
    'rgb(69, 41, 71)',
    'rgb(234, 208, 232)',
  ],
  [
    'hoardinglea',
    'language=de',
    'document.querySelector("strong").textContent',
    'Wollmützen aus dem Moor',
    'Wool hats from the moor',
  ],
  [
    'formwold',
    'account=hf-weekly',
    'document.querySelector("form").action.split("/").at(-1)',
    'hf-weekly',
    'hf-monthly',
  ],
  [
    'formwold',
    'prefill=reader@hollinfell.localhost',
    'document.querySelector("input").value',
    'reader@hollinfell.localhost',
    '',
  ],
  ['formwold', 'language=de', 'document.querySelector("button").textContent', 'Anmelden', 'Sign up'],
  [
    'formwold',
    'accent=#aa3355',
    'getComputedStyle(document.querySelector("button")).backgroundColor',
    'rgb(170, 51, 85)',
    'rgb(47, 97, 69)',
  ],
  [
    'fennfeed',
    'account=darkskyweek',
    'document.querySelector(".fennfeed-card").textContent.split(":")[0]',
    'darkskyweek',
    'hollinfell',
  ],
  ['fennfeed', 'count=6', 'document.querySelectorAll(".fennfeed-card").length', 6, 3],
  [
    'fennfeed',
    'theme=dark',
    'getComputedStyle(document.querySelector(".fennfeed-card")).backgroundColor',
    'rgb(23, 27, 25)',
    'rgb(255, 253, 248)',
  ],
  [
    'fennfeed',
    'accent=#aa3355',
    'getComputedStyle(document.querySelector(".fennfeed-card")).borderTopColor',
    'rgb(170, 51, 85)',
    'rgb(60, 90, 112)',
  ],
  [
    'slotsedge',
    'account=domes',
    'document.querySelector(".slotsedge-calendar strong").textContent',
    'domes',
    'hollinfell-nights',
  ],
  [
    'slotsedge',
    'language=de',
    'document.querySelector(".slotsedge-calendar button").textContent',
    'Buchen',
    'Book',
  ],
  [
    'slotsedge',
    'accent=#aa3355',
    'getComputedStyle(document.querySelector(".slotsedge-calendar button")).backgroundColor',
    'rgb(170, 51, 85)',
    'rgb(47, 97, 69)',
  ],
  ['slotsedge', 'count=5', 'document.querySelectorAll(".slotsedge-calendar button").length', 5, 3],
  [
    'slotsedge',
    'theme=dark',
    'getComputedStyle(document.querySelector(".slotsedge-calendar > div")).backgroundColor',
    'rgb(35, 42, 39)',
    'rgb(255, 253, 248)',
  ],
  [
    'popplenook',
    'account=winter',
    'document.querySelector(".popplenook-popup").dataset.campaign',
    'winter',
    'friends-of-the-fell',
  ],
  ['popplenook', 'delay=0', '[...document.querySelectorAll("dialog[open]")].length', 1, 0],
  [
    'popplenook',
    'language=de delay=0',
    'document.querySelector("dialog button")?.textContent ?? "not yet"',
    'Nicht jetzt',
    'not yet',
  ],
  [
    'popplenook',
    'accent=#aa3355 delay=0',
    'document.querySelector("dialog") ? getComputedStyle(document.querySelector("dialog")).borderTopColor : "not yet"',
    'rgb(170, 51, 85)',
    'not yet',
  ],
  [
    'praisecroft',
    'account=darkskyweek',
    'document.querySelector(".praisecroft-reviews li").textContent.includes("darkskyweek")',
    true,
    false,
  ],
  ['praisecroft', 'count=7', 'document.querySelectorAll(".praisecroft-reviews li").length', 7, 4],
  [
    'praisecroft',
    'accent=#aa3355',
    'getComputedStyle(document.querySelector(".praisecroft-reviews span")).color',
    'rgb(170, 51, 85)',
    'rgb(138, 90, 18)',
  ],
  [
    'praisecroft',
    'theme=dark',
    'getComputedStyle(document.querySelector(".praisecroft-reviews ul")).backgroundColor',
    'rgb(35, 42, 39)',
    'rgb(255, 253, 248)',
  ],
  [
    'stallmere',
    'account=512',
    'document.querySelector(".stallmere-item").textContent.includes("shop 512")',
    true,
    false,
  ],
  ['stallmere', 'count=3', 'document.querySelectorAll(".stallmere-item").length', 3, 1],
  [
    'stallmere',
    'accent=#aa3355',
    'getComputedStyle(document.querySelector(".stallmere-item button")).backgroundColor',
    'rgb(170, 51, 85)',
    'rgb(93, 58, 95)',
  ],
  [
    'stallmere',
    'theme=dark',
    'getComputedStyle(document.querySelector("#stall-311 > div")).backgroundColor',
    'rgb(35, 42, 39)',
    'rgb(255, 253, 248)',
  ],
  [
    'tallywren',
    'account=darkskyweek',
    'Number.parseInt(document.querySelector(".tallywren").textContent) < 1203',
    true,
    false,
  ],
  [
    'tallywren',
    'theme=dark',
    'getComputedStyle(document.querySelector(".tallywren")).backgroundColor',
    'rgb(35, 42, 39)',
    'rgb(241, 235, 220)',
  ],
  [
    'tallywren',
    'language=de',
    'document.querySelector(".tallywren").textContent.replace(/\\d+ /, "")',
    'Besuche',
    'visits',
  ],
  [
    'tallywren',
    'counts=visitors',
    'document.querySelector(".tallywren").textContent.replace(/[\\d,]+ /, "")',
    'visitors',
    'visits',
  ],
  [
    'tallywren',
    'digits=grouped',
    '/^\\d,\\d{3} /.test(document.querySelector(".tallywren").textContent)',
    true,
    false,
  ],
  [
    'fennfeed',
    'layout=column',
    'document.querySelector(".fennfeed-stream > div").style.gridTemplateColumns === "1fr"',
    true,
    false,
  ],
  [
    'fennfeed',
    'gap=24',
    'getComputedStyle(document.querySelector(".fennfeed-stream > div")).columnGap',
    '24px',
    '12px',
  ],
  ['fennfeed', 'only=mirror,fox', 'document.querySelectorAll(".fennfeed-card").length', 2, 3],
  ['formwold', 'button=Join', 'document.querySelector("button").textContent', 'Join', 'Sign up'],
  [
    'formwold',
    'thanks=https://hollinfell.localhost/thanks',
    'document.querySelector("input[name=then]")?.value ?? null',
    'https://hollinfell.localhost/thanks',
    null,
  ],
  [
    'praisecroft',
    'layout=row',
    'getComputedStyle(document.querySelector(".praisecroft-reviews ul")).display',
    'flex',
    'block',
  ],
  [
    'stallmere',
    'button=Mine',
    'document.querySelector(".stallmere-item button").textContent',
    'Mine',
    'Into the basket',
  ],
  [
    'stallmere',
    'badge=https://hollinfell.localhost/badge.png',
    'document.querySelector(".stallmere-item img")?.src ?? null',
    'https://hollinfell.localhost/badge.png',
    null,
  ],
];
/* Which of a provider's codes its settings are for, where it has several. */
const which: Record<string, number> = { fennfeed: 1 };

describe('the stand-in providers', function () {
  this.timeout(60_000);
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

  for (const [provider, asked, look, seen, otherwise] of table) {
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

  it('have a row in the table above for every setting of their sheets', () => {
    for (const sheet of providers) {
      if (sheet.id === 'kinorill') continue;
      for (const setting of [...Object.keys(sheet.settings), ...Object.keys(sheet.options ?? {})])
        expect(
          table.some(([id, asked]) => id === sheet.id && asked.startsWith(`${setting}=`)),
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
