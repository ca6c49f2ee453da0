import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';
import { openStep } from './support/workbench.ts';

describe('an owner whose site has colours', function () {
  this.timeout(60_000);
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('has them read, keeps some, and puts one of them on an embed', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Collect', exact: true }).waitFor();
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByRole('button', { name: 'Read them from the site' }).click();
    await page.getByText('Read of http', { exact: false }).waitFor();
    const first = page.getByRole('checkbox', { name: /^#1e2b38 background/ });
    expect(await first.isChecked()).to.equal(true);
    await first.uncheck();
    await page.getByRole('button', { name: 'Save for this site' }).click();
    await page.getByText('Saved for Hollin Fell', { exact: false }).first().waitFor();
    const { colours } = (await test.client.call('sites.read', { params: { site: 'hollinfell' } })).data;
    expect(colours).to.have.length(9).and.include('#c9a86a').and.not.include('#1e2b38');

    await page.goto(`${test.url}/collection/talk`);
    await openStep(page, 'How it looks');
    await page.getByRole('button', { name: 'Heading, caption, links and a panel' }).click();
    const own = page.getByRole('group', { name: 'Panel behind it, of your sites' });
    await own.getByRole('button', { name: '#c9a86a' }).click();
    expect(await page.getByLabel('Panel behind it', { exact: true }).inputValue()).to.equal('#c9a86a');
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
