import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { AxeBuilder } from '@axe-core/playwright';
import { compose, documentText, openCode, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { closeBrowser, newWindow } from './support/browser.ts';

const sheets = builtInSheets();
const codes = {
  frame:
    '<iframe id="it" width="560" height="315" src="https://play.kinorill.localhost/film/a" title="The film"></iframe>',
  boxed:
    '<div style="position:relative;padding-bottom:56.25%;height:0"><iframe id="it" src="https://play.kinorill.localhost/film/a" style="position:absolute;top:0;left:0;width:100%;height:100%" title="The film"></iframe></div>',
  form: '<form id="it" action="https://formwold.localhost/in"><label>Mail <input name="mail"></label></form>',
};
type Name = keyof typeof codes;

/* Where pages put codes, and what their themes say of everything. */
const surroundings: Record<string, (inner: string) => string> = {
  'a block': (inner) => `<div class="place">${inner}</div>`,
  'a flex row beside a tall neighbour': (inner) =>
    `<div class="place" style="display:flex"><div style="flex:1;min-width:0">${inner}</div><div style="width:0;height:900px"></div></div>`,
  'a flex row, directly': (inner) =>
    `<div class="place" style="display:flex">${inner}<div style="width:0;height:900px"></div></div>`,
  'a flex column': (inner) => `<div class="place" style="display:flex;flex-direction:column">${inner}</div>`,
  'a grid': (inner) => `<div class="place" style="display:grid">${inner}</div>`,
  'a cell of a table': (inner) =>
    `<table class="place" style="table-layout:fixed;border-spacing:0"><tr><td style="padding:0">${inner}</td></tr></table>`,
  'a float': (inner) => `<div class="place" style="float:left">${inner}</div>`,
  'centred text': (inner) => `<div class="place" style="text-align:center">${inner}</div>`,
  'a theme that sizes frames': (inner) =>
    `<style>iframe{width:auto;height:auto!important}img{border:9px solid}*{box-sizing:content-box}</style><div class="place">${inner}</div>`,
  'text from right to left': (inner) => `<div class="place" dir="rtl">${inner}</div>`,
};
const widths = [320, 360, 768, 1280] as const;

interface Seen {
  /** What is shown, and what holds all of ours. */
  it: DOMRect;
  all: DOMRect;
  place: DOMRect;
}

describe('what is put around, over and beside a code, in a browser', () => {
  let page: Page;
  const asked: string[] = [];
  before(async () => {
    ({ page } = await newWindow());
    await page.route('**/*', async (route) => {
      const url = route.request().url();
      if (!url.includes('site.example')) asked.push(url);
      await route.fulfill({ contentType: 'text/html', body: url.includes('kinorill') ? 'The film' : '' });
    });
  });
  after(closeBrowser);

  const show = async (html: string, width = 1280): Promise<void> => {
    asked.length = 0;
    await page.setViewportSize({ width, height: 800 });
    await page.goto('https://site.example/', { waitUntil: 'commit' });
    await page.setContent(
      `<!doctype html><html lang="en"><title>Page</title><style>body{margin:0}</style>${html}`,
    );
  };
  /* With what goes into the head of the page, where there is a way into it. */
  const dressed = (name: Name, options: Options, apart: string | null = null): string => {
    const { snippets, problems } = compose(openCode(codes[name], { sheets }), options, { apart });
    expect(problems).to.deep.equal([]);
    return documentText(snippets);
  };
  /* Every surrounding at every width at once, each in a window of its own. */
  const seeAll = async (
    text: string,
  ): Promise<{ where: string; width: number; over: number; seen: Seen }[]> => {
    const rooms = Object.entries(surroundings).flatMap(([where, wrap]) =>
      widths.map((width) => ({
        where,
        width,
        html: `<!doctype html><style>body{margin:0}.place{width:100%}</style>${wrap(text)}`,
      })),
    );
    await show(
      rooms
        .map(
          ({ width, html }) =>
            `<iframe style="width:${width}px;height:900px;border:0" srcdoc="${html.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"></iframe>`,
        )
        .join(''),
    );
    const found = await page.evaluate(() =>
      [...document.querySelectorAll('iframe')].map((room) => {
        const inside = room.contentDocument!;
        const boxes = ['#it', '[data-all]', '.place'].map(
          (selector) => inside.querySelector(selector)!.getBoundingClientRect().toJSON() as DOMRect,
        );
        return { boxes, over: inside.documentElement.scrollWidth - room.clientWidth };
      }),
    );
    return rooms.map(({ where, width }, i) => {
      const [it, all, place] = found[i]!.boxes;
      return { where, width, over: found[i]!.over, seen: { it: it!, all: all!, place: place! } };
    });
  };

  const shape = 9 / 16;
  for (const [label, name, options, check] of [
    [
      'a shape with a heading and a caption',
      'frame',
      { fit: 'shape', heading: 'The film', caption: 'On the moor' },
      ({ it, all, place }) => {
        expect(it.width).to.be.closeTo(place.width, 1);
        expect(it.height).to.be.closeTo(it.width * shape, 1);
        expect(all.height).to.be.greaterThan(it.height + 40);
      },
    ],
    [
      'a link over all of it, at most 400 wide, in the middle',
      'frame',
      {
        'fit': 'shape',
        'whole-link': 'https://site.example/x',
        'max-width': 400,
        'align': 'centre',
        'corners': 20,
      },
      ({ it, place }) => {
        expect(it.width).to.be.closeTo(Math.min(400, place.width), 1);
        expect(it.height).to.be.closeTo(it.width * shape, 1);
        expect(it.left - place.left).to.be.closeTo(place.right - it.right, 1);
      },
    ],
    [
      'a provider’s box in another shape, at the right',
      'boxed',
      { fit: 'shape', shape: { width: 4, height: 3 }, share: 50, align: 'right' },
      ({ it, place }) => {
        expect(it.width).to.be.closeTo(place.width / 2, 1);
        expect(it.height).to.be.closeTo((it.width * 3) / 4, 1);
        expect(it.right).to.be.closeTo(place.right, 1);
      },
    ],
    [
      'a panel with space beside it',
      'frame',
      { 'fit': 'shape', 'backdrop': '#f4efe6', 'space-beside': 12 },
      ({ it, all, place }) => {
        expect(all.left).to.be.closeTo(place.left + 12, 1);
        expect(all.right).to.be.closeTo(place.right - 12, 1);
        expect(it.left - all.left).to.be.closeTo(24, 1);
        expect(all.bottom - it.bottom).to.be.closeTo(24, 1);
        expect(it.height).to.be.closeTo(it.width * shape, 1);
      },
    ],
    [
      'a part of a frame',
      'frame',
      { 'crop-left': 40, 'crop-top': 30, 'crop-width': 200, 'crop-height': 100 },
      ({ it, all }) => {
        expect([all.width, all.height]).to.deep.equal([200, 100]);
        expect([all.left - it.left, all.top - it.top]).to.deep.equal([40, 30]);
      },
    ],
    [
      'a size of its own, which is no wider than its place',
      'frame',
      { tint: '#224433' },
      ({ it, all, place }) => {
        expect(all.width).to.be.closeTo(Math.min(560, place.width), 1);
        expect(it.height).to.be.closeTo(it.width * shape, 1);
      },
    ],
    [
      'a band that it covers',
      'frame',
      { band: 300 },
      ({ it, all, place }) => {
        expect([all.width, all.height]).to.deep.equal([place.width, 300]);
        expect(it.width).to.be.at.least(place.width - 1);
        expect(it.height).to.be.at.least(299);
        expect(it.width / it.height).to.be.closeTo(16 / 9, 0.01);
        expect(it.left + it.right).to.be.closeTo(all.left + all.right, 1);
      },
    ],
    [
      'a form whose room is kept as it was measured',
      'form',
      { heights: '320:900, 820:400' },
      ({ all, place }) => expect(all.height).to.be.closeTo(Math.max(400, 1220 - place.width), 1),
    ],
    [
      'a frame as high as its content was measured, in the middle',
      'frame',
      { 'heights': '320:900, 820:400', 'max-width': 700, 'align': 'centre' },
      ({ it, all, place }) => {
        expect(it.width).to.be.closeTo(Math.min(700, place.width), 1);
        expect(it.height).to.be.closeTo(Math.max(400, 1220 - it.width), 1);
        expect(all.left - place.left).to.be.closeTo(place.right - all.right, 1);
      },
    ],
    [
      'a form with words beside it',
      'form',
      { 'heading': 'Write to us', 'max-width': 300, 'align': 'centre', 'space-above': 30 },
      ({ all, place }) => {
        expect(all.width).to.be.closeTo(Math.min(300, place.width), 1);
        expect(all.left - place.left).to.be.closeTo(place.right - all.right, 1);
      },
    ],
    [
      'narrower on phones, with more room above it there, by rules in the head',
      'frame',
      {
        'fit': 'shape',
        'max-width': 700,
        'max-width.phone': 280,
        'align': 'centre',
        'space-above.phone': 40,
        'backdrop': '#f4efe6',
      },
      ({ it, all, place }) => {
        const isPhone = place.width < 600;
        const room = place.width - 48;
        expect(it.width).to.be.closeTo(Math.min(isPhone ? 280 : 700, room), 1);
        expect(it.height).to.be.closeTo(it.width * shape, 1);
        // The room above may be that of what it stands in (CSS 2.2, section 8.3.1).
        expect(all.top).to.be.closeTo(isPhone ? 40 : 0, 1);
        expect(it.left - all.left).to.be.closeTo(all.right - it.right, 1);
      },
    ],
  ] as [string, Name, Options, (seen: Seen) => void][])
    it(`${label}, wherever it is pasted`, async () => {
      const isApart = Object.keys(options).some((option) => option.includes('.'));
      const text = dressed(name, options, isApart ? 'orbis-x' : null)
        .replace(isApart ? /<\/style>\s*<\w+/ : /^<\w+/, '$& data-all')
        // Forty players of it would only take their time.
        .replace('https://play.kinorill.localhost', 'about:blank#');
      for (const { where, width, over, seen } of await seeAll(text)) {
        try {
          check(seen);
          expect(over, 'over the side').to.be.at.most(0);
        } catch (error) {
          throw new Error(`in ${where}, ${width} px wide: ${(error as Error).message}`, { cause: error });
        }
      }
    });

  it('a panel that reaches the sides of the window makes nothing to scroll', async () => {
    const text = dressed('frame', { 'backdrop': '#f4efe6', 'backdrop-reach': 'page', 'fit': 'shape' });
    await show(`<div class="place" style="width:300px;margin:0 auto">${text}</div>`, 900);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).to.equal(900);
    const [left, right] = await page.evaluate(() => {
      const { top } = document.querySelector('iframe')!.getBoundingClientRect();
      return [5, 890].map((x) => document.elementFromPoint(x, top + 10)?.tagName);
    });
    // It is painted there, and is nothing to be hit.
    expect([left, right]).to.deep.equal(['BODY', 'BODY']);
  });

  it('a link over all of it is one stop of the Tab key, by its name', async () => {
    await show(
      `<a href="#a" id="a">a</a>${dressed('form', { 'whole-link': 'https://site.example/x', 'whole-link-name': 'Our films' })}<a href="#b" id="b">b</a>`,
    );
    const stops: string[] = [];
    for (let i = 0; i < 3; i++) {
      await page.keyboard.press('Tab');
      stops.push(
        await page.evaluate(
          () => document.activeElement!.getAttribute('aria-label') ?? document.activeElement!.id,
        ),
      );
    }
    expect(stops).to.deep.equal(['a', 'Our films', 'b']);
    const hit = await page.evaluate(() => {
      const { left, top, right, bottom } = document.querySelector('form')!.getBoundingClientRect();
      return [
        [left + 2, top + 2],
        [right - 2, bottom - 2],
      ].map(([x, y]) => document.elementFromPoint(x!, y!)?.tagName);
    });
    expect(hit).to.deep.equal(['A', 'A']);
  });

  it('a band lies behind the words of the section that it is pasted into, and covers all of it', async () => {
    const text = dressed('frame', { 'band': 300, 'band-behind': true, 'band.phone': 200 }, 'orbis-a');
    for (const [width, height] of [
      [1280, 240],
      [1280, 1500],
      [360, 500],
    ] as const) {
      await show(
        `<section style="padding:24px;height:${height}px;box-sizing:border-box">${text}<h2>Tonight</h2></section><p>After it</p>`,
        width,
      );
      const found = await page.evaluate(() => {
        const [section, band, film, words] = ['section', '.orbis-a', '#it', 'h2'].map(
          (selector) => document.querySelector(selector)!.getBoundingClientRect().toJSON() as DOMRect,
        );
        return {
          section: section!,
          band: band!,
          film: film!,
          onTop: document.elementFromPoint(words!.x + 5, words!.y + 5)!.tagName,
          over: document.documentElement.scrollWidth - innerWidth,
        };
      });
      const label = `${width} × ${height}`;
      expect(found.band, label).to.deep.equal(found.section);
      expect(found.film.width, label).to.be.at.least(found.section.width - 1);
      expect(found.film.height, label).to.be.at.least(found.section.height - 1);
      expect(found.film.height / found.film.width, label).to.be.closeTo(shape, 0.01);
      expect([found.onTop, found.over], label).to.deep.equal(['H2', 0]);
    }
  });

  describe('a code that waits', () => {
    const foreign = (): string[] => asked.filter((url) => !url.includes('picture'));
    const waiting = (name: Name, options: Options = {}) => dressed(name, { load: 'click', ...options });

    it('moves nothing when its button is pressed, where its height was measured', async () => {
      const form = waiting('form', { heights: '320:500, 820:300' });
      await show(`${form}<p id="below">below</p>`);
      const before = await page.locator('#below').boundingBox();
      await page.getByRole('button').click();
      await page.locator('#it').waitFor();
      expect(await page.locator('#below').boundingBox()).to.deep.equal(before);
      expect(before!.y).to.be.within(300, 330);
    });

    it('contacts nobody before its button is pressed, and moves nothing when it is', async () => {
      await show(`${waiting('frame', { 'fit': 'shape', 'max-width': 600 })}<p id="below">below</p>`);
      await page.waitForTimeout(300);
      expect(foreign()).to.deep.equal([]);
      const before = await page.locator('#below').boundingBox();
      await page.getByRole('button', { name: 'Play the video Kinorill will see your address.' }).click();
      await page.locator('#it').waitFor();
      expect(foreign()).to.deep.equal(['https://play.kinorill.localhost/film/a']);
      expect(await page.locator('#below').boundingBox()).to.deep.equal(before);
      const box = (await page.locator('#it').boundingBox())!;
      expect([box.width, box.height]).to.deep.equal([600, 337.5]);
    });

    it('is shown by the keyboard alone, which goes on in what was shown', async () => {
      await show(waiting('form'));
      await page.keyboard.press('Tab');
      await page.keyboard.press('Space');
      await page.locator('input').waitFor();
      expect(await page.evaluate(() => (document.activeElement as HTMLInputElement).name)).to.equal('mail');
    });

    it('runs its scripts in their order, each once', async () => {
      const code =
        '<div id="it"></div><script>window.order = ["first"];</script><script src="https://site.example/two.js"></script><script>window.order.push("third")</script>';
      await page.route('https://site.example/two.js', (route) =>
        route.fulfill({ contentType: 'text/javascript', body: 'window.order.push("second")' }),
      );
      const { text } = compose(openCode(code, { sheets }), { load: 'click' });
      await show(text);
      await page.getByRole('button').click();
      await page.waitForFunction(() => (window as unknown as { order?: string[] }).order?.length === 3);
      expect(await page.evaluate(() => (window as unknown as { order: string[] }).order)).to.deep.equal([
        'first',
        'second',
        'third',
      ]);
    });

    it('is shown when the page allows what it is, and not before', async () => {
      const text = dressed('frame', { load: 'allow' });
      await show(text);
      const allow = (words: string) =>
        page.evaluate((words) => {
          document.documentElement.setAttribute('data-orbis-allow', words);
          document.dispatchEvent(new Event('orbis-allow'));
        }, words);
      await allow('mapmere form');
      expect(await page.locator('#it').count()).to.equal(0);
      await allow('form video');
      await page.locator('#it').waitFor();
      await show(`<script>document.documentElement.setAttribute('data-orbis-allow','all')</script>${text}`);
      await page.locator('#it').waitFor();
    });

    it('is shown when it comes near', async () => {
      const code =
        '<div class="slotsedge-calendar" data-calendar="x" id="it"></div><script async src="https://cdn.slotsedge.localhost/booking.js"></script>';
      const { text } = compose(openCode(code, { sheets }), { load: 'near' });
      await show(`<div style="height:5000px"></div>${text}`);
      await page.waitForTimeout(300);
      expect(foreign()).to.deep.equal([]);
      await page.evaluate(() => window.scrollTo(0, 4000));
      await page.waitForFunction(() => document.querySelector('#it') !== null);
    });

    it('remembers for the visit that one of a provider was allowed, where it is asked to', async () => {
      const two = waiting('frame', { 'load-remember': true });
      await show(two + waiting('form') + two);
      await page.getByRole('button').first().click();
      await page.waitForFunction(() => document.querySelectorAll('iframe').length === 2);
      expect(await page.getByRole('button').count()).to.equal(1);
      await show(two);
      await page.locator('iframe').waitFor();
      await page.evaluate(() => sessionStorage.clear());
    });

    it('needs no script to lead to its content', async () => {
      const context = await page.context().browser()!.newContext({ javaScriptEnabled: false });
      const plain = await context.newPage();
      await plain.setContent(waiting('frame', { fit: 'shape' }));
      const link = plain.getByRole('link', { name: 'Open it at Kinorill' });
      expect(await link.getAttribute('href')).to.equal('https://kinorill.localhost/films/a');
      await link.click({ trial: true });
      await context.close();
    });

    it('is printed as its picture and its button', async () => {
      await show(waiting('frame', { fit: 'shape', still: 'https://site.example/picture.svg' }));
      await page.emulateMedia({ media: 'print' });
      expect(await page.locator('img').isVisible()).to.equal(true);
      await page.emulateMedia({ media: 'screen', forcedColors: 'active', reducedMotion: 'reduce' });
      expect(await page.getByRole('button').isVisible()).to.equal(true);
      await page.emulateMedia({ media: null, forcedColors: null, reducedMotion: null });
    });

    it('leaves its place on paper to its picture, or to the link to its content', async () => {
      const still = { still: 'https://site.example/picture.svg' };
      await show(dressed('frame', still, 'x') + dressed('frame', { fallback: true }, 'y'));
      await page.emulateMedia({ media: 'print' });
      const frames = page.locator('iframe');
      expect([await frames.nth(0).isVisible(), await frames.nth(1).isVisible()]).to.deep.equal([
        false,
        false,
      ]);
      expect((await frames.nth(1).boundingBox())?.height ?? 0, 'it takes no room').to.equal(0);
      expect(await page.getByRole('link').isVisible()).to.equal(true);
      await page.emulateMedia({ media: null });
      expect([await frames.nth(0).isVisible(), await frames.nth(1).isVisible()]).to.deep.equal([true, true]);
    });

    it('has another shape and other corners on phones, where it is asked to', async () => {
      const asked: Options = {
        'fit': 'shape',
        'shape.phone': { width: 1, height: 1 },
        'corners': 12,
        'corners.phone': 0,
      };
      for (const more of [{}, { load: 'click' }, { heading: 'The film' }] as Options[]) {
        const code = dressed('frame', { ...asked, ...more }, 'x');
        for (const [width, ratio, corners] of [
          [360, 1, '0px'],
          [1280, 9 / 16, '12px'],
        ] as const) {
          await show(code, width);
          const it = page.locator('.x, .x iframe').last();
          const box = (await it.boundingBox())!;
          expect(box.height / box.width, `${width} ${JSON.stringify(more)}`).to.be.closeTo(ratio, 0.01);
          expect(await it.evaluate((element) => getComputedStyle(element).borderTopLeftRadius)).to.equal(
            corners,
          );
        }
      }
    });

    it('passes axe, before and after it is shown, as all that is put around a code does', async () => {
      const all: Options = {
        'fit': 'shape',
        'heading': 'The film',
        'caption': 'On the moor',
        'link-below': 'https://site.example/',
        'fallback': true,
        'backdrop': '#334433',
        'corners': 8,
        'load': 'click',
        'still': 'https://site.example/picture.svg',
      };
      await show(
        `<main><h1>Page</h1>${dressed('frame', all)}${dressed('form', { 'whole-link': 'https://site.example/' })}</main>`,
      );
      const worst = async () =>
        (await new AxeBuilder({ page }).options({ iframes: false }).analyze()).violations
          .filter(({ impact }) => impact === 'serious' || impact === 'critical')
          .map(({ id, nodes }) => `${id}: ${nodes[0]!.html}`);
      expect(await worst()).to.deep.equal([]);
      await page.getByRole('button').click();
      await page.locator('iframe').waitFor();
      expect(await worst()).to.deep.equal([]);
    });
  });
});
