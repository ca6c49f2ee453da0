import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner who looks for the same again and again', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    const place = 'hollinfell/talks#opening';
    await test.client.call('placements.create', { body: { embed: 'talk', place } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('keeps a search of the register under a name, comes back to it, and lets it go', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/register?state=planned&site=hollinfell`);
    await page.getByRole('button', { name: 'Keep this search under a name' }).click();
    await page.getByLabel('What do you call it?').fill('To paste');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('“To paste” stands over the register from now on.').waitFor();
    const { data } = await test.client.call('savedSearches.list', {});
    expect(data.items.map(({ name, where }) => [name, where])).to.deep.equal([
      ['To paste', 'state=planned site=hollinfell'],
    ]);

    await test.client.call('savedSearches.save', {
      params: { search: 'Typed the other way' },
      ifNoneMatch: '*',
      body: { where: 'site=hollinfell state=live' },
    });
    await page.goto(`${test.url}/register?state=live&site=hollinfell`);
    await page.getByRole('button', { name: 'Keep “Typed the other way” no more' }).waitFor();

    await page.goto(`${test.url}/register`);
    await page.getByRole('link', { name: 'To paste' }).click();
    await page.waitForURL(/state=planned&site=hollinfell/);
    await page.getByRole('row', { name: /Talk hollinfell\/talks#opening/ }).waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await page.getByRole('button', { name: 'Keep “To paste” no more' }).click();
    await page.getByText('“To paste” is kept no more.').waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('link', { name: 'To paste' }).waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
