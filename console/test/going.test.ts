import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner whose pages change', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    const { client, world } = test;
    const address = `http://hollinfell.localhost:${world.port}`;
    await client.call('sites.create', { body: { key: 'hollinfell', name: 'Hollin Fell', address } });
    await client.call('embeds.create', { body: { name: 'Talk', text: talkCode(world.port) } });
    for (const [path, title] of [
      ['talks', 'Talks'],
      ['visit', 'Visit'],
    ]) {
      await client.call('pages.create', { body: { key: `hollinfell/${path}`, title: title! } });
      await client.call('spots.create', { body: { key: `hollinfell/${path}#main` } });
    }
    await client.call('placements.create', { body: { embed: 'talk', place: 'hollinfell/talks#main' } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const placed = async () => (await test.client.call('placements.list', {})).data.items;

  it('pauses an embed with a note, lets it go on, and moves it to another page', async () => {
    const { context, page: window, complaints } = await newWindow();
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.goto(`${test.url}/register/${(await placed())[0]!.id}`);
    await window.getByRole('button', { name: 'Note something about it here' }).click();
    await window.getByLabel('Note').fill('Until the new dome stands.');
    await window.getByRole('button', { name: 'Save the note' }).click();
    await window.getByText('Noted for hollinfell/talks#main.').waitFor();
    await window.getByRole('button', { name: 'Pause it here' }).click();
    await window.getByText('It is paused here since').waitFor();
    await window.goto(`${test.url}/register?state=paused&as=list`);
    const row = window.getByRole('article', { name: 'Talk in hollinfell/talks#main' });
    await row.getByText('Until the new dome stands.').waitFor();
    expect(await row.getByRole('button', { name: 'Copy the code' }).count()).to.equal(0);
    await window.getByLabel('Loads from the host').fill('elsewhere.localhost');
    await window.getByText('Nothing is like that').waitFor();
    expect(window.url()).to.include('state=paused').and.include('host=elsewhere.localhost');
    await window.getByLabel('Loads from the host').fill('play.kinorill.localhost');
    await row.getByRole('link', { name: 'Change it here only' }).click();
    await window.getByRole('button', { name: 'Let it go on' }).click();
    await window.getByRole('button', { name: 'Pause it here' }).waitFor();
    await window.getByRole('button', { name: 'Move it to another spot' }).click();
    await window.getByLabel('Move it to').fill('hollinfell/visit#main');
    await window.getByRole('button', { name: 'Move', exact: true }).click();
    await window.getByRole('heading', { name: 'Talk in hollinfell/visit#main' }).waitFor();
    expect((await placed()).map(({ place, note }) => [place, note])).to.deep.equal([
      ['hollinfell/visit#main', 'Until the new dome stands.'],
    ]);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('moves and removes pages and sites, told first what becomes of what is placed there', async () => {
    const { context, page: window, complaints } = await newWindow();
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.goto(`${test.url}/places`);
    const visit = window.getByRole('region', { name: 'Visit' });
    await visit.getByRole('button', { name: 'Change or remove this page' }).click();
    await visit.getByLabel('Its path').fill('plan-a-visit');
    await visit.getByText('One embed is placed there and goes along').waitFor();
    await visit.getByRole('button', { name: 'Save the page' }).click();
    await window.getByText('The page is hollinfell/plan-a-visit from now on.').waitFor();
    await window.getByRole('link', { name: 'hollinfell/plan-a-visit' }).waitFor();
    await visit.getByRole('button', { name: 'Change or remove this page' }).click();
    await visit.getByRole('button', { name: 'Remove this page' }).click();
    const dialog = window.getByRole('dialog', { name: 'Remove Visit?' });
    await dialog.getByText('One embed is placed there; it ends with it.').waitFor();
    expect(await barriers(window)).to.deep.equal([]);
    await dialog.getByRole('button', { name: 'Remove this page' }).click();
    await window.getByText('Visit is removed.').waitFor();
    await until(async () => (await placed()).length === 0);
    await window.getByRole('button', { name: 'Undo' }).click();
    await window.getByText('Taken back: Removed the page hollinfell/plan-a-visit.').waitFor();
    expect((await placed()).map(({ place }) => place)).to.deep.equal(['hollinfell/plan-a-visit#main']);

    await visit.getByRole('button', { name: 'Remove the spot “main”' }).click();
    const asked = window.getByRole('dialog', { name: 'Remove the spot “main”?' });
    await asked.getByText('One embed is placed there; it ends with it.').waitFor();
    await asked.getByRole('button', { name: 'Remove the spot “main”' }).click();
    await window.getByText('The spot “main” is removed.').waitFor();
    await until(async () => (await placed()).length === 0);
    await window.getByRole('button', { name: 'Undo' }).click();
    await window.getByText('Taken back: Removed the spot hollinfell/plan-a-visit#main.').waitFor();
    expect(await placed()).to.have.length(1);

    await window.goto(`${test.url}/places/hollinfell`);
    await window.getByRole('button', { name: 'Remove this site' }).click();
    await window
      .getByRole('dialog', { name: 'Remove Hollin Fell?' })
      .getByRole('button', { name: 'Remove this site' })
      .click();
    await window.getByText('No site yet').waitFor();
    expect((await test.client.call('pages.list', {})).data.items).to.deep.equal([]);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
