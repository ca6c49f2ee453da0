import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { closeBrowser, expectShown, newWindow } from './support/browser.ts';
import { openStep } from './support/workbench.ts';

describe('an owner whose site has colours', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('has them read, keeps some, and puts one of them on an embed', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByRole('button', { name: 'Read them from the site' }).click();
    await page.getByText('Read of http', { exact: false }).waitFor();
    const first = page.getByRole('checkbox', { name: /^#1e2b38 background/ });
    expect(await first.isChecked()).to.equal(true);
    await first.uncheck();
    await page.getByRole('button', { name: 'Save for this site' }).click();
    await page.getByText('Saved for Hollin Fell', { exact: false }).first().waitFor();
    const { colours } = (await test.client.call('sites.read', { params: { site: 'hollinfell' } })).data;
    expect(colours).to.have.length(9).and.include('#c9a86a').and.not.include('#1e2b38');

    await page.goto(`${test.url}/collection/talk`);
    await openStep(page, 'How it looks');
    await page.getByRole('button', { name: 'Heading, caption, links and a panel' }).click();
    const own = page.getByRole('group', { name: 'Panel behind it, of your sites' });
    await own.getByRole('button', { name: '#c9a86a' }).click();
    expect(await page.getByLabel('Panel behind it', { exact: true }).inputValue()).to.equal('#c9a86a');
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('begins a style for frames with them, sees it at once, changes it and keeps it', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/places/hollinfell`);
    await page.getByRole('button', { name: 'Start with the site’s colours and font' }).click();
    const sheet = page.getByLabel('Style sheet (CSS)');
    await page.getByRole('button', { name: 'Begin again with the site’s colours and font' }).waitFor();
    expect(await sheet.inputValue()).to.match(/^body \{\n {2}font-family: "DejaVu Serif"/);
    const button = page.frameLocator('iframe[title="A form with this style"]').getByRole('button');
    // Its frame may just be replaced.
    const colour = (): Promise<string> =>
      button.evaluate((each) => getComputedStyle(each).color).catch(() => '');
    await until(async () => (await colour()) === 'rgb(255, 255, 255)');
    await sheet.fill('button { color: red } </style>');
    await page.getByText('“</style” cannot stand in it.').waitFor();
    expect(await page.getByRole('button', { name: 'Save for this site' }).isDisabled()).to.equal(true);
    await sheet.fill('button { color: rgb(1, 2, 3) }');
    await until(async () => (await colour()) === 'rgb(1, 2, 3)');
    await page.getByRole('button', { name: 'Save for this site' }).click();
    await page.getByText('Saved for Hollin Fell', { exact: false }).first().waitFor();
    const { data } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    expect(data.frameStyle).to.equal('button { color: rgb(1, 2, 3) }');
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('answers a form in words of their own, in the preview as on the page', async () => {
    await test.client.call('embeds.create', {
      body: {
        name: 'Letter',
        text: `<form action="http://formwold.localhost:${test.world.port}/letters/hf-monthly" method="post"><input name="mail" value="a@b.example" aria-label="Address"><button>Sign up</button></form>`,
      },
    });
    const { context, page } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/collection/letter`);
    await openStep(page, 'Its frame');
    await page.getByRole('radio', { name: /^Enclosed/ }).check();
    await page.getByLabel('Answer to its form').click();
    await page.getByRole('option', { name: 'Your own words' }).click();
    await page.getByLabel('When it was sent').fill('Until the next new moon');
    const inside = page.frameLocator('iframe').frameLocator('iframe');
    const worded = inside.locator('[data-orbis-sent="Until the next new moon"]');
    await expectShown(worded);
    await inside
      .getByRole('button', { name: 'Sign up' })
      .evaluate((button: HTMLButtonElement) => button.click());
    await expectShown(inside.getByText('Until the next new moon'));
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    const { data } = await test.client.call('embeds.read', { params: { embed: 'letter' } });
    expect(data.current.options).to.deep.equal({
      'frame': 'enclosed',
      'answer': 'words',
      'answer-words': 'Until the next new moon',
    });
    await context.close();
  });
});
