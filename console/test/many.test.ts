import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, expectSoon, newWindow } from './support/browser.ts';

describe('an owner with many codes, at the console', () => {
  let test: TestOrbis;
  let page: Page;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    ({ page } = await newWindow());
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });
  const at = (host: string, path: string): string => `http://${host}.localhost:${test.world.port}${path}`;
  const keys = async (where: string) =>
    (await test.client.call('embeds.list', { query: { where } })).data.items.map(({ key }) => key).sort();
  const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });

  it('pastes several links, is told who is asked, and has all of them or none', async () => {
    await page.goto(`${test.url}/collect`);
    const field = page.getByLabel('Code or link');
    await field.fill(`${at('mapmere', '/maps/tarn')}\n${at('mapmere', '/maps/nowhere')}`);
    await page.getByText(`Orbis will ask mapmere.localhost:${test.world.port}`).first().waitFor();
    await page.getByLabel('Tags').fill('lakes');
    await page.getByRole('button', { name: 'Collect all 2' }).click();
    await page.getByText('Nothing was collected: one of them cannot be.').waitFor();
    expect(await keys('tag=lakes')).to.deep.equal([]);
    await page.getByRole('button', { name: 'Collect the others' }).click();
    await page.getByRole('link', { name: 'The tarn, where the festival is' }).click();
    await page.getByRole('heading', { name: 'The tarn, where the festival is' }).waitFor();
    expect(await keys('tag=lakes')).to.deep.equal(['the-tarn-where-the-festival-is']);
  });

  it('leaves the name of a link to its provider', async () => {
    await page.goto(`${test.url}/collect`);
    await page.getByLabel('Code or link').fill(at('mapmere', '/maps/moor-road'));
    await page.getByRole('button', { name: 'Collect it' }).click();
    await page.getByRole('heading', { name: 'The moor road to the observatory' }).waitFor();
  });

  it('takes many codes in from files: tried first, what cannot be is left out by choice', async () => {
    await page.goto(`${test.url}/collect`);
    await page.getByRole('link', { name: 'Take in many' }).click();
    await page.getByLabel('Tags for all of them').fill('old site');
    const code = (n: number): string =>
      `<iframe src=""https://play.kinorill.localhost/film/r${n}"" title=""Reel ${n}""></iframe>`;
    const rows = Array.from({ length: 300 }, (_, n) => `Reel ${n},"${code(n % 299)}",reels,`);
    await page
      .getByLabel('Files with codes')
      .setInputFiles([
        file('reels.csv', `name,code,tags,note\n${rows.join('\n')}\nWords,only words,,\n`),
        file('a-map.html', '<iframe src="https://mapmere.localhost/embed/map" title="Map"></iframe>'),
      ]);
    await page
      .getByText('302 codes: 301 can be taken in, 1 of them with the same code as another, 1 cannot.')
      .waitFor();
    await page.getByText('Words (number 301)').waitFor();
    expect(await page.getByRole('button', { name: 'Take in 301 codes' }).isDisabled()).to.equal(true);
    await page.getByLabel('Leave out what cannot be taken in').check();
    await page.getByRole('button', { name: 'Take in 301 codes' }).click();
    await page.getByText('301 codes are in the collection.', { exact: false }).last().waitFor();
    await page.getByRole('link', { name: 'the collection' }).click();
    await page.getByRole('link', { name: /^a map/ }).waitFor();
    expect(await page.getByLabel('Search').inputValue()).to.equal('tag="old site"');
    await page.goto(`${test.url}/imports`);
    const { data } = await test.client.call('embeds.read', { params: { embed: 'a-map' } });
    expect([data.name, data.tags]).to.deep.equal(['a map', ['old site']]);
    await page.getByLabel('Files with codes').setInputFiles(file('broken.csv', 'name,code\n"open'));
    await page.getByText('is no table of codes').waitFor();
    await page.getByLabel('Files with codes').setInputFiles(file('empty.ndjson', ''));
    await page.getByText('There is no code in it.').waitFor();
  });

  it('keeps the options of an embed as a preset, puts it on another, and takes it away', async () => {
    for (const name of ['First talk', 'Second talk'])
      await test.client.call('embeds.create', {
        body: {
          name,
          text: talkCode(test.world.port),
          ...(name === 'First talk' && { options: { muted: true, loop: true } }),
        },
      });
    await page.goto(`${test.url}/collection/first-talk`);
    await page.getByRole('button', { name: 'Keep these as a preset' }).click();
    await page.getByLabel('Name of the preset').fill('Quiet round');
    await page.getByLabel('What it is for').fill('Behind other things.');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('The preset “quiet round” is kept.').waitFor();
    await page.goto(`${test.url}/collection/second-talk`);
    await page.getByRole('combobox', { name: 'Put a preset on it' }).click();
    await page.getByRole('option', { name: 'quiet round' }).click();
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved.').waitFor();
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'second-talk' } })).data.current.options,
    ).to.deep.equal({ muted: true, loop: true });
    await page.goto(`${test.url}/changes`);
    await page.getByRole('button', { name: 'Take the preset quiet-round away' }).click();
    const isThere = async (): Promise<boolean> =>
      (await test.client.call('presets.list', {})).data.items.some(({ own }) => own);
    await expectSoon(async () => !(await isThere()), 'it is gone');
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('Taken back: Removed the preset quiet-round.').waitFor();
    expect(await isThere()).to.equal(true);
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'second-talk' } })).data.revision,
    ).to.equal(2);
  });
});
