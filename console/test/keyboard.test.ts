import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

const form =
  '<form action="https://formwold.localhost/in"><h3>Sign up</h3><p><label>Mail <input name="mail" required></label></p><label>Phone <input name="phone"></label><p><button>Send</button></p></form>';

describe('an owner who has no mouse', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await test.client.call('embeds.create', { body: { name: 'Newsletter', text: form } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  /* Goes on by the Tab key to whatever is called so, as a screen reader would say it. */
  const tabTo = async (page: Page, name: RegExp): Promise<void> => {
    for (let i = 0; i < 90; i++) {
      await page.keyboard.press('Tab');
      const said = await page.evaluate(() => {
        const at = document.activeElement as HTMLInputElement;
        const labels = [...(at.labels ?? [])].map((label) => label.textContent).join(' ');
        return `${at.getAttribute('aria-label') ?? ''} ${labels} ${at.textContent}`.trim();
      });
      if (name.test(said)) return;
    }
    throw new Error(`the Tab key never comes to ${String(name)}`);
  };

  it('dresses an embed, leaves a part out, takes a step back, and saves it with a note', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await tabTo(page, /^Collection$/);
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Collection', level: 1 }).waitFor();
    await tabTo(page, /^formNewsletter|^Newsletter/);
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Newsletter', level: 1 }).waitFor();

    await tabTo(page, /^How it looks/);
    await page.keyboard.press('Enter');
    await tabTo(page, /Never wider than/);
    await page.keyboard.type('480');
    await tabTo(page, /^Do without parts of the code/);
    await page.keyboard.press('Enter');
    await page.getByRole('checkbox', { name: /Heading/ }).waitFor();
    await tabTo(page, /Heading “Sign up”/);
    await page.keyboard.press('Space');
    // What the form needs is passed over, and says why.
    expect(await page.getByRole('checkbox', { name: /“Mail” must be filled in/ }).isDisabled()).to.equal(
      true,
    );
    // What is ticked in one go is one step.
    await page.waitForTimeout(1600);
    await tabTo(page, /Field “Phone”/);
    await page.keyboard.press('Space');
    await page.keyboard.press('Control+z');
    expect(await page.getByRole('checkbox', { name: /Phone/ }).isChecked()).to.equal(false);
    await tabTo(page, /^Add a note/);
    await page.keyboard.press('Enter');
    await page.getByLabel('Why, in your own words').waitFor();
    await tabTo(page, /Why, in your own words/);
    await page.keyboard.type('Narrower');
    await tabTo(page, /^Save as revision 2/);
    await page.keyboard.press('Enter');
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    const { current } = (await test.client.call('embeds.read', { params: { embed: 'newsletter' } })).data;
    expect(current.options).to.deep.equal({ 'max-width': 480, 'leave-out': ['heading'] });
    expect(current.reason).to.equal('Narrower');
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
