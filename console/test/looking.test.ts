import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';
import { openedEmbed, openStep } from './support/workbench.ts';

describe('an owner who has an embed looked at', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    const form = `<form action="http://formwold.localhost:${test.world.port}/in"><p>${'Stars. '.repeat(200)}</p><input name="mail"></form>`;
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await test.client.call('embeds.create', { body: { name: 'Form', text: form } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const opened = async (embed: string) => {
    const window = await openedEmbed(test, embed);
    await openStep(window.page, 'How it loads');
    return window;
  };
  const revised = async (embed: string) =>
    (await test.client.call('embeds.read', { params: { embed } })).data.current.options;

  it('takes a picture at a second, downloads it, and keeps it in the code', async () => {
    const { context, page, complaints } = await opened('talk');
    await page.getByRole('button', { name: 'Take a still picture' }).click();
    await page.getByLabel('Of a film: at').fill('noon');
    expect(await page.getByRole('button', { name: 'Take the picture' }).isDisabled()).to.equal(true);
    await page.getByLabel('Of a film: at').fill('0:05');
    await page.getByRole('button', { name: 'Take the picture' }).click();
    const picture = page.getByAltText('The picture that was taken');
    await picture.waitFor();
    expect(await picture.evaluate((image) => (image as HTMLImageElement).naturalWidth)).to.equal(1120);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: /^WebP, \d+ kB$/ }).click(),
    ]);
    expect(download.suggestedFilename()).to.equal('still.webp');
    await page.getByRole('button', { name: 'Keep it in the code' }).click();
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    const { still, load } = await revised('talk');
    expect([load, String(still).slice(0, 23)]).to.deep.equal(['near', 'data:image/webp;base64,']);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });

  it('measures how high a form is, and weighs it', async () => {
    const { context, page, complaints } = await opened('form');
    await page.getByRole('button', { name: 'Measure how high it is' }).click();
    await page.getByRole('button', { name: 'Measure', exact: true }).click();
    await page.getByText('Measured: so much room is kept free.').waitFor();
    const field = page.getByLabel('Measured heights');
    expect(await field.inputValue()).to.match(/^320:\d+, 480:\d+, .* on \d{4}-\d{2}-\d{2}$/);
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved', { exact: false }).first().waitFor();
    expect((await revised('form'))['heights']).to.equal(await field.inputValue());
    await page.getByRole('button', { name: 'Weigh it' }).click();
    await page.getByRole('button', { name: 'Weigh it' }).click();
    await page.getByText('This embed', { exact: true }).waitFor();
    expect(await page.getByText('nobody else is asked for anything').count()).to.be.greaterThan(1);
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});

describe('the collection in pictures', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    const collect = (name: string, text: string) =>
      test.client.call('embeds.create', { body: { name, text } });
    await collect('Talk', talkCode(test.world.port));
    await collect('Nothing', '<div id="nothing"></div>');
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  it('takes those that are missing, says which show nothing, and leads to each embed', async () => {
    const { context, page, complaints } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/collection`);
    await page.getByRole('button', { name: 'Pictures', exact: true }).click();
    expect(new URL(page.url()).searchParams.get('view')).to.equal('pictures');
    await page.getByRole('button', { name: 'Bring 2 pictures up to date' }).click();
    await page.getByText('1 picture taken; 1 showed nothing that could be photographed.').waitFor();
    await page.getByRole('button', { name: 'Bring 1 picture up to date', exact: true }).waitFor();
    const card = page.getByRole('link', { name: /Talk A video by Kinorill Not placed/ });
    const shown = await card.locator('img').evaluate(async (image: HTMLImageElement) => {
      await image.decode();
      return image.naturalWidth;
    });
    expect(shown).to.equal(480);
    await page.getByLabel('Choose Talk').check();
    await page.getByRole('link', { name: 'Change 1 at once' }).waitFor();
    await card.click();
    await page.getByRole('heading', { name: 'Talk', level: 1 }).waitFor();
    expect(complaints).to.deep.equal([]);
    await context.close();
  });
});
