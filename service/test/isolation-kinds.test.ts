import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readFileSync, writeFileSync } from 'node:fs';
import { expect } from 'chai';
import { format } from 'prettier';
import type { Browser, Frame } from 'playwright-core';
import { frameWays, type FrameWay } from '@orbis/core';
import { spoken } from '@orbis/contract';
import { demoCodes } from '@orbis/demo';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { launchBrowser, newVisitor } from './support/visitors.ts';

const chapter = new URL('../../docs/frame.md', import.meta.url);
const marks = ['<!-- tried: begin -->', '<!-- tried: end -->'] as const;

/* One of each kind, of the demo’s providers. */
const kinds = [
  ...demoCodes.filter(({ kind }) => kind !== undefined),
  {
    kind: 'video',
    text: '<iframe src="https://play.kinorill.localhost/film/nB4moorNight" width="560" height="315" title="Talk"></iframe>',
  },
  {
    kind: 'form',
    text: '<div class="formwold-letter" data-letter="hf-monthly"></div>\n<script async src="https://formwold.localhost/form.js"></script>',
  },
];
const said: Record<string, Partial<Record<FrameWay, string>>> = {};

/* What a document shows, numbers aside, as some count: its words, and how many frames, players and forms
   that show something. */
const shown = `({
  words: document.body.innerText.replace(/\\s+/g, ' ').replace(/\\d[\\d,]*/g, '0').trim(),
  elements: ['iframe', 'video', 'audio', 'form', 'img', 'button', 'a'].map((name) => name + ' ' +
    [...document.querySelectorAll(name)].filter((each) => each.getBoundingClientRect().height > 1).length),
})`;
const shownIn = (frame: Frame) => frame.evaluate<{ words: string; elements: string[] }>(shown);

type Seen = Awaited<ReturnType<typeof shownIn>> & { errors: string[] };

describe('every kind of embed in each of the four ways', () => {
  let test: TestOrbis;
  let browser: Browser;
  let server: Server;
  const pages = new Map<string, string>();
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    browser = await launchBrowser();
    server = createServer(({ url = '' }, response) => {
      response.setHeader('Content-Type', 'text/html; charset=utf-8');
      response.end(pages.get(url) ?? '');
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  });
  after(async () => {
    server.closeAllConnections();
    server.close();
    await browser.close();
    await test.stop();
  });
  const origin = (): string => `http://pages.localhost:${(server.address() as AddressInfo).port}`;
  const onPort = (text: string): string =>
    text.replaceAll(/https:\/\/([a-z.-]+\.localhost)/g, `http://$1:${test.world.port}`);

  /* What is seen where a way has its document: on the page, or in its frame. */
  const seen = async (address: string, isFramed: boolean): Promise<Seen> => {
    const page = await newVisitor(browser);
    const errors: string[] = [];
    page.on('pageerror', ({ message }) => errors.push(message));
    page.on('console', (message) => {
      if (message.type() === 'error') errors.push(message.text());
    });
    await page.goto(address, { waitUntil: 'load' });
    const frame = isFramed ? await (await page.waitForSelector('iframe')).contentFrame() : page.mainFrame();
    let before = await shownIn(frame!);
    // What scripts fill comes a little later.
    for (let same = 0; same < 3;) {
      await page.waitForTimeout(150);
      const now = await shownIn(frame!);
      same = JSON.stringify(now) === JSON.stringify(before) ? same + 1 : 0;
      before = now;
    }
    await page.close();
    return { ...before, errors };
  };
  const pageWith = (path: string, code: string): string => {
    pages.set(path, `<!doctype html><body>${code}`);
    return origin() + path;
  };
  const optionsOf = (way: FrameWay) => ({
    frame: way,
    ...(way === 'file' && { 'frame-file': `${origin()}/file.html` }),
  });
  const documentOf = async (text: string, way: FrameWay): Promise<string> => {
    const options = optionsOf(way);
    if (way === 'served')
      return (await test.client.call('previews.create', { body: { text, options } })).data.url;
    const { data } = await test.client.call('compositions.create', { body: { text, options } });
    if (data.frame.document) pages.set('/file.html', data.frame.document);
    return pageWith(`/${way}`, data.text);
  };

  for (const { kind, text } of kinds)
    it(`${kind!}: works, or is refused with the reason that was given beforehand`, async () => {
      const code = onPort(text);
      const { data } = await test.client.call('compositions.create', { body: { text: code, options: {} } });
      const tried = frameWays.map(async (way): Promise<[FrameWay, string | Seen]> => {
        if (way === 'none') return [way, await seen(pageWith('/bare', code), false)];
        const refused = data.frame.refused.find((each) => each.way === way);
        if (!refused) return [way, await seen(await documentOf(code, way), true)];
        const { problems } = (
          await test.client.call('compositions.create', { body: { text: code, options: optionsOf(way) } })
        ).data;
        expect(problems.map(({ detail }) => detail)).to.include(refused.detail);
        return [way, `no: ${problems[0]!.code}`];
      });
      const [[, bare], ...framed] = (await Promise.all(tried)) as [
        [FrameWay, Seen],
        ...[FrameWay, string | Seen][],
      ];
      expect(bare.errors).to.deep.equal([]);
      for (const [way, outcome] of framed)
        if (typeof outcome !== 'string') expect(outcome, way).to.deep.equal(bare);
      const row = Object.fromEntries(
        framed.map(([way, outcome]) => [way, typeof outcome === 'string' ? outcome : 'works']),
      );
      said[kind!] = { none: 'works', ...row };
    });

  it('is what the chapter on frames says', async () => {
    const why: Record<string, string> = {
      'no: frame-within-enclosed': 'no: it frames its provider',
      'no: storage-in-enclosed': 'no: it keeps data',
      'no: over-the-page': 'no: it stands over the page',
    };
    const rows = kinds.map(({ kind }) => {
      const { one } = spoken.kindNames[kind as keyof typeof spoken.kindNames];
      return `| ${one} | ${frameWays.map((way) => why[said[kind!]![way]!] ?? said[kind!]![way]).join(' | ')} |`;
    });
    const table = await format(
      `| what | ${frameWays.join(' | ')} |\n| --- | --- | --- | --- | --- |\n${rows.join('\n')}\n`,
      { parser: 'markdown' },
    );
    const text = readFileSync(chapter, 'utf8');
    const [before, rest] = text.split(marks[0]) as [string, string];
    const whole = `${before}${marks[0]}\n\n${table}\n${marks[1]}${rest.split(marks[1])[1]}`;
    if (process.env['KEEP_OUTPUTS']) writeFileSync(chapter, whole);
    expect(text).to.equal(whole);
  });
});
