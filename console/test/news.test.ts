import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import { startHookReceiver, type HookReceiver } from '../../service/test/support/hook-receiver.ts';
import { startMailServer, type MailServer } from '../../service/test/support/mail-server.ts';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from '../../service/test/support/site-of-pages.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow, type SignedIn } from './support/browser.ts';

const film = '<iframe src="https://otherside.localhost/v/1" title="Aurora"></iframe>';

describe('an owner who wants to hear of what is found', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  let mail: MailServer;
  let hook: HookReceiver;
  let signedIn: SignedIn;
  before(async () => {
    mail = await startMailServer();
    hook = await startHookReceiver();
    test = await startTestOrbis({ env: { ORBIS_SMTP_URL: mail.url, ORBIS_ALLOW_PRIVATE: 'yes' } });
    site = await startSiteOfPages();
    site.pages.set('talks', pageOf(film));
    const { client } = test;
    await client.call('sites.create', { body: { key: 'fell', name: 'Hollin Fell', address: site.address } });
    await client.call('pages.create', { body: { key: 'fell/talks', title: 'Talks' } });
    const { context, page } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    signedIn = await context.storageState();
    await context.close();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
    await Promise.all([site.stop(), mail.stop(), hook.stop()]);
  });
  const opened = async () => {
    const window = await newWindow(undefined, signedIn);
    await window.page.goto(`${test.url}/news`);
    await window.page.getByRole('heading', { name: 'News', level: 1 }).waitFor();
    return window;
  };

  it('is led there from what wants attention, adds mail, tries it, and gets it', async () => {
    const { context, page, complaints } = await newWindow(undefined, signedIn);
    await page.goto(`${test.url}/attention`);
    await page.getByRole('link', { name: 'How you hear of it' }).click();
    await page.getByRole('heading', { name: 'News goes nowhere yet' }).waitFor();
    await page.getByRole('button', { name: 'Add a way' }).click();
    await page.getByLabel('What you call it').fill('To me');
    await page.getByLabel('Mail address').fill('nobody');
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.getByText('a mail address', { exact: false }).waitFor();
    await page.getByLabel('Mail address').fill('owner@fell.example');
    await page.getByLabel('What of').click();
    await page.getByRole('option', { name: 'everything' }).click();
    await page.getByLabel('When').click();
    await page.getByRole('option', { name: 'every Monday' }).click();
    await page.getByRole('button', { name: 'Add it' }).click();
    await page
      .getByText('Everything, to owner@fell.example, every Monday at 07:00', { exact: false })
      .waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await page.getByRole('button', { name: 'Try To me' }).click();
    await page.getByText('It got through to To me.', { exact: true }).first().waitFor();
    expect(mail.mails.map(({ subject }) => subject)).to.deep.equal(['This is a trial of Orbis']);
    await page.getByRole('button', { name: 'More for To me' }).click();
    await page.getByRole('menuitem', { name: 'Change…' }).click();
    await page.getByLabel('When').click();
    await page.getByRole('option', { name: 'at once' }).click();
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('to owner@fell.example, at once.', { exact: false }).waitFor();
    await sweepAll(test.client);
    await page.getByText('Not in the register: fell/talks').waitFor();
    await until(() => Promise.resolve(mail.mails.length === 2));
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('is shown the address of a feed once, copies it, and can have another', async () => {
    const { context, page } = await opened();
    await page.getByRole('button', { name: 'Add a way' }).click();
    await page.getByLabel('How', { exact: true }).click();
    await page.getByRole('option', { name: 'In a feed reader' }).click();
    await page.getByLabel('What you call it').fill('My reader');
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.getByRole('button', { name: 'Copy the address' }).click();
    await page.getByText('Copied').waitFor();
    const address = await page.evaluate(() => navigator.clipboard.readText());
    expect((await fetch(address)).status).to.equal(200);
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('button', { name: 'Another address for My reader' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Another address' }).click();
    await page.getByRole('button', { name: 'Copy the address' }).waitFor();
    expect((await fetch(address)).status).to.equal(404);
    await context.close();
  });

  it('sees what does not get through, what was given up, and sends it again', async () => {
    hook.answers = 500;
    await test.client.call('channels.create', {
      body: { kind: 'webhook', name: 'Tickets', to: hook.address, level: 'note' },
    });
    site.pages.set('talks', pageOf(''));
    await sweepAll(test.client);
    const { context, page } = await opened();
    await page.getByText('Nothing gets through, since', { exact: false }).waitFor();
    const { db } = test.orbis.connection;
    await db.execute("update message set state = 'dead' where state = 'waiting'");
    await page.goto(`${test.url}/`);
    await page.getByText('1 message with news did not get through', { exact: false }).waitFor();
    await page.getByRole('link', { name: 'See why' }).click();
    await page.getByRole('heading', { name: 'What did not get through' }).waitFor();
    await page.getByText('answered 500, and not that it took it', { exact: false }).first().waitFor();
    hook.answers = 204;
    await page.getByRole('button', { name: 'Send again to Tickets' }).click();
    await page.getByRole('heading', { name: 'What did not get through' }).waitFor({ state: 'hidden' });
    await until(() => Promise.resolve(hook.received.length === 2));
    // That it got through is written down after it came.
    const waits = { query: { state: 'waiting' as const } };
    await until(async () => (await test.client.call('messages.list', waits)).data.items.length === 0);
    await db.execute("update message set state = 'dead' order by id desc limit 1");
    await page.reload();
    await page.getByRole('button', { name: 'Let go of what did not get through to Tickets' }).click();
    await page.getByRole('heading', { name: 'What did not get through' }).waitFor({ state: 'hidden' });
    await page.getByRole('button', { name: 'More for Tickets' }).click();
    await page.getByRole('menuitem', { name: 'Remove it' }).click();
    await page.getByText('Removed Tickets. It can be taken back under “Done”.').first().waitFor();
    await page.getByRole('heading', { name: 'Tickets' }).waitFor({ state: 'hidden' });
    await context.close();
  });
});
