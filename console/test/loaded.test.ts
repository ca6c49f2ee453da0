import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { countDay } from '../../service/src/store/placement-days.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from '../../service/test/support/site-of-pages.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow, type SignedIn } from './support/browser.ts';

describe('an owner who wants to know whether what is placed still loads', () => {
  let test: TestOrbis;
  let provider: SiteOfPages;
  let signedIn: SignedIn;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    provider = await startSiteOfPages('slides.localhost');
    await declareSite(test, ['opening', 'second']);
    const { context, page } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    signedIn = await context.storageState();
    await context.close();
  });
  after(async () => {
    await closeBrowser();
    await provider.stop();
    await test.stop();
  });
  const fault = (name: string | null) =>
    fetch(`http://127.0.0.1:${test.world.port}/faults/kinorill`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ fault: name }),
    });

  it('asks, is told what is wrong, and finds the addresses and the embeds that have it', async () => {
    const { client, world } = test;
    const { context, page, complaints } = await newWindow(undefined, signedIn);
    await page.goto(`${test.url}/providers`);
    await page.getByRole('link', { name: 'How they answer' }).click();
    await page.getByRole('heading', { name: 'Nothing was asked for yet' }).waitFor();
    await client.call('embeds.create', { body: { name: 'Talk', text: talkCode(world.port) } });
    await client.call('placements.create', { body: { embed: 'talk', place: 'hollinfell/talks#opening' } });
    await page.getByRole('button', { name: 'Ask now' }).click();
    await page.getByText('one address, all well').waitFor();
    expect(await barriers(page)).to.deep.equal([]);

    await fault('refuses-frames');
    await page.getByRole('link', { name: /^play\.kinorill/ }).click();
    await page.getByRole('button', { name: 'Ask now' }).click();
    await page.getByText('something is wrong', { exact: true }).waitFor();
    await page.getByRole('link', { name: 'Talk', exact: true }).waitFor();
    await page.getByRole('button', { name: /as a table$/ }).click();
    expect(await page.getByRole('table').getByRole('row').count()).to.equal(15);
    expect(await barriers(page)).to.deep.equal([]);
    await page.getByRole('link', { name: 'What is wrong' }).click();
    await page.getByText('Visitors see an empty box.', { exact: false }).waitFor();
    await page.getByRole('link', { name: 'Show its addresses: Refuses to be framed' }).click();
    await page.getByRole('heading', { name: 'Addresses' }).waitFor();
    await fault(null);
    await page.getByRole('button', { name: 'Ask now' }).click();
    await page.getByText('well', { exact: true }).waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('takes in the code that a provider hands out by now', async () => {
    let tone = 'pale';
    provider.pages.set('oembed', (_request, response) =>
      response.writeHead(200, { 'content-type': 'application/json' }).end(
        JSON.stringify({
          ...{ version: '1.0', type: 'rich', width: 640, height: 360 },
          html: `<iframe src="${provider.address}/show?tone=${tone}" width="640" height="360" title="Slides"></iframe>`,
        }),
      ),
    );
    provider.pages.set('show', pageOf(''));
    const link = `<link rel="alternate" type="application/json+oembed" href="${provider.address}/oembed">`;
    provider.pages.set('slides', pageOf('', link));
    const { client } = test;
    const text = `${provider.address}/slides`;
    await client.call('embeds.create', { body: { name: 'Slides', text, ask: true } });
    await client.call('placements.create', { body: { embed: 'slides', place: 'hollinfell/talks#second' } });
    tone = 'deep';
    const { context, page, complaints } = await newWindow(undefined, signedIn);
    await page.goto(`${test.url}/hosts`);
    await page.getByRole('button', { name: 'Ask now' }).click();
    await page.getByText(provider.address.slice('http://'.length)).waitFor();
    await page.goto(`${test.url}/attention`);
    await page.getByRole('button', { name: 'Take it in: Slides' }).click();
    await page.getByRole('heading', { name: 'Slides', level: 1 }).waitFor();
    const { base } = (await client.call('embeds.read', { params: { embed: 'slides' } })).data;
    expect(base).to.include('tone=deep');
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('sees how placements were, day by day', async () => {
    await countDay(test.orbis.connection.db, new Date());
    const { context, page, complaints } = await newWindow(undefined, signedIn);
    await page.goto(`${test.url}/sweeps`);
    await page.getByRole('heading', { name: 'Placements over time' }).waitFor();
    await page.getByRole('button', { name: 'Placements by their state, as a table' }).click();
    const today = page.getByRole('table', { name: 'Placements by their state' }).getByRole('row').nth(1);
    expect(await today.getByRole('cell').allInnerTexts()).to.deep.equal(['2']);
    expect(await page.getByRole('heading', { name: 'Out of date for how long' }).count()).to.equal(0);
    const { db } = test.orbis.connection;
    await db.execute(
      `update placement set state = 'out-of-date', state_since = utc_timestamp() - interval 8 day limit 1`,
    );
    await countDay(db, new Date());
    await page.reload();
    await page.getByRole('button', { name: /^Placements that are out of date.*, as a table$/ }).click();
    const late = page.getByRole('table', { name: /^Placements that are out of date/ });
    expect(await late.getByRole('row', { name: '30 days at most' }).innerText()).to.match(/\s1$/);
    expect(await late.getByRole('row').count()).to.equal(6);
    expect(await barriers(page)).to.deep.equal([]);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
