import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('the register as a table', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    const { client, world } = test;
    await declareSite(test, ['opening', 'north', 'comet']);
    await client.call('embeds.create', { body: { name: 'Talk', text: talkCode(world.port) } });
    for (const spot of ['opening', 'north', 'comet'])
      await client.call('placements.create', {
        body: { embed: 'talk', place: `hollinfell/talks#${spot}` },
      });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const states = async (): Promise<string[]> =>
    (await test.client.call('placements.list', {})).data.items.map(({ spot, state }) => `${spot} ${state}`);

  it('changes many at once, opens one, shows the columns that are wanted, and copies a code', async () => {
    const { context, page: window, complaints } = await newWindow();
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await window.goto(await test.orbis.link('sign-in'));
    await window.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await window.goto(`${test.url}/register`);
    const row = (spot: string) =>
      window.getByRole('row', { name: new RegExp(`Talk hollinfell/talks#${spot}`) });
    await row('opening').getByRole('checkbox').click();
    await row('north').getByRole('checkbox').click();
    const chosen = window.getByRole('group', { name: 'What is chosen' });
    await chosen.getByText('2 places chosen').waitFor();
    await chosen.getByRole('button', { name: 'Pause' }).click();
    await window.getByText('Paused in 2 places. Take the code out of the pages for now.').waitFor();
    await row('north').getByText('paused').waitFor();
    expect(await states()).to.deep.equal(['comet planned', 'north paused', 'opening paused']);
    await window.getByRole('button', { name: 'Undo' }).click();
    await until(async () => !(await states()).some((each) => each.endsWith('paused')));
    await row('north').getByText('planned').waitFor();

    await row('north').getByText('nothing yet').press('Enter');
    await window.getByRole('article', { name: 'Talk in hollinfell/talks#north' }).waitFor();
    await row('comet').getByText('nothing yet').click();
    await window
      .getByRole('article', { name: 'Talk in hollinfell/talks#comet' })
      .getByRole('link', { name: 'Change it here only' })
      .waitFor();
    await row('comet')
      .getByRole('button', { name: 'Copy the code of Talk for hollinfell/talks#comet' })
      .click();
    await window.getByText('Copied for hollinfell/talks#comet.').waitFor();
    expect(await window.evaluate(() => navigator.clipboard.readText())).to.include('<iframe');

    await window.getByRole('button', { name: 'Columns' }).click();
    await window.getByRole('checkbox', { name: 'Note' }).click();
    await window.keyboard.press('Escape');
    await window.getByRole('columnheader', { name: 'Note' }).waitFor();
    await window.reload();
    await window.getByRole('columnheader', { name: 'Note' }).waitFor();
    expect(await barriers(window)).to.deep.equal([]);

    await window.getByRole('button', { name: 'List', exact: true }).click();
    await window.getByRole('article', { name: 'Talk in hollinfell/talks#comet' }).waitFor();
    expect(window.url()).to.include('as=list');
    await window.setViewportSize({ width: 390, height: 844 });
    await window.goto(`${test.url}/register`);
    await window.getByRole('article', { name: 'Talk in hollinfell/talks#comet' }).waitFor();
    expect(await window.getByRole('grid').count()).to.equal(0);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
