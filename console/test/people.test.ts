/* Several people at one Orbis: invited, each shown what they may do, and each seeing what the others do. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { join } from '../../service/test/support/people.ts';
import {
  declareSite,
  password,
  startTestOrbis,
  talkCode,
  type TestOrbis,
} from '../../service/test/support/orbis.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('people in the console', () => {
  let test: TestOrbis;
  let owner: Page;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    await test.client.call('embeds.create', {
      body: { name: 'Opening talk', text: talkCode(test.world.port) },
    });
    await test.client.call('placements.create', {
      body: { embed: 'opening-talk', place: 'hollinfell/talks#opening' },
    });
    ({ page: owner } = await newWindow());
    await owner.goto(await test.orbis.link('sign-in'));
    await owner.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  const signIn = async (name: string): Promise<Page> => {
    const { page } = await newWindow();
    await page.goto(`${test.url}/sign-in`);
    await page.getByLabel('Your name').fill(name);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('navigation', { name: 'Screens' }).waitFor();
    return page;
  };

  it('invites somebody by a link, by which they choose a password and are in', async () => {
    await owner.goto(`${test.url}/account`);
    await owner.getByRole('link', { name: 'See who does, or invite somebody' }).click();
    await owner.getByRole('button', { name: 'Invite somebody' }).click();
    const dialog = owner.getByRole('dialog');
    await dialog.getByLabel('Name').fill('Ilse Varga');
    await dialog.getByRole('combobox', { name: 'For everything' }).click();
    await owner.getByRole('option', { name: 'Nothing: single sites alone' }).click();
    await dialog.getByRole('combobox', { name: 'On Hollin Fell' }).click();
    await owner.getByRole('option', { name: 'Placer' }).click();
    expect(await barriers(owner)).to.deep.equal([]);
    await dialog.getByRole('button', { name: 'Make the invitation' }).click();
    const shown = owner.getByRole('dialog', { name: 'A link for Ilse Varga' });
    const link = (await shown.getByText(/set-password#/).textContent())!.trim();
    await shown.getByRole('button', { name: 'Done' }).click();
    await owner.getByRole('listitem', { name: 'Ilse Varga' }).getByText('Placer of hollinfell').waitFor();

    const { page } = await newWindow();
    await page.goto(link);
    await page.getByText('Tester invites you to Orbis, Ilse Varga, as placer of hollinfell.').waitFor();
    await page.getByLabel('New password').fill(password);
    await page.getByRole('button', { name: 'Set the password' }).click();
    await page.getByRole('heading', { name: 'Places', level: 1 }).waitFor();
    await page.context().close();
  });

  it('shows somebody what they may do there and nothing else, and says whom to ask', async () => {
    const page = await signIn('Ilse Varga');
    const nav = page.getByRole('navigation', { name: 'Screens' });
    await page.getByRole('heading', { name: 'Places', level: 1 }).waitFor();
    await nav.getByRole('link', { name: 'Sweeps' }).waitFor({ state: 'detached' });
    expect(await nav.getByRole('link').allTextContents()).to.deep.equal([
      ...['Collection', 'Places', 'Register', 'Providers', 'Done', 'Account'],
    ]);
    await page.getByRole('heading', { name: 'Talks' }).waitFor();
    expect(await page.getByRole('button', { name: 'Add a spot' }).count()).to.equal(0);
    expect(await page.getByRole('heading', { name: 'Add a site' }).count()).to.equal(0);
    await page.goto(`${test.url}/plan?page=hollinfell/talks`);
    await page.getByRole('checkbox', { name: 'Step 1 is done' }).waitFor();
    await page.getByRole('button', { name: 'Check this page now' }).waitFor();
    await page.goto(`${test.url}/collection/opening-talk`);
    await page.getByText('It takes an editor or an owner to change embeds. Ask Tester.').first().waitFor();
    expect(await page.getByRole('button', { name: /^Save as revision/ }).count()).to.equal(0);
    await page.goto(`${test.url}/sweeps`);
    await page.getByRole('heading', { name: 'Not for you' }).waitFor();
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByText('arrange sites and pages, and place embeds. Ask Tester.').waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await page.context().close();
  });

  it('gives somebody another right, which holds at once', async () => {
    await owner.goto(`${test.url}/people`);
    await owner.getByRole('button', { name: 'Change Ilse Varga' }).click();
    const dialog = owner.getByRole('dialog');
    await dialog.getByRole('combobox', { name: 'For everything' }).click();
    await owner.getByRole('option', { name: 'Editor', exact: true }).click();
    await dialog.getByRole('button', { name: 'Save' }).click();
    await owner.getByText('Editor of everything and placer of hollinfell').waitFor();
    const page = await signIn('Ilse Varga');
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/collection/opening-talk`);
    await page.getByRole('button', { name: /^Save as revision/ }).waitFor();
    await page.context().close();
  });

  it('shows what another one saves at once, keeps what is not saved, and says who it was', async () => {
    const page = await signIn('Ilse Varga');
    await page.goto(`${test.url}/collection/opening-talk`);
    await page.getByRole('button', { name: 'Save as revision 2' }).waitFor();
    await page.getByLabel('Start', { exact: true }).fill('1:52');
    // Somebody else saves something else, and then the same.
    const save = async (options: Record<string, string | number | boolean>): Promise<void> => {
      const { etag } = await test.client.call('embeds.read', { params: { embed: 'opening-talk' } });
      await test.client.call('revisions.create', {
        params: { embed: 'opening-talk' },
        body: { options },
        ifMatch: etag!,
      });
    };
    await save({ end: 184 });
    await page.getByText('Tester was here a moment ago: Set options of opening-talk: end=3:04.').waitFor();
    await page.getByRole('button', { name: 'Save as revision 3' }).waitFor();
    expect(await page.getByLabel('Start', { exact: true }).inputValue()).to.equal('1:52');
    expect(await page.getByLabel('End', { exact: true }).inputValue()).to.equal('3:04');
    await save({ end: 184, start: 60 });
    await page.getByText('You have changed “Start” as well: saving keeps yours.').waitFor();
    expect(await page.getByLabel('Start', { exact: true }).inputValue()).to.equal('1:52');
    await page.getByRole('button', { name: 'Save as revision 4' }).click();
    await page.getByRole('button', { name: 'Save as revision 5' }).waitFor();
    const { data } = await test.client.call('embeds.read', { params: { embed: 'opening-talk' } });
    expect(data.current.options).to.deep.equal({ start: 112, end: 184 });
    await page.context().close();
  });

  it('says by name whose change stands in the way', async () => {
    await owner.goto(`${test.url}/places/hollinfell`);
    const further = owner.getByLabel('Further addresses');
    await further.fill('https://www.hollinfell.localhost');
    const { client } = await join(test, 'Tam Orrin', { role: 'editor' });
    const { etag } = await client.call('sites.read', { params: { site: 'hollinfell' } });
    const call = { params: { site: 'hollinfell' }, ifMatch: etag! };
    await client.call('sites.change', { ...call, body: { language: 'de' } });
    await owner.getByRole('button', { name: 'Save for this site' }).click();
    await owner
      .getByText('Tam Orrin changed this site since you read it (Changed the site hollinfell).')
      .waitFor();
    expect(await further.inputValue()).to.equal('https://www.hollinfell.localhost');
  });

  it('says what becomes of somebody’s work before they are removed, and lets them come back', async () => {
    await owner.goto(`${test.url}/people`);
    await owner.getByRole('button', { name: 'Remove Ilse Varga' }).click();
    const dialog = owner.getByRole('dialog');
    await dialog.getByText(/What Ilse Varga made stays, with their name: .*1 change\./).waitFor();
    expect(await barriers(owner)).to.deep.equal([]);
    await dialog.getByRole('button', { name: 'Remove Ilse Varga' }).click();
    await owner.getByRole('heading', { name: 'Removed' }).waitFor();
    await owner.getByRole('button', { name: 'Let them come back: Ilse Varga' }).click();
    await owner
      .getByRole('dialog', { name: 'A link for Ilse Varga' })
      .getByText(/set-password#/)
      .waitFor();
  });

  it('shows an owner who did what, and whether the log is as it was written', async () => {
    await owner.goto(`${test.url}/account`);
    await owner.getByRole('link', { name: 'audit log' }).click();
    await owner.getByText('Removed Ilse Varga', { exact: true }).waitFor();
    await owner.getByRole('combobox', { name: 'Who' }).click();
    await owner.getByRole('option', { name: 'Tam Orrin' }).click();
    await owner.getByText('Changed the site hollinfell', { exact: true }).waitFor();
    await owner.getByRole('button', { name: 'Before and after: Changed the site hollinfell' }).click();
    await owner.getByLabel('After: Changed the site hollinfell').getByText('"de"').waitFor();
    await owner.getByRole('button', { name: 'See whether it is as it was written' }).click();
    await owner.getByText(/^The chain holds: \d+ entries are as they were written\.$/).waitFor();
    expect(await barriers(owner)).to.deep.equal([]);
    await test.orbis.connection.db.execute('delete from audit where number = 2');
    await owner.getByRole('button', { name: 'See whether it is as it was written' }).click();
    await owner.getByText('Entry 2 is missing: it was taken out.').waitFor();
  });
});
