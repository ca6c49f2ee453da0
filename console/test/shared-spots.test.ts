import { expect } from 'chai';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner whose pages are made of one template', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    const { client, world } = test;
    const address = `http://hollinfell.localhost:${world.port}`;
    await client.call('sites.create', { body: { key: 'hollinfell', name: 'Hollin Fell', address } });
    for (const [path, title] of [
      ['talks', 'Talks'],
      ['visit', 'Visit'],
    ])
      await client.call('pages.create', { body: { key: `hollinfell/${path}`, title: title! } });
    await client.call('spots.create', { body: { key: 'hollinfell/visit#main' } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const widths = async (): Promise<(number | string)[][]> =>
    (await test.client.call('pages.list', {})).data.items.map(({ path, spots }) => [
      path,
      ...spots.map((spot) => `${spot.widths.desktop}${spot.shared ? '*' : ''}`),
    ]);

  it('says a spot once for all of them, changes it there, and makes an exception', async () => {
    const { context, page: window, complaints } = await newWindow();
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.goto(`${test.url}/places`);
    await window.getByRole('button', { name: 'Add a spot that many pages have' }).click();
    const form = window.getByRole('form', { name: 'Add a spot that many pages of hollinfell have' });
    await form.getByLabel('Name of a spot').fill('main');
    await form.getByLabel('Desktop px').fill('480');
    await form.getByRole('button', { name: 'Add it to these pages' }).click();
    await window.getByText('The spot “main” is there on every page.').waitFor();
    expect(await widths()).to.deep.equal([
      ['talks', '480*'],
      ['visit', '760'],
    ]);
    const visit = window.getByRole('region', { name: 'Visit' });
    await visit.getByRole('button', { name: 'Have the spot “main” as on many pages' }).click();
    await window.getByText('The spot hollinfell/visit#main is as on many pages.').waitFor();
    await window.getByRole('button', { name: 'Change the spot “main” on all its pages' }).click();
    const all = window.getByRole('form', { name: 'Change the spot “main” on all its pages' });
    await all.getByLabel('Desktop px').fill('500');
    await all.getByRole('button', { name: 'Save for all its pages' }).click();
    await window.getByText('Saved for every page.').waitFor();
    expect(await widths()).to.deep.equal([
      ['talks', '500*'],
      ['visit', '500*'],
    ]);
    const talks = window.getByRole('region', { name: 'Talks' });
    await talks.getByText('as on many pages; empty').waitFor();
    await talks.getByRole('button', { name: 'Change the spot “main” on this page' }).click();
    const one = talks.getByRole('form', { name: 'Change the spot “main”' });
    await one.getByLabel('Desktop px').fill('700');
    await one.getByRole('button', { name: 'Save the spot' }).click();
    await until(async () => (await widths()).flat().includes('700'));
    expect(await barriers(window)).to.deep.equal([]);
    await window.getByRole('button', { name: 'Remove the spot “main” from all its pages' }).click();
    await until(async () => !(await widths()).flat().includes('500*'));
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
