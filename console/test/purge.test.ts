import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { axeFindings } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';
import { openDrawer } from './support/workbench.ts';

describe('an owner who must let an embed go for good', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    const body = { name: 'Old talk', text: talkCode(test.world.port), notes: 'Not to be shown again.' };
    await test.client.call('embeds.create', { body });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('retires it, purges it with a reason, and finds what is known of it', async () => {
    const { context, page: window, complaints } = await newWindow();
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.goto(`${test.url}/collection/old-talk`);
    await openDrawer(window, 'Details');
    expect(await window.getByRole('button', { name: 'Purge it' }).count()).to.equal(0);
    await window.getByRole('button', { name: 'Retire it' }).click();
    await window.getByRole('button', { name: 'Purge it' }).click();
    await window.getByLabel('Why it is purged').fill('The speaker took her leave back.');
    await window.getByRole('button', { name: 'Purge it' }).last().click();
    await window.getByRole('dialog').getByRole('button', { name: 'Purge it' }).last().click();
    await window.getByText('“Old talk” is purged.').waitFor();
    await window.getByRole('heading', { name: 'Why it was purged' }).waitFor();
    await window.getByText('The speaker took her leave back.').waitFor();
    expect(await axeFindings(window)).to.deep.equal([]);
    const { data } = await test.client.call('embeds.read', { params: { embed: 'old-talk' } });
    expect([data.pasted, data.notes, data.purged?.reason]).to.deep.equal([
      '',
      '',
      'The speaker took her leave back.',
    ]);
    await window.getByRole('link', { name: 'what was done' }).click();
    await window.getByText('Purged old-talk: The speaker took her leave back.').waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
