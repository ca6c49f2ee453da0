import { expect } from 'chai';
import { consoleScreens } from '@orbis/contract';
import { readFileSync } from 'node:fs';
import { password, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { wayBackFrom } from '../src/signing-in/way-back.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('the account screen', () => {
  let test: TestOrbis;
  before(async () => void (test = await startTestOrbis()));
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('makes a token with the password given again, shows it once, and revokes it', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/account`);
    const form = page.locator('form', { has: page.getByRole('button', { name: 'Make a token' }) });
    await form.getByLabel('What it is for').fill('the status board');
    await form.getByLabel('It may').click();
    await page.getByRole('option', { name: 'only read' }).click();
    await form.getByLabel('Your password').fill('not this one at all');
    await form.getByRole('button', { name: 'Make a token' }).click();
    await page.getByText('That is not the password.', { exact: false }).waitFor();
    await form.getByLabel('Your password').fill(password);
    await form.getByRole('button', { name: 'Make a token' }).click();
    await page.getByText(/^orbis_/).waitFor();
    const token = (await page.getByText(/^orbis_/).textContent())!;
    const answer = await fetch(`${test.url}/api/v1/embeds`, {
      headers: { authorization: `Bearer ${token.trim()}` },
    });
    expect(answer.status).to.equal(200);
    await page.getByText('only reads', { exact: false }).first().waitFor();
    await page.getByRole('button', { name: 'Revoke the status board' }).click();
    await page.getByRole('button', { name: 'Revoke the status board' }).waitFor({ state: 'detached' });
    expect(
      (await fetch(`${test.url}/api/v1/embeds`, { headers: { authorization: `Bearer ${token.trim()}` } }))
        .status,
    ).to.equal(401);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('shows where somebody is signed in, changes the password, and signs out everywhere', async () => {
    const [one, two] = [await newWindow(), await newWindow()];
    for (const { page } of [one, two]) {
      await page.goto(await test.orbis.link('sign-in'));
      await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    }
    await one.page.goto(`${test.url}/account`);
    await one.page.getByText('Chrome on Linux (this one)').waitFor();
    await one.page.getByLabel('Current password').fill(password);
    await one.page.getByLabel('New password').fill('another sentence of mine');
    await one.page.getByRole('button', { name: 'Change the password' }).click();
    await one.page
      .getByText(/The password is changed\. \d+ other browsers? signed out, 0 tokens ended\./)
      .first()
      .waitFor();
    await two.page.goto(`${test.url}/register`);
    await two.page.waitForURL('**/sign-in?back=%2Fregister');
    await one.page.getByRole('button', { name: 'Sign out everywhere' }).click();
    await one.page.getByRole('dialog').getByRole('button', { name: 'Sign out everywhere' }).click();
    await one.page.waitForURL('**/sign-in');
    await one.page.getByLabel('Password').fill('another sentence of mine');
    await one.page.keyboard.press('Enter');
    await one.page.waitForURL(`${test.url}/`);
    await one.context.close();
    await two.context.close();
  });

  it('says what a reset of the password has ended', async () => {
    const { context, page } = await newWindow();
    await page.goto(await test.orbis.link('password'));
    await page.getByLabel('New password').fill('a third sentence of mine');
    await page.keyboard.press('Enter');
    await page.getByText('1 token of programs no longer valid', { exact: false }).waitFor();
    await page.getByRole('link', { name: 'Go on' }).click();
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await context.close();
  });
});

describe('the way back after signing in', () => {
  const at = (back: string): string =>
    wayBackFrom(`https://orbis.example/sign-in?${new URLSearchParams({ back }).toString()}`);
  for (const [back, leads] of [
    ['/register', '/register'],
    ['/collection?where=kind%3Dvideo#x', '/collection?where=kind%3Dvideo#x'],
    ['https://orbis.example/sweeps', '/sweeps'],
    ['/\\evil.example', '/'],
    ['\\\\evil.example', '/'],
    ['//evil.example', '/'],
    ['/\t/evil.example', '/'],
    ['\n//evil.example', '/'],
    ['https://evil.example/', '/'],
    ['https:evil', '/'],
    ['javascript:alert(1)', '/'],
    ['data:text/html,x', '/'],
    ['https://orbis.example@evil.example/', '/'],
    ['https://orbis.example:8443/', '/'],
    ['http://orbis.example/', '/'],
    ['/sign-in?back=/sign-in', '/'],
    ['/a/..//evil.example', '/'],
    ['', '/'],
  ] as const)
    it(`leads from ${JSON.stringify(back)} to ${leads}`, () => {
      const way = at(back);
      if (back === 'https:evil')
        expect(new URL(way, 'https://orbis.example').origin).to.equal('https://orbis.example');
      else expect(way).to.equal(leads);
      expect(new URL(way, 'https://orbis.example/sign-in').origin).to.equal('https://orbis.example');
    });
});

describe('the addresses of the screens', () => {
  it('are those that the service answers for, and no other', () => {
    const routes = readFileSync(new URL('../src/routes.tsx', import.meta.url), 'utf8');
    const paths = [...routes.matchAll(/path: '([^'*]+)'/g)]
      .map(([, path]) => (path!.startsWith('/') ? path! : `/${path!}`))
      .map((path) => (path === '/' ? '' : path));
    expect([...paths].sort()).to.deep.equal([...consoleScreens].sort());
  });
});
