import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { publishedWith } from '../../service/test/support/published.ts';
import { axeFindings } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('the steps of a page that somebody else does', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    const talks = publishedWith(test);
    await talks.collect('Opening', talkCode(test.world.port));
    await talks.place('opening', 'opening');
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('are shared by a link, copied and ticked without signing in, and checked by the owner', async () => {
    const owner = await newWindow();
    await owner.page.goto(await test.orbis.link('sign-in'));
    await owner.page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await owner.page.goto(`${test.url}/plan?page=hollinfell/talks`);
    await owner.page.getByLabel('Whom it is for').fill('The web desk');
    await owner.page.getByRole('button', { name: 'Make a link' }).click();
    const link = await owner.page.getByText('/steps#').textContent();

    const desk = await newWindow();
    await desk.page.goto(link!.trim());
    await desk.page.getByRole('heading', { name: 'What Talks needs', level: 1 }).waitFor();
    expect(await desk.page.getByRole('navigation').count()).to.equal(0);
    expect(await axeFindings(desk.page)).to.deep.equal([]);
    await desk.page.getByRole('button', { name: 'Copy what goes to hollinfell/talks#opening' }).click();
    await desk.page.getByText('Copied').waitFor();
    const copied = await desk.page.evaluate(() => navigator.clipboard.readText());
    expect(copied).to.match(/^<iframe [^>]*data-orbis="[0-9a-z]{10}\.1"/);
    await publishedWith(test).publish(copied);
    await desk.page.getByRole('checkbox', { name: 'Step 1 is done' }).check();
    await desk.page.getByText('ticked by The web desk').waitFor();
    expect(desk.complaints).to.deep.equal([]);

    await owner.page.reload();
    await owner.page.getByText('ticked by The web desk').waitFor();
    await owner.page.getByRole('button', { name: 'Check step 1 on the page now' }).click();
    await owner.page.getByText('Already there').waitFor();
    expect(await owner.page.getByRole('checkbox', { name: 'Step 1 is done' }).count()).to.equal(0);
    await owner.page.getByRole('button', { name: 'End the link for The web desk' }).click();
    await owner.page.getByText('The link leads nowhere any more.').waitFor();
    expect(owner.complaints).to.deep.equal([]);

    await desk.page.reload();
    await desk.page.getByRole('heading', { name: 'No steps to show' }).waitFor();
    await desk.page.getByText('Ask whoever sent it for a new one.').waitFor();
    await owner.context.close();
    await desk.context.close();
  });
});
