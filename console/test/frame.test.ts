import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { get } from '../../service/test/support/get.ts';
import { until } from '../../service/test/support/until.ts';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, expectShown } from './support/browser.ts';
import { openedEmbed, openStep } from './support/workbench.ts';

const form =
  '<form action="https://formwold.localhost/letters/a" method="post"><input name="mail" aria-label="Your address"><button>Sign up</button></form><script>const joining = document.querySelector("form");</script>';

describe('its frame, in the workbench', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    for (const [name, text] of [
      ['Form', form],
      ['Talk', talkCode(test.world.port)],
      [
        'Calendar',
        `<div class="slotsedge-calendar" data-calendar="hollinfell-nights"></div>\n<script async src="http://cdn.slotsedge.localhost:${test.world.port}/booking.js"></script>`,
      ],
    ] as const)
      await test.client.call('embeds.create', { body: { name, text } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const inside = (page: Page) => page.frameLocator('iframe[title^="Preview"]').frameLocator('iframe[srcdoc]');
  const way = (page: Page, name: string) => page.getByRole('radio', { name: new RegExp(`^${name}`) });
  const saved = async (embed: string) =>
    (await test.client.call('embeds.read', { params: { embed } })).data.current.options;

  it('says which way is best and why, and shows and saves the one that is chosen', async () => {
    const { context, page, complaints } = await openedEmbed(test, 'form');
    await openStep(page, 'Its frame');
    await page.getByText('It takes the name “joining” for itself', { exact: false }).waitFor();
    expect(await way(page, 'None').isChecked()).to.equal(true);
    await way(page, 'Enclosed').check();
    await expectShown(inside(page).getByRole('button', { name: 'Sign up' }));
    await page.locator('[data-power="may-send-forms"]').getByText('the code has a form to send').waitFor();
    await page.getByRole('button', { name: 'Let it do more, or less' }).click();
    await page.locator('[data-option="may-download"]').first().waitFor({ state: 'attached' });
    expect(await barriers(page)).to.deep.equal([]);
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    expect(await saved('form')).to.deep.equal({ frame: 'enclosed' });
    await way(page, 'None').check();
    await page.getByRole('button', { name: 'Save as revision 3' }).click();
    await page.getByText('Revision 3 is saved', { exact: false }).first().waitFor();
    expect(await saved('form')).to.deep.equal({});
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('finds out whom it contacts, fixes that, and lets it contact others again', async () => {
    const { context, page, complaints } = await openedEmbed(test, 'calendar');
    await openStep(page, 'Its frame');
    await way(page, 'Enclosed').check();
    const section = page.getByRole('region', { name: 'Whom it contacts' });
    await section.getByText('by its code', { exact: false }).waitFor();
    await section.getByRole('button', { name: 'Find out' }).click();
    const found = section.locator('[data-contact="cdn.slotsedge.localhost"]');
    await found.waitFor();
    expect(await found.textContent()).to.include('for scripts');
    await section.getByRole('button', { name: 'Let it contact only these' }).click();
    await section.getByText('and nobody else', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    expect(await saved('calendar')).to.deep.equal({
      frame: 'enclosed',
      contacts: ['cdn.slotsedge.localhost'],
    });
    // It still fills itself, in the preview as on a page.
    await expectShown(inside(page).getByText('Nights', { exact: false }).first());
    expect(await barriers(page)).to.deep.equal([]);
    await section.getByRole('button', { name: 'Let it contact others again' }).click();
    await page.getByRole('button', { name: 'Save as revision 3' }).click();
    await page.getByText('Revision 3 is saved', { exact: false }).first().waitFor();
    expect(await saved('calendar')).to.deep.equal({ frame: 'enclosed' });
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('says at its place how often it was shown, and where', async () => {
    await declareSite(test, ['opening']);
    const { data } = await test.client.call('placements.create', {
      body: { embed: 'talk', place: 'hollinfell/talks#opening' },
    });
    const params = { placement: data.id };
    const { link } = (await test.client.call('placements.link', { params })).data;
    const page = `http://hollinfell.localhost:${test.world.port}/elsewhere`;
    await get(link, { headers: { 'sec-fetch-dest': 'iframe', 'referer': page } });
    await until(async () => (await test.client.call('placements.hits', { params })).data.times === 1);
    const window = await openedEmbed(test, 'talk');
    await window.page.goto(`${test.url}/register/${data.id}`);
    const section = window.page.getByRole('region', { name: 'Seen by visitors' });
    await section.getByText('Shown 1 time since', { exact: false }).waitFor();
    await section.getByRole('button', { name: 'Where it was shown' }).click();
    await section.getByText(page, { exact: false }).waitFor();
    expect(await section.getByRole('listitem').textContent()).to.include('not in the register');
    expect(window.complaints).to.deep.equal([]);
    await window.context.close();
  });

  it('offers no way that would not work, and says why', async () => {
    const { context, page } = await openedEmbed(test, 'talk');
    await openStep(page, 'Its frame');
    await page.getByText('This code shows a frame of its provider', { exact: false }).first().waitFor();
    expect(await way(page, 'Enclosed').isDisabled()).to.equal(true);
    await way(page, 'Served by Orbis').check();
    await page.getByText('Its frame: Its document is served for a placement', { exact: false }).waitFor();
    await expectShown(inside(page).locator('iframe'));
    await context.close();
  });

  it('gives the file that goes onto the owner’s server', async () => {
    const { context, page } = await openedEmbed(test, 'form');
    await openStep(page, 'Its frame');
    await way(page, 'A file of yours').check();
    await page.getByLabel('Address of the file').fill('https://hollinfell.localhost/form.html');
    await page.getByRole('button', { name: 'Copy the file' }).click();
    const copied = await page.evaluate(() => navigator.clipboard.readText());
    expect(copied)
      .to.match(/^<!doctype html>/)
      .and.include('formwold.localhost');
    await context.close();
  });
});
