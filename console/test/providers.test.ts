import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import type { Options } from '@orbis/core';
import type { Page } from 'playwright-core';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, expectShown, expectSoon, newWindow } from './support/browser.ts';
import { showCode } from './support/workbench.ts';

describe('an owner who adjusts, at the console', () => {
  let test: TestOrbis;
  let page: Page;
  const collect = async (name: string, text: string, settings: Options = {}): Promise<void> =>
    void (await test.client.call('embeds.create', { body: { name, text, options: settings } }));
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
  const open = async (key: string): Promise<void> => {
    await page.goto(`${test.url}/collection/${key}`);
    await showCode(page);
  };
  const field = (name: string) => page.locator(`input[data-option="${name}"]`);

  it('takes the time at which the player is, of a provider and of a file', async () => {
    await collect('Talk to cut', talkCode(test.world.port));
    await collect(
      'Own file',
      `<video controls width="320" src="http://kinorill.localhost:${test.world.port}/media/sky.webm"></video>`,
    );
    for (const key of ['talk-to-cut', 'own-file']) {
      await open(key);
      const frame = page.frameLocator('iframe[title="Preview of the embed"]');
      const video =
        key === 'own-file' ? frame.locator('video') : frame.frameLocator('iframe').locator('video');
      expect(await page.getByRole('button', { name: 'From here' }).count()).to.equal(0);
      await expectShown(video);
      await video.evaluate((player: HTMLVideoElement) => {
        player.currentTime = 83.5;
      });
      // The player may have told that it stands at its beginning before it was moved.
      await expectSoon(async () => {
        await page.getByRole('button', { name: 'From here' }).click();
        return (await field('start').inputValue()) === '1:23.5';
      }, 'the time at which the player is');
      await expectSoon(
        async () => /from=83\.5|#t=83\.5/.test((await page.locator('main').textContent()) ?? ''),
        'the code has it',
      );
    }
  });

  it('draws a slider, picks a colour, and moves on the map, each at once in the code', async () => {
    await collect(
      'Way',
      `<iframe src="http://mapmere.localhost:${test.world.port}/embed/map?lat=54.3712&amp;lng=-2.1048&amp;zoom=13" width="640" height="480" title="Map"></iframe>`,
    );
    await open('way');
    await page.getByRole('slider', { name: 'Zoom, as a slider' }).focus();
    await page.keyboard.press('End');
    expect(await field('zoom').inputValue()).to.equal('20');
    await field('zoom').fill('15');
    await page.getByLabel('Colour, picked').or(page.locator('input[type=color]')).first().fill('#aa3355');
    expect(await field('accent').inputValue()).to.equal('#aa3355');
    await field('centre').fill('54.38, -2.12');
    await page.getByRole('button', { name: 'North by a step' }).click();
    expect(Number((await field('centre').inputValue()).split(',')[0])).to.be.greaterThan(54.38);
    await field('centre').fill('54.38, -2.12');
    await expectSoon(
      async () =>
        ((await page.locator('main').textContent()) ?? '').includes(
          'lat=54.38&lng=-2.12&zoom=15&pin=aa3355'.replaceAll('&', '&amp;'),
        ),
      'all of it is in the code',
    );
  });

  it('sees what the provider does not offer, and sets a parameter by hand', async () => {
    await open('talk-to-cut');
    expect(await page.locator('[data-missing]').textContent()).to.match(/^Kinorill does not offer: /);
    await page.getByRole('button', { name: 'Set a parameter by hand' }).click();
    await page.getByLabel('Name of a parameter').fill('zest');
    await page.keyboard.press('Enter');
    await field('parameter.zest').fill('7');
    await page.getByRole('button', { name: 'Save as revision 2' }).click();
    await page.getByText('Revision 2 is saved.').waitFor();
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'talk-to-cut' } })).data.current.options,
    ).to.deep.equal({ 'parameter.zest': '7' });
    await page.getByRole('button', { name: 'Take zest out' }).click();
    await page.getByRole('button', { name: 'Save as revision 3' }).click();
    await page.getByText('Revision 3 is saved.').waitFor();
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'talk-to-cut' } })).data.current.options,
    ).to.deep.equal({});
  });

  it('makes a copy of a sheet, is told where it is wrong, and takes it away again', async () => {
    await page.goto(`${test.url}/providers`);
    await page.getByRole('link', { name: 'Kinorill' }).click();
    await page.getByRole('link', { name: 'Make a copy' }).click();
    await page.getByRole('heading', { name: 'A copy of kinorill' }).waitFor();
    const sheet = page.getByLabel('The sheet, in JSON or YAML');
    const text = (await sheet.inputValue()).replaceAll('kinorill.localhost', 'moorfilm.localhost');
    expect(text).to.include('"id": "kinorill-copy"');
    await sheet.fill(text.replace('"kind": "video"', '"kind": "vidio"'));
    await page.getByRole('button', { name: 'See what it would change' }).click();
    await page.getByText(/line 5, column \d+ \(kind\)/).waitFor();
    await sheet.fill(text);
    await page.getByRole('button', { name: 'See what it would change' }).click();
    await page.getByRole('button', { name: 'Save it', exact: true }).click();
    await page.getByText('version 3 · your own', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Remove it' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Remove it' }).click();
    await page.getByText('The sheet is removed.').waitFor();
    expect(
      (await test.client.call('providers.list', {})).data.items.some(({ from }) => from !== 'built-in'),
    ).to.equal(false);
  });

  it('sees which embeds a changed sheet would change, before it does', async () => {
    await collect('Clip', talkCode(test.world.port), { start: 112 });
    await page.goto(`${test.url}/providers/kinorill`);
    const sheet = page.getByLabel('The sheet, in JSON or YAML');
    await sheet.fill((await sheet.inputValue()).replace('"name": "from"', '"name": "begin"'));
    await page.getByRole('button', { name: 'See what it would change' }).click();
    await page.getByRole('heading', { name: 'One embed would come out differently' }).waitFor();
    await page.getByRole('button', { name: 'Save it, and change 1 embed' }).click();
    await page.getByText('Saved. 1 embed got a new revision.').waitFor();
    expect((await test.client.call('embeds.read', { params: { embed: 'clip' } })).data.current).to.include({
      number: 2,
      reason: 'sheet changed',
    });
    await page.getByText('your own, before the built-in one', { exact: false }).waitFor();
  });

  it('has what only follows people taken out of everything, by one rule', async () => {
    await page.goto(`${test.url}/account`);
    await page.getByLabel('Take parameters out of addresses that only follow people').click();
    await page.getByText('They are taken out from now on.').waitFor();
    expect((await test.client.call('rules.read', {})).data).to.deep.equal({ dropTracking: true });
  });

  it('changes what it ticked in the list, having seen what that would do, and takes it back', async () => {
    for (const name of ['Group one', 'Group two']) await collect(name, talkCode(test.world.port));
    await page.goto(`${test.url}/collection`);
    await page.getByLabel('Search').fill('name=Group (');
    await page.getByText('Column 13 of the search', { exact: false }).waitFor();
    await page.getByLabel('Search').fill('name=Group');
    await page.getByRole('link', { name: /^Way/ }).waitFor({ state: 'detached' });
    for (const name of ['Group one', 'Group two']) await page.getByLabel(`Choose ${name}`).check();
    await page.getByRole('link', { name: 'Change 2 at once' }).click();
    await page.getByLabel('A preset').click();
    await page.getByRole('option', { name: 'silent loop' }).click();
    await page.getByLabel('Another option').click();
    await page.getByRole('option', { name: 'Start', exact: true }).click();
    await page.getByRole('textbox', { name: 'Start' }).fill('0:12');
    await page.getByRole('button', { name: 'See what it would do' }).click();
    await page.getByRole('heading', { name: '2 embeds of 2 would change' }).waitFor();
    await page
      .getByRole('article', { name: 'Group one' })
      .getByText('Start at 0:12', { exact: false })
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Do it' }).click();
    await page.getByText('Pages keep the code that they carry', { exact: false }).waitFor();
    const settings = async (): Promise<unknown> =>
      (await test.client.call('embeds.read', { params: { embed: 'group-two' } })).data.current.options;
    expect(await settings()).to.deep.equal({
      autoplay: true,
      muted: true,
      loop: true,
      controls: false,
      fit: 'shape',
      start: 12,
    });
    await page.getByRole('link', { name: 'What was done' }).click();
    await page.getByRole('heading', { name: 'What was done', level: 1 }).waitFor();
    const first = page.getByRole('listitem').first();
    expect(await first.textContent()).to.match(/^Set options of 2 embeds .*start=0:12/);
    await first.getByRole('button', { name: 'Take back' }).click();
    await first.getByText('taken back').waitFor();
    await page.getByRole('button', { name: 'Follow it in a feed reader' }).click();
    await page.getByText(`${test.url}/api/v1/changes.atom`).waitFor();
    expect(await settings()).to.deep.equal({});
  });

  it('is told whom Orbis would ask about a link, and sees the answer before collecting', async () => {
    await page.goto(`${test.url}/collect`);
    await page.getByLabel('Code or link').fill(`http://kinorill.localhost:${test.world.port}/films/cM7comet`);
    await page.getByText(`Orbis will ask kinorill.localhost:${test.world.port}`, { exact: false }).waitFor();
    await page.getByRole('button', { name: 'Ask now, without collecting it' }).click();
    await page.getByText('by Hollin Fell Observatory', { exact: false }).waitFor();
    await page.getByLabel('Name').fill('Comet by link');
    await page.getByLabel('Ask what this link is').uncheck();
    await page.getByRole('button', { name: 'Collect it' }).click();
    await page.getByRole('heading', { name: 'Comet by link', level: 1 }).waitFor();
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'comet-by-link' } })).data.found,
    ).to.equal(null);
  });

  it('collects an item of which only a number is known', async () => {
    await page.goto(`${test.url}/collect`);
    await page.getByLabel('Code or link').fill('stallmere:311');
    await page.getByText('It names Stallmere', { exact: false }).first().waitFor();
    await page.getByLabel('Name').fill('By number');
    await page.getByRole('button', { name: 'Collect it' }).click();
    await page.getByRole('heading', { name: 'By number', level: 1 }).waitFor();
    expect((await test.client.call('embeds.read', { params: { embed: 'by-number' } })).data.pasted).to.equal(
      'stallmere:311',
    );
  });

  it('learns a provider from two codes and a link, answers what is asked, and keeps it', async () => {
    const at = (path: string): string => `http://gladewick.localhost:${test.world.port}${path}`;
    const code = (id: string, query: string): string =>
      `<iframe src="${at(`/show/${id}`)}${query}" width="720" height="405" title="${id}"></iframe>`;
    await page.goto(`${test.url}/providers`);
    await page.getByRole('link', { name: 'Learn a provider' }).click();
    await page.getByLabel('Code or link 1').fill(code('red-torches', '?from=1&amp;hue=aa3355'));
    await page.getByRole('button', { name: 'See what they have in common' }).click();
    await page.getByText('It takes from 2 to 20 codes or links').waitFor();
    await page.getByLabel('Code or link 2').fill(code('comet-sketches', '?from=2'));
    await page.getByRole('button', { name: 'One more' }).click();
    await page.getByLabel('Code or link 3').fill(at('/decks/first-light'));
    await page.getByText(`Orbis will ask gladewick.localhost:${test.world.port}`).waitFor();
    await page.getByRole('button', { name: 'See what they have in common' }).click();
    await page.getByRole('heading', { name: '2 questions for you' }).waitFor();
    expect(
      await page.getByLabel('The first code, with what differs marked').locator('mark').allTextContents(),
    ).to.include.members(['red-torches', 'aa3355']);
    const choose = async (label: string, word: string): Promise<void> => {
      await page.getByRole('combobox', { name: label }).click();
      await page.getByRole('option', { name: word, exact: true }).click();
    };
    await choose('what it shows', 'document');
    await page.getByRole('heading', { name: '1 question for you' }).waitFor();
    await choose('“from”', 'Page');
    await page.getByRole('heading', { name: 'The sheet', exact: true }).waitFor();
    expect(await page.locator('[data-open]').count()).to.equal(0);
    await page.getByRole('button', { name: 'See what it would change' }).click();
    await page.getByRole('button', { name: 'Save it', exact: true }).click();
    await page.getByRole('heading', { name: 'Gladewick', exact: true }).waitFor();
    await collect('Slides', code('red-torches', ''), { page: 2 });
    const { data } = await test.client.call('embeds.read', { params: { embed: 'slides' } });
    expect([data.kind, data.provider]).to.deep.equal(['document', 'gladewick']);
  });

  it('takes in a list of providers, sees what of it cannot be used, finds who answers, and forgets one', async () => {
    await page.goto(`${test.url}/providers`);
    await page
      .getByLabel('A list of providers, as a file')
      .setInputFiles(fileURLToPath(new URL('../../demo/samples/oembed-providers.json', import.meta.url)));
    await page.getByText('Becksheet, https://becksheet.example/oembed: it names no links').waitFor();
    await page.getByText('This of the list cannot be used; the rest of it is known now:').waitFor();
    await page.getByLabel('Name, or a link: who answers').fill('https://www.moorreel.example/watch/7');
    await expectSoon(
      async () => (await page.getByRole('button', { name: /^Forget / }).count()) === 1,
      'only Moorreel is left',
    );
    await page.getByRole('button', { name: 'Forget Moorreel' }).click();
    await page.getByText('No known provider has that name').waitFor();
    await page.getByLabel('Name, or a link: who answers').fill('');
    await page.getByRole('button', { name: 'Forget Tarncast' }).waitFor();
  });
});
