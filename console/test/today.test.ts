import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner who begins a day', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('is led to a first embed, then sees what wants doing, and ticks pages of a list off', async () => {
    const { client, world } = test;
    const { context, page: window, complaints } = await newWindow();
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Your first embed' }).waitFor();
    await window.getByRole('link', { name: 'Paste a code or link' }).waitFor();
    const address = `http://hollinfell.localhost:${world.port}`;
    await client.call('embeds.create', { body: { name: 'Talk', text: talkCode(world.port) } });
    await window.reload();
    await window.getByRole('link', { name: 'Add your site' }).waitFor();
    await client.call('sites.create', { body: { key: 'hollinfell', name: 'Hollin Fell', address } });
    for (const [path, title] of [
      ['talks', 'Talks'],
      ['visit', 'Visit'],
    ]) {
      await client.call('pages.create', { body: { key: `hollinfell/${path}`, title: title! } });
      await client.call('spots.create', { body: { key: `hollinfell/${path}#main` } });
      await client.call('placements.create', { body: { embed: 'talk', place: `hollinfell/${path}#main` } });
    }
    await window.reload();
    await window.getByText('2 places').waitFor();
    await window.getByRole('link', { name: 'Show what is planned' }).click();
    await window.getByRole('row', { name: /Talk hollinfell\/talks#main/ }).waitFor();
    await window.getByRole('button', { name: 'Make a change list of these pages' }).click();
    await window.getByLabel('What is it about?').fill('The new films');
    await window.getByRole('button', { name: 'Make the list' }).click();
    await window.getByText('“The new films” has 2 pages').waitFor();
    await window.getByRole('link', { name: 'Today' }).click();
    await window.getByRole('link', { name: 'The new films' }).click();
    await window.getByText('0 of 2 pages ticked').waitFor();
    await window.getByRole('checkbox', { name: 'Talks is done' }).check();
    await window.getByText('1 of 2 pages ticked').waitFor();
    await window.getByText('Ticked by Tester').waitFor();
    await window.getByLabel('Only what is open').check();
    await window.getByRole('checkbox', { name: 'Talks is done' }).waitFor({ state: 'detached' });
    expect(await barriers(window)).to.deep.equal([]);
    // What is to be done there changes meanwhile: the page is open again, and says so.
    await client.call('revisions.create', {
      params: { embed: 'talk' },
      body: { options: { start: 52 } },
      ifMatch: '*',
    });
    await window.reload();
    await window.getByText('It was ticked, and something else is to be done there since.').waitFor();
    await window.getByRole('button', { name: 'Remove the list' }).click();
    await window.getByRole('dialog').getByRole('button', { name: 'Remove the list' }).click();
    await window.getByRole('heading', { name: 'Today' }).waitFor();
    expect((await client.call('changeLists.list', {})).data.items).to.deep.equal([]);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
