import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('a page as a picture of its spots', () => {
  let test: TestOrbis;
  let page: Page;
  let complaints: string[];
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test, ['opening']);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await test.client.call('placements.create', {
      body: { embed: 'talk', place: 'hollinfell/talks#opening' },
    });
    ({ page, complaints } = await newWindow());
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const spot = async (name: string) =>
    (await test.client.call('spots.read', { params: { spot: `hollinfell/talks#${name}` } })).data;

  it('is taken on the screen of its plan, and a spot is where somebody points', async () => {
    await page.goto(`${test.url}/plan?page=hollinfell/talks`);
    await page.getByRole('button', { name: 'Show the page in a picture' }).click();
    const picture = page.getByRole('group', { name: 'Picture of Talks' });
    await picture.getByRole('img').waitFor();
    await page.getByText('Nobody said yet where “opening” is').waitFor();

    // Into the lead, which is no area of its own: what is around it is meant.
    await picture.click({ position: { x: 250, y: 60 } });
    const form = page.getByRole('form', { name: 'What you pointed at' });
    await form.getByText('358 px wide on a phone, 736 on a tablet, 760 on a desktop').waitFor();
    await form.getByLabel('It is').click();
    await page.getByRole('option', { name: 'the spot “opening”' }).click();
    await form.getByRole('button', { name: 'It is there' }).click();
    await page.getByText('The spot hollinfell/talks#opening is there from now on.').waitFor();
    expect(await spot('opening')).to.deep.include({
      selector: 'main',
      widths: { phone: 358, tablet: 736, desktop: 760 },
    });
    await picture.getByText('opening: Talk').waitFor();
  });

  it('does without a mouse: an area is chosen from the list, and becomes a new spot', async () => {
    await page.getByLabel('Point at a part of the page, or choose it').press('Enter');
    await page.getByRole('option', { name: /^“Hollin Fell Observatory · the moor road/ }).press('Enter');
    const form = page.getByRole('form', { name: 'What you pointed at' });
    await form.getByLabel('Its name').fill('foot');
    await form.getByRole('button', { name: 'Make it a spot' }).press('Enter');
    await page.getByText('The spot hollinfell/talks#foot is there.').waitFor();
    expect((await spot('foot')).selector).to.equal('footer');
  });

  it('makes it a spot of every page', async () => {
    await page.getByLabel('Point at a part of the page, or choose it').press('Enter');
    await page.getByRole('option', { name: /^“Hollin Fell Observatory · the moor road/ }).press('Enter');
    const form = page.getByRole('form', { name: 'What you pointed at' });
    await form.getByLabel('Its name').fill('everywhere');
    await form.getByLabel('Every page of the site has it there').check();
    await form.getByRole('button', { name: 'Make it a spot' }).click();
    await page.getByText('Every page has the spot “everywhere” now.').waitFor();
    expect(await spot('everywhere')).to.deep.include({ selector: 'footer', shared: true });
  });

  it('has spots of fixed sizes, which are typed and changed among the pages', async () => {
    await page.goto(`${test.url}/places`);
    const talks = page.getByRole('region', { name: 'Talks' });
    await talks.getByRole('button', { name: 'Change the spot “foot”' }).click();
    const form = talks.getByRole('form', { name: 'Change the spot “foot”' });
    await form.getByLabel('It has a fixed size').check();
    await form.getByLabel('Desktop size').click();
    await page.getByRole('option', { name: 'Leaderboard, 728×90' }).click();
    await form.getByRole('button', { name: 'Save the spot' }).click();
    await talks.getByText('300×250 px on a phone, 300×250 on a tablet, 728×90 on a desktop').waitFor();
    expect((await spot('foot')).selector).to.equal('footer');
    expect(complaints).to.deep.equal([]);
  });
});
