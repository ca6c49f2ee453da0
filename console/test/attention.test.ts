import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from '../../service/test/support/site-of-pages.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

const film = '<iframe src="https://otherside.localhost/v/1" title="Aurora"></iframe>';

describe('an owner whose pages want attention', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  before(async () => {
    test = await startTestOrbis();
    site = await startSiteOfPages();
    const { client } = test;
    await client.call('sites.create', { body: { key: 'fell', name: 'Hollin Fell', address: site.address } });
    for (const path of ['talks', 'live'])
      await client.call('pages.create', { body: { key: `fell/${path}`, title: path } });
    await client.call('spots.create', { body: { key: 'fell/talks#main' } });
    const text = '<iframe src="https://kinorill.localhost/1" title="Talk" allow="fullscreen"></iframe>';
    await client.call('embeds.create', { body: { name: 'Opening talk', text } });
    const body = { embed: 'opening-talk', place: 'fell/talks#main' };
    const { id } = (await client.call('placements.create', { body })).data;
    const { text: code } = (await client.call('deliveries.create', { params: { placement: id } })).data;
    site.pages.set('talks', pageOf(code));
    site.pages.set('live', pageOf(film));
    await sweepAll(client);
    site.pages.set('talks', pageOf(code.replace(' allow="fullscreen"', '')));
    await sweepAll(client);
  });
  after(async () => {
    await closeBrowser();
    await site.stop();
    await test.stop();
  });

  it('is told the worst first, lets one wait, and has another not told again', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'What wants attention' }).waitFor();
    await page.getByText('“allow” (what it may do) was taken out of the frame.').waitFor();
    expect(await page.getByText('Aurora').count(), 'notes are no matter for the start').to.equal(0);
    await page.getByRole('link', { name: 'All of it: 1 more' }).click();
    await page.getByRole('heading', { name: 'Attention', exact: true }).waitFor();
    await page.getByText('1 warning, 1 note.').waitFor();
    const headings = page.getByRole('main').getByRole('heading', { level: 3 });
    expect(await headings.allTextContents()).to.deep.equal(['Opening talk', 'Not in the register']);
    await page.getByRole('button', { name: 'Decide: Opening talk' }).click();
    await page.getByRole('menuitem', { name: 'Tell me later…' }).click();
    await page.getByRole('button', { name: 'Let it wait' }).click();
    await page.getByText('1 note.', { exact: true }).waitFor();
    await page.getByRole('button', { name: /^Decide: A frame/ }).click();
    await page.getByRole('menuitem', { name: 'Do not tell it again…' }).click();
    expect(await page.getByRole('button', { name: 'Do not tell it again' }).isDisabled()).to.equal(true);
    await page.getByLabel('Why').fill('The theme brings it');
    await page.getByRole('button', { name: 'Do not tell it again' }).click();
    await page.getByRole('heading', { name: 'Nothing wants attention' }).waitFor();
    await page.getByRole('tab', { name: 'Not told again' }).click();
    await page.getByText('“The theme brings it”', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Tell it again' }).click();
    await page.getByRole('heading', { name: 'Nothing is left out' }).waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('has the pages of a site looked at with a browser', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places/fell`);
    await page.getByLabel('My pages are built by scripts', { exact: false }).check();
    await page.getByRole('button', { name: 'Save for this site' }).click();
    await page.getByText('Saved for Hollin Fell', { exact: false }).first().waitFor();
    const read = async () => (await test.client.call('sites.read', { params: { site: 'fell' } })).data;
    expect((await read()).rendered).to.equal(true);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('collects what nobody knew with one button, and finds it live', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/attention?rule=unregistered`);
    await page.getByRole('button', { name: /^Collect and place/ }).click();
    await page.getByRole('heading', { name: 'Aurora', exact: true }).waitFor();
    const { items } = (await test.client.call('placements.list', { query: { embed: 'aurora' } })).data;
    expect(items.map(({ place, state }) => [place, state])).to.deep.equal([['fell/live#found', 'live']]);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
