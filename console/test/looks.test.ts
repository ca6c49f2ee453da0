import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { publishedWith } from '../../service/test/support/published.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner who has a page looked at', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('sees its pictures, what is wrong, and after mending both times side by side', async () => {
    const work = publishedWith(test);
    await work.collect('Talk', talkCode(test.world.port));
    const id = await work.place('talk', 'opening');
    await work.publish((await work.delivered(id)).text.replace('width="560"', 'width="900"'));
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/plan?page=hollinfell/talks`);
    await page.getByRole('link', { name: 'How it looks' }).click();
    await page.getByRole('heading', { name: 'Nobody has looked yet' }).waitFor();
    expect(await barriers(page)).to.deep.equal([]);

    await page.getByRole('button', { name: 'Look now' }).click();
    await page.getByText(/^It is \d+ px wider than the window on a phone/).waitFor();
    const picture = page.getByRole('img', { name: /in a window of 1280 px; what is placed is outlined$/ });
    expect(
      await picture.evaluate((image: HTMLImageElement) => image.decode().then(() => image.naturalWidth)),
    ).to.equal(1280);
    await page.getByRole('button', { name: 'Phone' }).click();
    const phone = page.getByRole('img', { name: /in a window of 390 px/ });
    expect(
      await phone.evaluate((image: HTMLImageElement) => image.decode().then(() => image.naturalWidth)),
    ).to.equal(390);
    await page.getByText(/^It played when it was pressed at 0:0\d\.$/).waitFor();
    expect(await barriers(page)).to.deep.equal([]);

    await page.goto(`${test.url}/attention`);
    await page.getByRole('link', { name: /^See the pictures: Too wide|^See the pictures/ }).click();
    await page.getByRole('heading', { name: /^How Talks looks/ }).waitFor();
    await test.client.call('embeds.read', { params: { embed: 'talk' } });
    await work.publish((await work.delivered(id)).text.replace('width="560"', 'width="300"'));
    await page.getByRole('button', { name: 'Look again' }).click();
    await page.getByText('The page was looked at: all is well.').waitFor();
    await page.getByLabel('Beside it').click();
    await page.getByRole('option').nth(1).click();
    await page.getByRole('button', { name: 'Phone' }).click();
    expect(await page.getByRole('img', { name: /in a window of 390 px/ }).count()).to.equal(2);
    expect(await barriers(page)).to.deep.equal([]);
    await page.goto(`${test.url}/third-parties`);
    await page.getByRole('button', { name: 'What pages load from others, as a table' }).click();
    const table = page.getByRole('table', { name: 'What pages load from others' });
    expect(await table.getByRole('row').count()).to.equal(2);
    await table.getByRole('link', { name: 'hollinfell/talks' }).waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('finds what the provider keeps of an embed, and reads that nothing is to be pasted anew', async () => {
    const { client, world } = test;
    const host = `js.popplenook.localhost:${world.port}`;
    const text = `<script async src="http://${host}/popup.js"></script>\n<div class="popplenook-popup" data-campaign="friends" data-after="1"></div>`;
    await client.call('embeds.create', { body: { name: 'Friends', text } });
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/collection/friends`);
    await page.getByRole('button', { name: 'What it is' }).click();
    const link = page.getByRole('link', { name: 'How it is set, at Popplenook' });
    expect(await link.getAttribute('href')).to.equal(`http://${host}/campaigns/friends`);
    await page.getByText('nothing is to be pasted anew').waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
