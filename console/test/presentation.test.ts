import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { compose, documentText, openCode, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { closeBrowser, newWindow } from './support/browser.ts';

const code =
  '<iframe width="560" height="315" src="about:blank#https://play.kinorill.localhost/film/a" title="t"></iframe>';
const sheets = builtInSheets();

const parents: Record<string, (inner: string) => string> = {
  'a block': (inner) => `<div class="place">${inner}</div>`,
  'a flex row beside a tall neighbour': (inner) =>
    `<div class="place" style="display:flex"><div style="flex:1;min-width:0">${inner}</div><div style="width:0;height:900px"></div></div>`,
  'a flex row, directly': (inner) =>
    `<div class="place" style="display:flex">${inner}<div style="width:0;height:900px"></div></div>`,
  'a flex column': (inner) => `<div class="place" style="display:flex;flex-direction:column">${inner}</div>`,
  'a grid': (inner) => `<div class="place" style="display:grid">${inner}</div>`,
  'a table of fixed layout': (inner) =>
    `<table class="place" style="table-layout:fixed;border-spacing:0"><tr><td style="padding:0">${inner}</td></tr></table>`,
};

describe('presentation in a browser', () => {
  let page: Page;
  before(async () => void ({ page } = await newWindow()));
  after(closeBrowser);

  const measure = async (
    wrap: (inner: string) => string,
    options: Options,
    width: number,
  ): Promise<{ x: number; width: number; height: number; parent: number }> => {
    const { text, problems } = compose(openCode(code, { sheets }), options);
    expect(problems).to.deep.equal([]);
    await page.setContent(
      `<!doctype html><style>body{margin:0}.place{width:${width}px}</style>${wrap(text)}`,
    );
    const box = (await page.locator('iframe').boundingBox())!;
    const parent = (await page.locator('.place').boundingBox())!;
    return { x: box.x, width: box.width, height: box.height, parent: parent.height };
  };

  for (const [label, wrap] of Object.entries(parents)) {
    for (const width of [320, 704, 1200]) {
      it(`holds its shape in ${label}, ${width} px wide`, async () => {
        const box = await measure(wrap, { fit: 'shape' }, width);
        expect(box.width).to.be.closeTo(width, 0.5);
        expect(box.height).to.be.closeTo((width * 9) / 16, 0.5);
      });
    }
  }

  it('leaves no gap below it', async () => {
    const box = await measure(parents['a block']!, { fit: 'shape' }, 704);
    expect(box.parent).to.equal(box.height);
  });

  it('never gets wider than it may, and stands where it is told', async () => {
    for (const [align, x] of [
      ['left', 0],
      ['centre', 300],
      ['right', 600],
    ] as const) {
      const box = await measure(parents['a block']!, { 'fit': 'shape', 'max-width': 600, align }, 1200);
      expect([box.width, box.x]).to.deep.equal([600, x]);
    }
    expect(
      (await measure(parents['a block']!, { 'fit': 'shape', 'max-width': 600, 'align': 'centre' }, 400))
        .width,
    ).to.equal(400);
  });

  it('takes its share of the width', async () => {
    const box = await measure(parents['a block']!, { fit: 'shape', share: 75, align: 'centre' }, 800);
    expect([box.width, box.x, box.height]).to.deep.equal([600, 100, 337.5]);
  });

  it('is on phones and tablets as it is asked there, whatever its own style says', async () => {
    const options = { 'fit': 'shape', 'max-width': 600, 'max-width.phone': 300, 'share.tablet': 50 };
    const { snippets } = compose(openCode(code, { sheets }), options, { apart: 'orbis-x' });
    const widths: number[] = [];
    for (const width of [390, 768, 1280]) {
      await page.setViewportSize({ width, height: 800 });
      await page.setContent(
        `<!doctype html><meta name="viewport" content="width=device-width"><style>body{margin:0}</style>${documentText(snippets)}`,
      );
      widths.push((await page.locator('iframe').boundingBox())!.width);
    }
    expect(widths).to.deep.equal([300, 384, 600]);
  });

  it('holds an upright shape', async () => {
    const box = await measure(
      parents['a block']!,
      { 'fit': 'shape', 'shape': { width: 9, height: 16 }, 'max-width': 360 },
      704,
    );
    expect([box.width, box.height]).to.deep.equal([360, 640]);
  });

  /* Of a code without a frame: what is measured is the box of ours around it. */
  for (const [label, wrap] of Object.entries(parents))
    for (const [width, expected, x] of [
      [320, 320, 0],
      [704, 480, 112],
      [1200, 480, 360],
    ] as const)
      it(`puts a form into a box in ${label}, ${width} px wide`, async () => {
        const form = '<form action="https://a.example/in"><input name="mail" style="width:100%"></form>';
        const options = { 'max-width': 480, 'align': 'centre' };
        const { text } = compose(openCode(form, { sheets }), options);
        await page.setViewportSize({ width: 1280, height: 800 });
        await page.setContent(
          `<!doctype html><style>body{margin:0}.place{width:${width}px}</style>${wrap(text)}`,
        );
        const box = (await page.locator('form').boundingBox())!;
        expect([box.width, box.x].map(Math.round)).to.deep.equal([expected, x]);
      });

  it('is cut off at round corners, and keeps its width with a line around it', async () => {
    const options = {
      'fit': 'shape',
      'max-width': 600,
      'corners': 40,
      'border': 3,
      'border-colour': '#2f6145',
    };
    const box = await measure(parents['a block']!, options, 1200);
    expect([box.width, box.height]).to.deep.equal([600, 337.5]);
    const hit = (x: number, y: number): Promise<string> =>
      page.evaluate(([x, y]) => document.elementFromPoint(x!, y!)?.localName ?? '', [x, y]);
    // Where a corner is rounded away, what is behind it is hit.
    expect([await hit(2, 2), await hit(598, 2), await hit(2, 335), await hit(300, 2)]).to.deep.equal([
      'div',
      'div',
      'div',
      'iframe',
    ]);
  });

  it('is never narrower than it may, also where its place is', async () => {
    const box = await measure(parents['a block']!, { 'fit': 'shape', 'min-width': 480 }, 320);
    expect([box.width, box.height]).to.deep.equal([480, 270]);
  });
});
