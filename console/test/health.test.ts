/* The health of the installation in the console: what does not work comes first, with what to do. */
import { expect } from 'chai';
import { startTestOrbis } from '../../service/test/support/orbis.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('health in the console', () => {
  after(closeBrowser);

  it('shows first what does not work, with what to do about it', async () => {
    const test = await startTestOrbis({ env: { ORBIS_SMTP_URL: 'smtp://127.0.0.1:1' } });
    const { page } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/account`);
    await page.getByRole('link', { name: 'health' }).click();
    const checks = page.getByRole('list', { name: 'What was looked at' }).getByRole('listitem');
    await checks.first().getByText('The mail server does not take mail').waitFor();
    await checks.first().getByText('See that ORBIS_SMTP_URL has its address').waitFor();
    await page.getByText(/^1 thing does not work, and \d things? wants? looking at\.$/).waitFor();
    await page.getByRole('listitem', { name: 'Database' }).getByText('It answers in').waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await page.getByRole('button', { name: 'Look again' }).click();
    await page.getByRole('button', { name: 'Look again' }).waitFor();
    await test.stop();
  });
});
