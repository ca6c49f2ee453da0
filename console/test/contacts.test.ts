import { expect } from 'chai';
import { until } from '../../service/test/support/until.ts';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { startWidget, type Widget } from '../../service/test/support/widget.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, expectShown } from './support/browser.ts';
import { openedEmbed, openStep } from './support/workbench.ts';

describe('whom an embed contacts, watched in the owner’s own browser', () => {
  let test: TestOrbis;
  let widget: Widget;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_CHROMIUM: 'none' } });
    widget = await startWidget();
    await test.client.call('embeds.create', {
      body: { name: 'Widget', text: widget.code, options: { frame: 'enclosed' } },
    });
  });
  after(async () => {
    widget.stop();
    await closeBrowser();
    await test.stop();
  });

  it('is listed as it happens, where Orbis has no browser, and fixed', async () => {
    const [atClick, sentOn, second, first] = widget.hosts;
    const { context, page, complaints } = await openedEmbed(test, 'widget');
    await openStep(page, 'Its frame');
    const section = page.getByRole('region', { name: 'Whom it contacts' });
    await section.getByRole('button', { name: 'Find out' }).click();
    await section.getByText('here it is in yours', { exact: false }).waitFor();
    const inside = page.frameLocator('iframe[title="The embed, to see whom it contacts"]');
    // Nothing is kept out, also where it is sent on to; a page is told where it asked, not where that led.
    await expectShown(inside.getByText('All of it'));
    expect(widget.asked).to.include(`${sentOn}/third.js`);
    const listed = () =>
      section
        .locator('[data-contact]')
        .evaluateAll((items) => items.map((item) => (item as HTMLElement).innerText));
    await until(async () => (await listed()).length === 2);
    expect(await listed()).to.deep.equal([`${second} for scripts, not named before`, `${first} for scripts`]);
    await inside.locator('#widget').click();
    await until(async () => (await listed()).length === 3);
    expect((await listed())[0]).to.equal(`${atClick} for data, after a click, not named before`);
    expect(await barriers(page)).to.deep.equal([]);
    await section.getByRole('button', { name: 'Let it contact only these' }).click();
    await section.getByText(`${atClick}, ${second}, ${first}, and nobody else`, { exact: false }).waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
