import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { loopbackFetch, sweepAll } from '@orbis/demo';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

const pages = [
  ['', 'sky'],
  ['talks', 'opening'],
  ['newsletter', 'form'],
  ['live', 'camera'],
] as const;

describe('an owner whose pages all need the same script', () => {
  let test: TestOrbis;
  let loader: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    const { client, world } = test;
    const address = `http://hollinfell.localhost:${world.port}`;
    await client.call('sites.create', { body: { key: 'hollinfell', name: 'Hollin Fell', address } });
    loader = `<script async src="http://cdn.slotsedge.localhost:${world.port}/booking.js"></script>`;
    const text = `<div class="slotsedge-calendar" data-calendar="nights"></div>\n${loader}`;
    await client.call('embeds.create', { body: { name: 'Nights', text } });
    for (const [path, spot] of pages) {
      await client.call('pages.create', { body: { key: `hollinfell/${path}`, title: path || 'Home' } });
      await client.call('spots.create', { body: { key: `hollinfell/${path}#${spot}` } });
      await client.call('placements.create', {
        body: { embed: 'nights', place: `hollinfell/${path}#${spot}` },
      });
    }
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const copied = (window: Page): Promise<string> => window.evaluate('navigator.clipboard.readText()');

  it('has it once in the head of every page, and sees that it is there', async () => {
    const { context, page: window, complaints } = await newWindow();
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await until(async () => {
      const { data } = await test.client.call('heads.read', { params: { site: 'hollinfell' } });
      return data.things[0]?.pages === pages.length;
    });
    await window.goto(`${test.url}/places`);
    await window.getByRole('link', { name: 'The head of every page' }).click();
    await window.getByText('4 pages need it: it would stand better once').waitFor();
    await window.getByRole('switch', { name: 'Once in the head of the whole site' }).check();
    await window.getByText('4 pages need it: paste it into the head of the whole site.').waitFor();
    await window.getByRole('button', { name: 'Copy what goes into the head' }).click();
    await window.getByText('Copied').waitFor();
    expect(await copied(window)).to.equal(loader);
    await loopbackFetch()(`http://hollinfell.localhost:${test.world.port}/edit/api/head`, {
      method: 'PUT',
      body: JSON.stringify({ code: loader }),
      headers: { 'content-type': 'application/json' },
    });
    await sweepAll(test.client);
    await window.reload();
    await window.getByText('All that is wanted there was seen there.').waitFor();
    expect(await barriers(window)).to.deep.equal([]);

    await window.goto(`${test.url}/plan?page=${encodeURIComponent('hollinfell/talks')}`);
    await window.getByText('into the head of every page of the site').first().waitFor();
    await window.getByRole('button', { name: 'Copy what goes to hollinfell/talks#opening' }).click();
    await until(async () => (await copied(window)).includes('slotsedge-calendar'));
    expect(await copied(window)).to.not.include('booking.js');
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
