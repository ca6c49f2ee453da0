import { expect } from 'chai';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';
import { transferredFor } from './support/transferred.ts';

/* Bytes over the wire, fonts included. */
const most = 250_000;

describe('the first screen', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it(`takes at most ${most / 1000} kB over the wire: no schema, no language and no parser comes before there is a code`, async () => {
    const { page, context } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    const loaded = await transferredFor(context, test.url);
    expect(loaded.filter(({ name }) => name.endsWith('.woff2')).length, 'fonts').to.be.at.least(3);
    expect(loaded.some(({ name }) => /TodayScreen/.test(name))).to.equal(true);
    expect(loaded.reduce((sum, { bytes }) => sum + bytes, 0)).to.be.at.most(most);
  });

  it('is sent as it was packed when it was built, by brotli or gzip as the browser takes it, and kept for a year', async () => {
    const page = await (await fetch(`${test.url}/`)).text();
    const script = /assets\/index-[^"]+\.js/.exec(page)![0];
    const sizes: number[] = [];
    for (const encoding of ['br', 'gzip', 'identity']) {
      const response = await fetch(`${test.url}/${script}`, { headers: { 'accept-encoding': encoding } });
      expect(response.headers.get('content-encoding')).to.equal(encoding === 'identity' ? null : encoding);
      expect(response.headers.get('cache-control')).to.include('max-age=31536000');
      expect(response.headers.get('content-type')).to.match(/^(?:text|application)\/javascript/);
      expect(response.headers.get('vary')).to.match(/accept-encoding/i);
      sizes.push(Number(response.headers.get('content-length')));
    }
    expect(sizes[0]).to.be.lessThan(sizes[1]!);
    expect(sizes[1]).to.be.lessThan(sizes[2]! / 2);
  });
});
