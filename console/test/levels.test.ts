import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';
import { openStep, showCode } from './support/workbench.ts';

describe('an owner who sets something for one place, or for a whole site, at the console', () => {
  let test: TestOrbis;
  let page: Page;
  let placement: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    const { client, world } = test;
    await client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: `http://hollinfell.localhost:${world.port}` },
    });
    await client.call('pages.create', { body: { key: 'hollinfell/talks', title: 'Talks' } });
    await client.call('spots.create', { body: { key: 'hollinfell/talks#main' } });
    await client.call('embeds.create', {
      body: { name: 'Talk', text: talkCode(world.port), options: { 'max-width': 700 } },
    });
    placement = (
      await client.call('placements.create', { body: { embed: 'talk', place: 'hollinfell/talks#main' } })
    ).data.id;
    ({ page } = await newWindow());
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const field = (name: string) => page.locator(`input[data-option="${name}"]`);

  it('sees what holds for the site, sets it for one kind, and says that the site has a head to put things in', async () => {
    await page.goto(`${test.url}/places`);
    await page.getByRole('link', { name: 'What holds for all its embeds' }).click();
    await page.getByRole('heading', { name: 'Hollin Fell' }).waitFor();
    await page.getByLabel('I can put code into the head of this site’s pages').check();
    await page.getByLabel('For', { exact: true }).click();
    await page.getByRole('option', { name: 'video' }).click();
    await field('max-width').fill('900');
    await field('share').fill('900');
    await page.getByText('Write a number from 1 to 100.').waitFor();
    await field('share').fill('80');
    await page.getByRole('button', { name: 'Save for this site' }).click();
    await page.getByText('Saved for Hollin Fell.', { exact: false }).waitFor();
    const { data } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    expect([data.head, data.defaults.video]).to.deep.equal([true, { 'max-width': 900, 'share': 80 }]);
  });

  it('sets what only one provider has, for all its embeds on the site, and for one of them', async () => {
    await test.client.call('embeds.create', {
      body: {
        name: 'Counter',
        text: `<script src="http://count.tallywren.localhost:${test.world.port}/w.js?site=hollinfell"></script>`,
        options: { digits: 'grouped' },
      },
    });
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByLabel('For', { exact: true }).click();
    await page.getByRole('option', { name: 'counter' }).click();
    await page.getByLabel('Counts (Tallywren)').click();
    await page.getByRole('option', { name: 'Visitors' }).click();
    await page.getByRole('button', { name: 'Save for this site' }).click();
    await page.getByText('Saved for Hollin Fell.', { exact: false }).waitFor();
    expect(
      (await test.client.call('sites.read', { params: { site: 'hollinfell' } })).data.defaults.counter,
    ).to.deep.equal({ 'tallywren.counts': 'visitors' });
    await page.goto(`${test.url}/collection/counter`);
    await page.getByLabel('Number format').filter({ hasText: '1,201' }).waitFor();
    await page.getByLabel('Counts', { exact: true }).click();
    await page.getByRole('option', { name: 'Visitors' }).click();
    await showCode(page);
    await page.getByText('Counts: Visitors (tells=heads', { exact: false }).first().waitFor();
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved.', { exact: false }).waitFor();
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'counter' } })).data.current.options,
    ).to.deep.equal({ digits: 'grouped', counts: 'visitors' });
  });

  it('sees in the form of one place where each value comes from, and sets one for that place only', async () => {
    await page.goto(`${test.url}/collection/talk`);
    await openStep(page, 'Where it goes');
    await page.getByRole('link', { name: 'Change it here only' }).click();
    await page.getByRole('heading', { name: 'Talk in hollinfell/talks#main' }).waitFor();
    const hint = async (name: string): Promise<string> =>
      `${await field(name).getAttribute('placeholder')}: ${await below(name)}`;
    const below = async (name: string): Promise<string | null> =>
      page.locator(`[id="${await field(name).getAttribute('aria-describedby')}"]`).textContent();
    expect(await field('width').getAttribute('placeholder')).to.match(/^\d+ in the code$/);
    await openStep(page, 'How it looks');
    expect(await hint('max-width')).to.match(/^700: From the embed\./);
    expect(await hint('share')).to.match(/^80%: From the site\./);
    await field('max-width').fill('320');
    await showCode(page);
    await page.getByText('max-width:320px', { exact: false }).first().waitFor();
    await page.getByRole('button', { name: 'Save for this place' }).click();
    await page.getByText('Saved for hollinfell/talks#main.').waitFor();
    expect((await test.client.call('placements.read', { params: { placement } })).data.options).to.deep.equal(
      { 'max-width': 320 },
    );
    await page.goto(`${test.url}/register?as=list`);
    await page.getByText('Only here: never wider than 320').waitFor();
  });
});
