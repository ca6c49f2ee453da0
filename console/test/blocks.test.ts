import { expect } from 'chai';
import { loopbackFetch, sweepAll } from '@orbis/demo';
import { declareSite, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner whose pages all show the same footer', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
    const text = '<img src="http://tonebarn.localhost/wave.png" alt="A wave" width="300" height="60">';
    await test.client.call('embeds.create', { body: { name: 'Wave', text } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('adds it as a block, pastes what is in it once, and sees that it is there', async () => {
    const { context, page: window, complaints } = await newWindow();
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.goto(`${test.url}/places`);
    await window.getByRole('button', { name: 'Add a block that many pages show' }).click();
    const form = window.getByRole('form', { name: 'Add a block of hollinfell' });
    await form.getByLabel('What it is called').fill('Footer');
    await form.getByLabel('A short name for it').fill('footer');
    await form.getByRole('button', { name: 'Add the block' }).click();
    const block = window.getByRole('region', { name: 'Footer', exact: true });
    await block.getByText('A block. Every page of the site shows it, after its own content.').waitFor();
    await block.getByRole('button', { name: 'Add a spot', exact: true }).click();
    const spot = block.getByRole('form', { name: 'Add a spot to hollinfell/{footer}' });
    await spot.getByLabel('Name of a spot').fill('main');
    await spot.getByRole('button', { name: 'Add a spot' }).click();
    await window.getByText('The spot hollinfell/{footer}#main is there.').waitFor();
    await test.client.call('placements.create', {
      body: { embed: 'wave', place: 'hollinfell/{footer}#main' },
    });

    await window.goto(`${test.url}/plan?page=${encodeURIComponent('hollinfell/talks')}`);
    await window.getByText('The page shows “Footer” as well, with one embed.', { exact: false }).waitFor();
    await window.getByRole('link', { name: 'What “Footer” needs' }).click();
    await window.getByText('It is pasted once. Every page of the site shows it').waitFor();
    await window.getByRole('button', { name: 'Copy what goes to hollinfell/{footer}#main' }).click();
    await window.getByText('Copied').waitFor();
    const code = await window.evaluate(() => navigator.clipboard.readText());
    await loopbackFetch()(`http://hollinfell.localhost:${test.world.port}/edit/api/footer`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code }),
    });
    await window.getByRole('button', { name: 'Check it now' }).click();
    await window.getByText('Already there').waitFor();
    expect(await barriers(window)).to.deep.equal([]);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('says of it which pages show it, and removes it', async () => {
    const { context, page: window } = await newWindow();
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.goto(`${test.url}/places`);
    const block = window.getByRole('region', { name: 'Footer', exact: true });
    await block.getByRole('button', { name: 'Change or remove this block' }).click();
    await block.getByRole('combobox', { name: 'Which pages show it' }).click();
    await window.getByRole('option', { name: 'Those on which Orbis sees it' }).click();
    await block.getByRole('button', { name: 'Save the block' }).click();
    await block.getByText('A block. The pages on which it is seen show it', { exact: false }).waitFor();
    expect(await barriers(window)).to.deep.equal([]);
    await sweepAll(test.client);
    await block.getByRole('button', { name: 'Remove this block' }).click();
    const dialog = window.getByRole('dialog');
    await dialog.getByText('One embed is placed there; it ends with it.', { exact: false }).waitFor();
    await dialog.getByRole('button', { name: 'Remove this block' }).click();
    await until(async () => {
      const { data } = await test.client.call('pages.list', { query: { site: 'hollinfell' } });
      return data.items.every(({ block: is }) => is === null);
    });
    await context.close();
  });
});
