import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { publishedWith } from '../../service/test/support/published.ts';
import { barriers } from './support/access.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('an owner whose site was renewed', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('has everything checked before and behind it, and sees what was lost, with both pictures', async () => {
    const work = publishedWith(test);
    await work.collect('Talk', talkCode(test.world.port).replace('width="560"', 'width="300"'));
    const id = await work.place('talk', 'opening');
    const { text } = await work.delivered(id);
    await work.publish(text);
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByRole('link', { name: 'Check everything' }).click();
    await page.getByRole('heading', { name: 'Nobody has checked it yet' }).waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    const check = page.getByRole('button', { name: 'Check everything' });
    await check.click();
    await page.getByText(/^\d of 1 page looked at with a browser$/).waitFor();
    await page.getByText('Nothing was lost: 1 placement is as before.').first().waitFor();
    await page.getByText('At one placement nobody had looked before').waitFor();

    await work.publish(text.replace('width="300"', 'width="900"'));
    await check.click();
    await page
      .getByText(/^2 things work no longer/)
      .first()
      .waitFor();
    await page.getByText(/^It is \d+ px wider than the window on a phone/).waitFor();
    await page.getByText(/^It was well on /).waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await page.getByRole('combobox', { name: 'Check of' }).click();
    await page.getByRole('option').nth(1).click();
    await page.getByText('Nothing was lost: 1 placement is as before.').waitFor();
    await page.getByRole('combobox', { name: 'Check of' }).click();
    await page.getByRole('option').first().click();
    await page.getByRole('link', { name: 'The pictures, side by side' }).click();
    await page
      .getByRole('img', { name: /in a window of 1280 px/ })
      .nth(1)
      .waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('reads what happened to a site, to an embed, and on a page', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByText('Added the site hollinfell (Tester)').waitFor();
    await page.getByText('planned before').waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await page.goto(`${test.url}/collection/talk`);
    await page.getByRole('button', { name: 'History' }).click();
    await page.getByText('Collected talk (Tester)').waitFor();
    expect(await barriers(page)).to.deep.equal([]);
    await page.goto(`${test.url}/plan?page=hollinfell/talks`);
    await page.getByRole('heading', { name: 'What was done here' }).waitFor();
    await page.getByText('Added the page hollinfell/talks (Tester)').waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
