/* Second factors in the console: a passkey on a device, codes of an app, recovery codes, and what is demanded
   of everybody. */
import { expect } from 'chai';
import type { CDPSession, Page } from 'playwright-core';
import { join } from '../../service/test/support/people.ts';
import { password, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { timeCode } from '../../service/test/support/time-code.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('security in the console', () => {
  let test: TestOrbis;
  let owner: Page;
  let device: CDPSession;
  let authenticator: string;
  let secret: string;
  let recovery: string[];
  before(async () => {
    test = await startTestOrbis();
    await join(test, 'Ilse Varga', { role: 'editor' });
    ({ page: owner } = await newWindow());
    device = await owner.context().newCDPSession(owner);
    await device.send('WebAuthn.enable');
    ({ authenticatorId: authenticator } = await device.send('WebAuthn.addVirtualAuthenticator', {
      options: {
        ...{ protocol: 'ctap2', transport: 'internal', hasResidentKey: true },
        ...{ hasUserVerification: true, isUserVerified: true, automaticPresenceSimulation: true },
      },
    }));
    await owner.goto(await test.orbis.link('sign-in'));
    await owner.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  const signOut = async (page: Page): Promise<void> => {
    await page.goto(`${test.url}/account`);
    await page.getByRole('main').getByRole('button', { name: 'Sign out', exact: true }).first().click();
    await page.getByRole('heading', { name: 'Sign in' }).waitFor();
  };
  const withPassword = async (page: Page, button: string): Promise<void> => {
    await page.getByRole('dialog').getByLabel('Your password').fill(password);
    await page.getByRole('dialog').getByRole('button', { name: button }).click();
  };
  const isIn = (page: Page): Promise<void> => page.getByRole('navigation', { name: 'Screens' }).waitFor();
  /* No code holds twice, and a test does not wait for the next one. */
  const forgetUsed = async (): Promise<void> =>
    void (await test.orbis.connection.db.execute('update code_secret set last_step = 0'));

  it('is reached from the account, and says what each thing is for', async () => {
    await owner.goto(`${test.url}/account`);
    await owner.getByRole('link', { name: 'See what you have, or set it up' }).click();
    await owner.getByText('A second factor is something that you have').waitFor();
    await owner.getByRole('heading', { name: 'Passkeys' }).waitFor();
    await owner.getByText('A second factor is everybody’s own choice.').waitFor();
    expect(await barriers(owner)).to.deep.equal([]);
  });

  it('keeps a passkey that the device makes, and gives recovery codes with the first factor', async () => {
    await owner.getByRole('button', { name: 'Add a passkey' }).click();
    await owner.getByLabel('What its device or key is called').fill('Laptop');
    await withPassword(owner, 'Go on');
    const shown = owner.getByRole('dialog', { name: 'Your recovery codes' });
    await shown.waitFor();
    recovery = (await shown.textContent())!.match(/[0-9a-z]{4}-[0-9a-z]{4}-[0-9a-z]{4}/g)!;
    expect(recovery).to.have.length(10);
    await shown.getByRole('button', { name: 'I have kept them' }).click();
    await owner.getByRole('list', { name: 'Your passkeys' }).getByText('Laptop').waitFor();
    const { credentials } = await device.send('WebAuthn.getCredentials', { authenticatorId: authenticator });
    expect(credentials).to.have.length(1);
    expect(credentials[0]).to.include({ isResidentCredential: true, rpId: 'orbis.localhost' });
  });

  it('signs in with that passkey, without name and password, and not with the same answer twice', async () => {
    await signOut(owner);
    const answered = owner.waitForRequest((request) => request.url().endsWith('/session/passkeys'));
    await owner.getByRole('button', { name: 'Sign in with a passkey' }).click();
    const sent = (await answered).postData()!;
    await isIn(owner);
    await owner.goto(`${test.url}/security`);
    await owner.getByRole('list', { name: 'Your passkeys' }).getByText('last used').waitFor();
    const again = await fetch(`${test.url}/api/v1/session/passkeys`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: sent,
    });
    expect([again.status, ((await again.json()) as { code: string }).code]).to.deep.equal([
      401,
      'passkey-refused',
    ]);
  });

  it('says what is wrong where the device does not unlock', async () => {
    await signOut(owner);
    await device.send('WebAuthn.setUserVerified', { authenticatorId: authenticator, isUserVerified: false });
    await owner.getByRole('button', { name: 'Sign in with a passkey' }).click();
    await owner.getByText('Your browser gave no passkey').waitFor();
    await device.send('WebAuthn.setUserVerified', { authenticatorId: authenticator, isUserVerified: true });
    await owner.getByRole('button', { name: 'Sign in with a passkey' }).click();
    await isIn(owner);
  });

  it('sets up codes of an app by what it scans, and asks for one after the password', async () => {
    await owner.goto(`${test.url}/security`);
    await owner.getByRole('button', { name: 'Set up an app' }).click();
    await withPassword(owner, 'Go on');
    const dialog = owner.getByRole('dialog', { name: 'Scan this with your app' });
    await dialog.getByRole('img', { name: 'What your app scans' }).waitFor();
    secret = (await dialog.locator('pre, code').first().textContent())!.replace(/\s/g, '');
    expect(secret).to.match(/^[A-Z2-7]{32}$/);
    expect(await barriers(owner)).to.deep.equal([]);
    await dialog.getByLabel('Code of six digits').fill('000 000');
    await dialog.getByRole('button', { name: 'Ask for codes' }).click();
    await dialog.getByText('That code is not right').waitFor();
    await dialog.getByLabel('Code of six digits').fill(timeCode(secret, Date.now()));
    await dialog.getByRole('button', { name: 'Ask for codes' }).click();
    await owner.getByText('A code is asked for after your password since').waitFor();

    await forgetUsed();
    const { page } = await newWindow();
    await page.goto(`${test.url}/sign-in`);
    await page.getByLabel('Your name').fill('Tester');
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    const code = page.getByLabel('Code of your app, or a recovery code');
    await page.getByText('Your password is right.').waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await code.fill('zzzz-zzzz-zzzz');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await page.getByText('That code is not right').waitFor();
    await code.fill(timeCode(secret, Date.now()));
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await isIn(page);
    await page.context().close();
  });

  it('lets in with a recovery code where the phone is lost, once', async () => {
    const { page } = await newWindow();
    for (const works of [true, false]) {
      await page.goto(`${test.url}/sign-in`);
      await page.getByLabel('Your name').fill('Tester');
      await page.getByLabel('Password').fill(password);
      await page.getByRole('button', { name: 'Sign in', exact: true }).click();
      await page.getByLabel('Code of your app, or a recovery code').fill(recovery[0]!);
      await page.getByRole('button', { name: 'Sign in', exact: true }).click();
      if (works) {
        await isIn(page);
        await signOut(page);
      } else await page.getByText('That code is not right').waitFor();
    }
    await page.context().close();
    await owner.goto(`${test.url}/security`);
    await owner.getByText('9 recovery codes are left.').waitFor();
  });

  it('demands one of everybody, who then sets one up before all else', async () => {
    const { page: ilse } = await newWindow();
    await ilse.goto(`${test.url}/sign-in`);
    await ilse.getByLabel('Your name').fill('Ilse Varga');
    await ilse.getByLabel('Password').fill(password);
    await ilse.getByRole('button', { name: 'Sign in', exact: true }).click();
    await isIn(ilse);

    await owner.getByRole('button', { name: 'Demand it of everybody' }).click();
    await owner.getByRole('dialog').getByText('Ilse Varga has none yet').waitFor();
    await owner.getByRole('dialog').getByRole('button', { name: 'Demand it of everybody' }).click();
    await owner.getByText('A second factor is demanded of everybody.').first().waitFor();

    await ilse.goto(`${test.url}/collection`);
    await ilse.getByText('An owner of this Orbis demands a second factor of everybody.').waitFor();
    expect(new URL(ilse.url()).pathname).to.equal('/security');
    const nav = ilse.getByRole('navigation', { name: 'Screens' });
    expect(await nav.getByRole('link').allTextContents()).to.deep.equal(['Account']);
    await ilse.getByRole('button', { name: 'Set up an app' }).click();
    await withPassword(ilse, 'Go on');
    const dialog = ilse.getByRole('dialog', { name: 'Scan this with your app' });
    const hers = (await dialog.locator('pre, code').first().textContent())!.replace(/\s/g, '');
    await dialog.getByLabel('Code of six digits').fill(timeCode(hers, Date.now()));
    await dialog.getByRole('button', { name: 'Ask for codes' }).click();
    await ilse.getByRole('button', { name: 'I have kept them' }).click();
    await nav.getByRole('link', { name: 'Collection' }).click();
    await ilse.getByRole('heading', { name: 'Collection', level: 1 }).waitFor();
    await ilse.context().close();
  });

  it('forgets a passkey, and takes the factors of somebody away who lost them', async () => {
    await owner.goto(`${test.url}/security`);
    await owner.getByRole('button', { name: 'Forget Laptop' }).click();
    await withPassword(owner, 'Forget it');
    await owner.getByRole('list', { name: 'Your passkeys' }).waitFor({ state: 'detached' });
    await owner.getByRole('button', { name: 'Turn codes off' }).click();
    await withPassword(owner, 'Turn codes off');
    await owner.getByRole('dialog').getByText('this is your last one').waitFor();
    await owner.getByRole('button', { name: 'Leave it', exact: true }).click();

    await owner.goto(`${test.url}/people`);
    const row = owner.getByRole('listitem', { name: 'Ilse Varga' });
    await row.getByText('second factor').waitFor();
    await row.getByRole('button', { name: 'Phone or key lost: Ilse Varga' }).click();
    await owner.getByRole('dialog').getByRole('button', { name: 'Phone or key lost' }).click();
    await row.getByRole('button', { name: 'Phone or key lost: Ilse Varga' }).waitFor({ state: 'detached' });
  });
});
