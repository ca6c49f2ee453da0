import { expect } from 'chai';
import type { BrowserContext, Page } from 'playwright-core';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';
import { openStep } from './support/workbench.ts';

describe('an owner who finds the way in the console', () => {
  let test: TestOrbis;
  let page: Page;
  let context: BrowserContext;
  before(async () => {
    test = await startTestOrbis();
    ({ page, context } = await newWindow());
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const focused = () =>
    page.evaluate(() => document.activeElement?.id || document.activeElement?.textContent);

  it('skips the ways to other screens by the keyboard, and is put at the beginning of a screen that is opened', async () => {
    await page.goto(`${test.url}/register`);
    await page.getByRole('heading', { name: 'Register', level: 1 }).waitFor();
    await page.keyboard.press('Tab');
    expect(await focused()).to.equal('Skip to the content');
    await page.keyboard.press('Enter');
    expect(await focused()).to.equal('main');
    await page.getByRole('link', { name: 'Sweeps' }).click();
    await page.getByRole('heading', { name: 'Sweeps', level: 1 }).waitFor();
    expect([await focused(), await page.title()]).to.deep.equal(['main', 'Sweeps · Orbis']);
    // A screen that is opened for one field has the focus there.
    await page.getByRole('link', { name: 'Collect', exact: true }).click();
    await page.getByLabel('Code or link').waitFor();
    expect(
      await page.getByLabel('Code or link').evaluate((field) => field === document.activeElement),
    ).to.equal(true);
  });

  it('is told when a screen is not there any more because Orbis was renewed, and keeps the ways to the others', async () => {
    const fresh = await context.newPage();
    await fresh.route(/assets\/HarvestsScreen/, (route) => route.abort());
    await fresh.goto(`${test.url}/register`);
    await fresh.getByRole('link', { name: 'Harvest' }).click();
    await fresh.getByRole('heading', { name: 'There is a newer version' }).waitFor();
    await fresh.getByRole('link', { name: 'Register' }).click();
    await fresh.getByRole('heading', { name: 'Register', level: 1 }).waitFor();
    await fresh.close();
  });

  it('places an embed on any page of many: by the beginning of its key', async () => {
    const { client } = test;
    await client.call('sites.create', {
      body: { key: 'many', name: 'Many', address: 'http://many.localhost' },
    });
    for (let i = 0; i < 120; i++) {
      await client.call('pages.create', { body: { key: `many/p${i}`, title: `P ${i}` } });
      await client.call('spots.create', { body: { key: `many/p${i}#main` } });
    }
    await client.call('embeds.create', {
      body: {
        name: 'Talk',
        text: '<iframe src="https://play.kinorill.localhost/film/a1" title="t"></iframe>',
      },
    });
    await page.goto(`${test.url}/collection/talk`);
    await openStep(page, 'Where it goes');
    await page.getByLabel('Place it in').fill('many/p11');
    await page.getByRole('option', { name: 'many/p119#main' }).click();
    expect(await page.getByLabel('Place it in').inputValue()).to.equal('many/p119#main');
    await page.getByRole('button', { name: 'Place', exact: true }).click();
    await page.getByRole('article', { name: 'Talk in many/p119#main' }).waitFor();
    expect(
      (await client.call('pages.list', { query: { q: 'many/p11' } })).data.items.map(({ key }) => key),
    ).to.deep.equal(['many/p11', ...[0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => `many/p11${n}`)]);
    const keys: string[] = [];
    for (let after: string | undefined, more = true; more; more = after !== undefined) {
      const { items, next } = (await client.call('pages.list', { query: { q: 'man', limit: 50, after } }))
        .data;
      keys.push(...items.map(({ key }) => key));
      after = next ?? undefined;
    }
    expect(keys).to.deep.equal(Array.from({ length: 120 }, (_, n) => `many/p${n}`).sort());
    expect((await client.call('pages.list', { query: { q: 'many/%' } })).data.items).to.deep.equal([]);
  });
});
