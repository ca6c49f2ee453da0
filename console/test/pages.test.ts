import { expect } from 'chai';
import { declareSite, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner who has many pages', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const registered = async (): Promise<string[]> =>
    (await test.client.call('pages.list', { query: { site: 'hollinfell' } })).data.items.map(
      ({ path }) => path,
    );

  it('has them found, adds what is wanted of them, takes that back, and brings a list', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places`);
    await page.getByRole('link', { name: 'Find its pages' }).click();
    await page.getByRole('button', { name: 'Read its sitemap' }).click();
    await page.getByText('5 pages found, 4 of them new').waitFor();
    expect(await page.getByRole('checkbox').count()).to.equal(5);
    await page.getByRole('checkbox', { name: 'Live' }).uncheck();
    expect(await barriers(page)).to.deep.equal([]);
    await page.getByRole('button', { name: 'Add 3 pages' }).click();
    await page.getByText('3 pages were added to', { exact: false }).waitFor();
    expect((await registered()).sort()).to.deep.equal(['', 'newsletter', 'stories/twelve-winters', 'talks']);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('Taken back: Added 3 pages to the site hollinfell', { exact: false }).waitFor();
    expect(await registered()).to.deep.equal(['talks']);

    await page.getByRole('button', { name: 'Follow its links' }).click();
    await page.getByText('5 pages found, 4 of them new').waitFor();
    await page.getByRole('checkbox', { name: 'Twelve winters on the moor' }).waitFor();

    await page.getByLabel('Or a list of your own').fill('/visit\nhttps://elsewhere.localhost/');
    await page.getByRole('button', { name: 'Take the list' }).click();
    await page.getByText('Line 2: “https://elsewhere.localhost/” is no page of', { exact: false }).waitFor();
    await page.getByLabel('Or a list of your own').fill('path;title\n/visit;Come and see');
    await page.getByRole('button', { name: 'Take the list' }).click();
    await page.getByText('1 page in your list').waitFor();
    await page.getByRole('button', { name: 'Add 1 page' }).click();
    await page.getByText('1 page was added to', { exact: false }).waitFor();
    expect(await registered()).to.deep.equal(['talks', 'visit']);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('sees what is on a preview, apart from what is published', async () => {
    const at = `http://darkskyweek.localhost:${test.world.port}`;
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: '*',
      body: { furtherAddresses: [at] },
    });
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByRole('button', { name: `See what is on ${at}` }).click();
    await page.getByRole('heading', { name: 'Sweeps', level: 1 }).waitFor();
    await page.getByRole('heading', { name: `hollinfell at ${at}` }).waitFor();
    await page.getByText(`Read at ${at}: what is seen there says nothing`, { exact: false }).waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('is told why nothing was found', async () => {
    await test.client.call('sites.create', {
      body: { key: 'gone', name: 'Gone', address: `http://gone.localhost:${test.world.port}` },
    });
    const { context, page } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places/gone/pages`);
    await page.getByRole('button', { name: 'Read its sitemap' }).click();
    await page.getByText('No sitemap could be read at', { exact: false }).waitFor();
    await context.close();
  });
});
