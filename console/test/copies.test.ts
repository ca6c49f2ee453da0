/* Safety copies in the console: none, one made, and one that failed. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('safety copies in the console', () => {
  after(closeBrowser);

  const signedIn = async (test: TestOrbis) => {
    const { page } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    return page;
  };

  it('says what to do where none are made', async () => {
    const test = await startTestOrbis();
    const page = await signedIn(test);
    await page.goto(`${test.url}/account`);
    await page.getByRole('link', { name: 'See those that there are' }).click();
    await page.getByText('No safety copies are made: nobody has said where to.').waitFor();
    await page.getByText('npm run backup -- --to FOLDER').waitFor();
    expect(await page.getByRole('button', { name: 'Make one now' }).count()).to.equal(0);
    expect(await barriers(page)).to.deep.equal([]);
    await test.stop();
  });

  it('tells the last one on the first screen, and makes one at once', async () => {
    const to = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    const test = await startTestOrbis({ env: { ORBIS_COPIES_TO: to } });
    await until(async () => (await test.client.call('copies.standing')).data.standing === 'good');
    const page = await signedIn(test);
    await page.getByText(/^The last safety copy is of .*, and was read back\.$/).waitFor();
    await page.getByRole('link', { name: 'See them' }).click();
    await page.getByText(/The newest of each of the last 7 days, 4 weeks and 12 months are kept/).waitFor();
    const copies = page.getByRole('list', { name: 'Copies' }).getByRole('listitem');
    expect(await copies.count()).to.equal(1);
    await page.getByRole('button', { name: 'Make one now' }).click();
    await copies.nth(1).waitFor();
    await copies.filter({ hasText: 'asked for by Tester' }).getByText('Good: it was read back').waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await test.stop();
    rmSync(to, { recursive: true });
  });
});
