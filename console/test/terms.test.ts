import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { axeFindings } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';
import { openDrawer } from './support/workbench.ts';

describe('an owner who keeps an eye on costs and contracts', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('writes down what was agreed, sees it added up, and is told of its end on the start screen', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/terms`);
    await page.getByRole('heading', { name: 'Nothing is written down yet' }).waitFor();

    await page.goto(`${test.url}/collection/talk`);
    await openDrawer(page, 'Details');
    await page.getByRole('button', { name: 'Costs and terms' }).click();
    await page.getByLabel('Price').fill('twelve');
    await page.getByText('Write it as 12.50 EUR a month', { exact: false }).waitFor();
    expect(await page.getByRole('button', { name: 'Save the terms' }).isDisabled()).to.equal(true);
    await page.getByLabel('Price').fill('12,50 eur a month');
    await page.getByLabel('Views a month').fill('20,000');
    await page.getByRole('button', { name: 'Save the terms' }).click();
    await page.getByText('Saved. The start screen', { exact: false }).waitFor();
    const { data } = await test.client.call('terms.ofEmbed', { params: { embed: 'talk' } });
    expect([data.viewsAMonth, data.price]).to.deep.equal([
      20_000,
      { amount: 12.5, currency: 'EUR', every: 'month' },
    ]);

    await page.goto(`${test.url}/providers/kinorill`);
    await page.getByLabel('Ends').fill('2020-02-29');
    await page.getByRole('button', { name: 'Save the terms' }).click();
    await page.getByText('Its contract is over: 29 February 2020', { exact: false }).waitFor();
    await page.goto(test.url);
    await page.getByRole('heading', { name: 'Contracts and limits' }).waitFor();
    await page.getByRole('link', { name: 'All costs and terms' }).click();
    await page.getByText('EUR 150.00 a year in all.').waitFor();
    await page.getByText('0 of 20,000').waitFor();
    expect(await axeFindings(page)).to.deep.equal([]);
    await page.getByRole('link', { name: 'Kinorill' }).click();
    await page.getByRole('heading', { name: 'Your costs and terms' }).waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
