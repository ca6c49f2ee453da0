import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { compose, documentText, openCode, type Options } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { closeBrowser, newWindow } from './support/browser.ts';
import { until } from '../../service/test/support/until.ts';

const sheets = builtInSheets();
const address = 'https://tonebarn.localhost/podcast/under-the-fell/17';
const codes = {
  plain: `<iframe src="${address}" width="560" height="315" title="The player"></iframe>`,
  boxed: `<div style="position:relative;padding-bottom:56.25%;height:0"><iframe src="${address}" style="position:absolute;top:0;left:0;width:100%;height:100%;border:0" title="The player"></iframe></div>`,
};

/* As high as its text, which runs over more lines where it is narrow; it says so when it changes. */
const player = `<!doctype html><style>body{margin:0;font:20px/40px monospace}</style><body>${'chapter '.repeat(30)}
<script>const say = () => parent.postMessage({ tonebarn: { tall: document.body.offsetHeight } }, '*');
new ResizeObserver(say).observe(document.body);</script>`;
/* Another frame of the page, which says things about others. */
const liar = `<script>for (const frame of [0, 1]) parent.postMessage({ tonebarn: { tall: 5000 } }, '*')</script>`;

describe('a frame that says how high it is, in a browser', () => {
  let page: Page;
  before(async () => {
    ({ page } = await newWindow());
    await page.route('**/*', (route) =>
      route.fulfill({
        contentType: 'text/html',
        body: route.request().url().startsWith(address) ? player : liar,
      }),
    );
  });
  after(closeBrowser);

  const show = async (name: keyof typeof codes, options: Options, width: number): Promise<void> => {
    const { snippets, problems } = compose(openCode(codes[name], { sheets }), options);
    expect(problems).to.deep.equal([]);
    await page.setViewportSize({ width, height: 800 });
    await page.goto('https://site.example/', { waitUntil: 'commit' });
    await page.setContent(
      `<!doctype html><html lang="en"><title>Page</title><style>body{margin:0}</style>${documentText(snippets)}<p id="next">Next</p><iframe src="https://site.example/liar" title="Another"></iframe>`,
    );
  };
  /* How high its frame and its content are, and how far down what follows it begins. */
  const seen = async (): Promise<{ frame: number; content: number; next: number }> => {
    const inside = page.frames().find((frame) => frame.url() === address);
    return {
      content: inside ? await inside.evaluate<number>('document.body.offsetHeight') : 0,
      ...(await page.evaluate<{ frame: number; next: number }>(
        `({ frame: document.querySelector('iframe').offsetHeight, next: document.querySelector('#next').offsetTop - 16 })`,
      )),
    };
  };
  const settles = (): Promise<void> =>
    until(async () => {
      const { frame, content, next } = await seen();
      return content > 0 && Math.abs(frame - content) <= 1 && next >= content - 20 && next <= content + 20;
    });

  for (const [label, name, options] of [
    ['by itself', 'plain', {}],
    ['in its provider’s box', 'boxed', {}],
    ['over a still picture', 'plain', { still: 'https://site.example/still.jpg' }],
    ['in its provider’s box, in a box of ours', 'boxed', { tint: '#000000' }],
  ] as [string, keyof typeof codes, Options][])
    it(`is as high as its content, ${label}`, async () => {
      for (const width of [1280, 360]) {
        await show(name, { fit: 'content', ...options }, width);
        await settles();
      }
      // It shrinks with it, as it grew.
      await page.setViewportSize({ width: 1280, height: 800 });
      await settles();
    });

  it('is as high as its content once it was asked for', async () => {
    await show('boxed', { fit: 'content', load: 'click' }, 600);
    await page.getByRole('button').click();
    await settles();
  });

  it('is not lower than the room that was kept for it', async () => {
    await show('plain', { fit: 'content', heights: '600:1000' }, 600);
    await until(async () => (await seen()).content > 0);
    expect((await seen()).next).to.be.within(990, 1020);
  });
});
