import { AxeBuilder } from '@axe-core/playwright';
import { expect } from 'chai';
import type { BrowserContext, Page } from 'playwright-core';
import { password, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import {
  closeBrowser,
  expectClip,
  expectShown,
  expectSoon,
  time,
  newWindow,
  type SignedIn,
} from './support/browser.ts';
import { closeDrawer, openDrawer, openStep, showCode } from './support/workbench.ts';

describe('the console', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  let state: SignedIn | undefined;

  /** A window in which the owner is signed in. */
  async function signedIn(size?: {
    width: number;
    height: number;
  }): Promise<{ context: BrowserContext; page: Page; complaints: string[] }> {
    const window = await newWindow(size, state);
    await window.page.goto(state ? test.url : await test.orbis.link('sign-in'));
    await window.page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    // Who has signed in once stays signed in, in whatever window.
    state ??= await window.context.storageState();
    return window;
  }

  /** The same, where codes and links are pasted. */
  async function collecting(): ReturnType<typeof signedIn> {
    const window = await signedIn();
    await window.page.getByRole('link', { name: 'Collect', exact: true }).click();
    return window;
  }

  describe('and an owner', () => {
    it('goes the whole way: collect, cut, fit, place, paste, publish, sweep, see it live', async () => {
      const { context, page, complaints } = await signedIn();
      await page.getByRole('link', { name: 'Paste a code or link' }).click();
      await page.getByLabel('Code or link').fill(talkCode(test.world.port));
      await page.getByText('Its frame comes from Kinorill', { exact: false }).waitFor();
      await page.getByLabel('Name').fill('Opening talk');
      await page.getByLabel('Tags').fill('talks, festival');
      await page.getByRole('button', { name: 'Collect it' }).click();
      await page.getByRole('heading', { name: 'Opening talk', level: 1 }).waitFor();

      await page.getByRole('textbox', { name: 'Start' }).fill('1:52');
      await page.getByLabel('End', { exact: true }).fill('3:04');
      await openStep(page, 'How it looks');
      await page.getByLabel('Fit').click();
      await page.getByRole('option', { name: 'Always in its shape' }).click();
      await showCode(page);
      await page.getByText('Start at 1:52', { exact: false }).waitFor();
      await page.getByRole('button', { name: 'Save as revision 2' }).click();
      await page.getByText('revision 2', { exact: false }).first().waitFor();

      await page.getByRole('link', { name: 'Places' }).click();
      await page.getByRole('heading', { name: 'Places', level: 1 }).waitFor();
      await page.getByLabel('Name').fill('Hollin Fell Observatory');
      await page.getByLabel('Short key').fill('hollinfell');
      await page.getByLabel('Address').fill(`http://hollinfell.localhost:${test.world.port}`);
      await page.getByRole('button', { name: 'Add the site' }).click();
      await page.getByRole('heading', { name: 'Hollin Fell Observatory' }).waitFor();
      await page.getByLabel('Title of a page').fill('Talks');
      await page.getByLabel('Its path').fill('/talks');
      await page.getByRole('button', { name: 'Add a page' }).click();
      const talks = page.getByRole('region', { name: 'Talks' });
      await talks.getByRole('button', { name: 'Add a spot' }).click();
      await talks.getByLabel('Name of a spot').fill('opening');
      await talks.getByRole('button', { name: 'Add a spot' }).click();
      await talks.getByText('358 px wide on a phone, 704 on a tablet, 760 on a desktop').waitFor();

      await page.getByRole('link', { name: 'Collection' }).click();
      await page.getByRole('link', { name: /Opening talk/ }).click();
      await openStep(page, 'Where it goes');
      await page.getByLabel('Place it in').click();
      await page.getByRole('option', { name: 'hollinfell/talks#opening' }).click();
      await page.getByRole('button', { name: 'Place', exact: true }).click();
      const placed = page.getByRole('article', { name: 'Opening talk in hollinfell/talks#opening' });
      await placed.getByRole('button', { name: 'Copy the code' }).click();
      await placed.getByRole('button', { name: 'Copied' }).waitFor();

      const editor = await context.newPage();
      await editor.goto(`http://hollinfell.localhost:${test.world.port}/edit/talks`);
      await editor.getByLabel('A night on the moor').focus();
      await editor.keyboard.press('Control+V');
      await editor.getByRole('button', { name: 'Publish' }).click();
      await editor.getByText('Published.').waitFor();

      await page.bringToFront();
      await page.getByRole('link', { name: 'Sweeps' }).click();
      await page.getByRole('button', { name: 'Sweep everything' }).click();
      await page.getByText('1 page read: 1 live').waitFor();
      await page.getByRole('link', { name: 'Register' }).click();
      await page
        .getByRole('row', { name: /Opening talk hollinfell\/talks#opening/ })
        .getByText('live', { exact: true })
        .waitFor();
      expect(complaints).to.deep.equal([]);

      await editor.getByRole('link', { name: 'See the page' }).click();
      const frame = editor.locator('iframe[data-orbis]');
      await frame.scrollIntoViewIfNeeded();
      const box = (await frame.boundingBox())!;
      expect(box.width / box.height).to.be.closeTo(16 / 9, 0.02);
      await expectClip(editor, editor.frameLocator('iframe[data-orbis]'));
      await context.close();
    });

    it('sees at once which placements carry an older code, and checks one page', async () => {
      const { context, page } = await signedIn();
      await page.goto(`${test.url}/collection/opening-talk`);
      await page.getByLabel('End', { exact: true }).fill('2:30');
      await page.getByRole('button', { name: 'Save as revision 3' }).click();
      await openStep(page, 'Where it goes');
      const placed = page.getByRole('article', { name: 'Opening talk in hollinfell/talks#opening' });
      await placed.getByText('out of date', { exact: true }).waitFor();
      await placed.getByText('Revision 2, newest is 3', { exact: false }).waitFor();
      await openDrawer(page, 'Revisions');
      await page.getByRole('button', { name: 'Compare' }).first().click();
      await page.getByText('end: 3:04 in revision 2, 2:30 in revision 3').waitFor();
      await page.getByLabel('The code of revision 2, with what is new in revision 3').waitFor();
      await page.getByRole('button', { name: 'Bring revision 2 back' }).click();
      await page.getByText('Revision 4 is revision 2 again.', { exact: false }).waitFor();
      await closeDrawer(page);
      await placed.getByText('live', { exact: true }).waitFor();
      await placed.getByRole('button', { name: 'Check this page now' }).click();
      await page.getByText('hollinfell/talks has been read.').waitFor();
      await openStep(page, 'What it does');
      expect(await page.getByLabel('End', { exact: true }).inputValue()).to.equal('3:04');
      await context.close();
    });

    it('takes a newer code of the provider into the same embed', async () => {
      const { context, page, complaints } = await signedIn();
      await test.client.call('embeds.create', {
        body: { name: 'To be renewed', text: talkCode(test.world.port), options: { start: 12 } },
      });
      await page.goto(`${test.url}/collection/to-be-renewed`);
      await openDrawer(page, 'The paste');
      await page.getByRole('button', { name: 'Take in a newer code of the provider' }).click();
      await page
        .getByLabel('The newer code or link')
        .fill('<iframe src="https://media.example/x" title="t"></iframe>');
      await page.getByRole('button', { name: 'Take it in', exact: true }).click();
      await page.getByText('The code is another provider’s', { exact: false }).waitFor();
      await page.getByRole('button', { name: 'Take it in all the same' }).click();
      await page
        .getByText('With the newer code these options cannot be fulfilled: start.', { exact: false })
        .waitFor();
      await page.getByLabel('The newer code or link').fill(talkCode(test.world.port, 'rG5rings'));
      await page.getByRole('button', { name: 'Take it in', exact: true }).click();
      await page.getByText('The code shows another item', { exact: false }).waitFor();
      await page.getByRole('button', { name: 'Take it in all the same' }).click();
      await page.getByText('The newer code is in, as revision 2.', { exact: false }).waitFor();
      expect(await page.getByLabel('The code as it was pasted').innerText()).to.include('rG5rings');
      await closeDrawer(page);
      expect(await page.getByRole('textbox', { name: 'Start' }).inputValue()).to.equal('0:12');
      expect(complaints).to.deep.equal([]);
      await context.close();
    });

    it('renames and tags an embed, retires it and takes it back; the revision stays', async () => {
      const { context, page, complaints } = await signedIn();
      await test.client.call('embeds.create', {
        body: { name: 'To be renamed', text: talkCode(test.world.port) },
      });
      await page.goto(`${test.url}/collection/to-be-renamed`);
      await openDrawer(page, 'Details');
      await page.getByRole('textbox', { name: 'Name' }).fill('Renamed here');
      await page.getByLabel('Tags').fill('moor, night');
      await page.getByLabel('Notes').fill('Kept for the winter.');
      await page.getByRole('button', { name: 'Save these' }).click();
      await page.getByText('Renamed here', { exact: true }).waitFor();
      await page.getByRole('button', { name: 'Retire it' }).click();
      await page.getByText('revision 1 · retired · moor, night', { exact: false }).waitFor();
      await page.getByRole('button', { name: 'Restore it' }).click();
      await page.getByRole('button', { name: 'Retire it' }).waitFor();
      const { data } = await test.client.call('embeds.read', { params: { embed: 'to-be-renamed' } });
      expect(data).to.deep.include({
        name: 'Renamed here',
        tags: ['moor', 'night'],
        notes: 'Kept for the winter.',
        retired: false,
        revision: 1,
      });
      expect(complaints).to.deep.equal([]);
      await context.close();
    });

    it('is told in the form what cannot be, and why, and what comes with an option', async () => {
      const { context, page } = await signedIn();
      await page.goto(`${test.url}/collection/opening-talk`);
      await page.getByRole('textbox', { name: 'Start' }).fill('4:00');
      await page.getByText('The end (3:04) is not after the start (4:00).', { exact: false }).waitFor();
      expect(await page.getByRole('button', { name: /^Save as revision/ }).isDisabled()).to.equal(true);
      await page.getByRole('textbox', { name: 'Start' }).fill('soon');
      await page.getByText('Write a time such as 1:52', { exact: false }).waitFor();
      await page.getByRole('textbox', { name: 'Start' }).fill('1:52');
      await page.getByLabel('Plays by itself').click();
      await page.getByRole('option', { name: 'Yes' }).click();
      await page.getByText('Yes, because browsers let a video play by itself only without sound.').waitFor();
      await context.close();
    });

    it('previews foreign code on another host, to which no cookie of the owner ever goes', async () => {
      const { context, page, complaints } = await signedIn();
      const cookies: string[] = [];
      const hosts = new Set<string>();
      page.on('request', (request) => {
        const { hostname } = new URL(request.url());
        hosts.add(hostname);
        if (hostname !== new URL(test.url).hostname)
          void request
            .allHeaders()
            .then((headers) =>
              cookies.push(...(headers['cookie'] ? [`${hostname}: ${headers['cookie']}`] : [])),
            );
      });
      await test.client.call('embeds.create', {
        body: { name: 'Previewed', text: talkCode(test.world.port), options: { start: 112 } },
      });
      await page.goto(`${test.url}/collection/previewed`);
      const preview = page.frameLocator('iframe[title="Preview of the embed"]').frameLocator('iframe');
      await expectShown(preview.locator('video'));
      await expectSoon(async () => Math.abs((await time(preview)) - 112) < 0.5, 'the preview stands at 1:52');
      expect(
        [...hosts].filter((host) => /^[0-9a-z]{20}\.frames\.localhost$/.test(host)),
      ).to.have.length.at.least(1);
      expect(cookies).to.deep.equal([]);
      expect(complaints).to.deep.equal([]);
      await context.close();
    });

    it('is safe from what was pasted: nothing of it runs in the console, and it cannot reach it', async () => {
      const { context, page, complaints } = await signedIn();
      const evil =
        '<img src="x:" onerror="top.harmed=1"><script>try{parent.harmed=parent.document.cookie}catch(e){document.title="kept out"}</script><iframe src="javascript:top.harmed=2"></iframe><b id="seen">shown</b>';
      const { data } = await test.client.call('embeds.create', { body: { name: 'Evil', text: evil } });
      await page.goto(`${test.url}/collect`);
      await page.getByLabel('Code or link').fill(evil);
      await page.getByText('is itself a program', { exact: false }).waitFor();
      await page.goto(`${test.url}/collection/${data.key}`);
      const frame = page.frameLocator('iframe[title="Preview of the embed"]');
      await expectShown(frame.locator('#seen'));
      expect(await frame.locator('#seen').evaluate(() => document.title)).to.equal('kept out');
      expect(await page.evaluate('"harmed" in window')).to.equal(false);
      expect(
        complaints.filter(
          (complaint) => !complaint.includes('javascript:') && !complaint.includes('.frames.localhost'),
        ),
      ).to.deep.equal([]);
      await context.close();
    });

    it('is shown the parts in plain words, and has a wrong paste mended at a click', async () => {
      const { context, page, complaints } = await collecting();
      await page
        .getByLabel('Code or link')
        .fill(
          '&lt;div class="x" data-set="7"&gt;&lt;/div&gt;&lt;script async src="https://c.localhost/l.js"&gt;&lt;/script&gt;',
        );
      await page.getByRole('button', { name: 'Mend it' }).click();
      await page.getByText('Loads something from elsewhere').waitFor();
      await page.getByText('needed once a page, in the head of the page').waitFor();
      await page.getByLabel('Name').fill('Mended feed');
      await page.getByRole('button', { name: 'Collect it' }).click();
      await page.getByRole('heading', { name: 'Mended feed', level: 1 }).waitFor();
      const { data } = await test.client.call('embeds.read', { params: { embed: 'mended-feed' } });
      expect([data.pasted.slice(0, 8), data.base.slice(0, 8)]).to.deep.equal(['&lt;div ', '<div cla']);
      expect(complaints).to.deep.equal([]);
      await context.close();
    });

    it('has faults mended one by one or all at once, and shows what becomes of the paste', async () => {
      const { context, page, complaints } = await collecting();
      await page
        .getByLabel('Code or link')
        .fill('<ifrmae src="http://mapmere.localhost/embed?a=1?b=2" title="Map"></ifrmae>');
      await page.getByRole('button', { name: 'Mend it' }).click();
      await page.getByText('“ifrmae” is written “iframe”.').waitFor();
      await page.getByText('After a there is a second question mark', { exact: false }).waitFor();
      await page.getByRole('button', { name: 'Mend it' }).click();
      await page.getByText('Parameters after the first are joined with &.').waitFor();
      await page.getByText('Nothing is wrong with it.').waitFor();
      await page.getByRole('button', { name: 'Show it as it was pasted' }).click();
      expect(
        await page
          .getByLabel('What was pasted, with what is mended in it')
          .locator('del')
          .first()
          .innerText(),
      ).to.equal('ifrmae');
      await page.getByRole('button', { name: 'Leave it as pasted' }).click();
      await page.getByText('There is no element “ifrmae”', { exact: false }).waitFor();
      await page.getByLabel('Code or link').fill('<video autoplay controls="false" src="a.mp4">x</video>');
      await page.getByText('3 of these can be mended here.').waitFor();
      await page.getByRole('button', { name: 'Mend them all' }).click();
      await page.getByText('Without sound, browsers let it play by itself.').waitFor();
      expect(complaints).to.deep.equal([]);
      await context.close();
    });

    it('harvests a page, leaves one out, and collects the rest under the names it gives', async () => {
      const { context, page, complaints } = await collecting();
      await page.getByRole('link', { name: 'Harvest a page instead' }).click();
      await page.getByText('No page harvested yet').waitFor();
      await page
        .getByLabel('Address of a page of yours')
        .fill(`http://hollinfell.localhost:${test.world.port}/stories/twelve-winters`);
      await page.getByRole('button', { name: 'Harvest it' }).click();
      await page.getByRole('heading', { name: /^Twelve winters on the moor/, level: 1 }).waitFor();
      await page.getByText('is a place that a script should fill', { exact: false }).waitFor();
      await page.getByText('video by kinorill · under “The first talk”', { exact: false }).waitFor();
      await page.getByLabel('Collect Map: the moor road to the observatory').uncheck();
      await page.getByRole('textbox', { name: 'Name' }).nth(1).fill('Rings, from an old page');
      expect(await page.getByLabel('Collect The dome (video)').isChecked()).to.equal(false);
      await page.getByLabel('Tags for all of these').fill('stories');
      await page.getByRole('button', { name: 'Collect 5' }).click();
      await page.getByRole('link', { name: 'rings-from-an-old-page' }).waitFor();
      await page.getByRole('button', { name: 'Nothing chosen' }).waitFor();
      await page.goto(`${test.url}/harvests`);
      await page.getByText('7 embeds, 5 taken', { exact: false }).waitFor();
      expect(
        (await test.client.call('embeds.list', { query: { tag: 'stories' } })).data.items,
      ).to.have.length(5);
      expect(complaints).to.deep.equal([]);
      await context.close();
    });

    it('makes a copy of an embed', async () => {
      const { context, page } = await signedIn();
      await test.client.call('embeds.create', {
        body: { name: 'To be copied', text: talkCode(test.world.port), options: { start: 12 } },
      });
      await page.goto(`${test.url}/collection/to-be-copied`);
      await openDrawer(page, 'Details');
      await page.getByRole('button', { name: 'Make a copy' }).click();
      await page.getByRole('heading', { name: 'To be copied (copy)', level: 1 }).waitFor();
      expect(await page.getByRole('textbox', { name: 'Start' }).inputValue()).to.equal('0:12');
      await context.close();
    });

    it('keeps the clipboard’s own line ends when a code is pasted', async () => {
      const { context, page } = await collecting();
      const text = `first\r\n${talkCode(test.world.port)}\r\n`;
      await page.getByLabel('Code or link').evaluate((field, pasted) => {
        const data = new DataTransfer();
        data.setData('text/plain', pasted);
        field.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
        );
      }, text);
      await page.getByLabel('Name').fill('Line ends');
      await page.getByRole('button', { name: 'Collect it' }).click();
      await page.getByRole('heading', { name: 'Line ends', level: 1 }).waitFor();
      expect(
        (await test.client.call('embeds.read', { params: { embed: 'line-ends' } })).data.pasted,
      ).to.equal(text);
      await context.close();
    });

    it('can do without a mouse', async () => {
      const { context, page } = await collecting();
      await page.getByLabel('Code or link').focus();
      await page.keyboard.insertText(`http://kinorill.localhost:${test.world.port}/films/rG5rings`);
      await page.keyboard.press('Tab');
      await page.keyboard.type('Rings');
      await page.keyboard.press('Enter');
      await page.getByRole('heading', { name: 'Rings', level: 1 }).waitFor();
      await page.getByRole('button', { name: 'Show the code' }).press('Enter');
      expect(await page.getByLabel('The code with its changes marked').innerText()).to.include(
        '/film/rG5rings',
      );
      await context.close();
    });

    it('signs in with the password, is brought back, and signs out', async () => {
      const { context, page } = await newWindow();
      await page.goto(`${test.url}/register`);
      await page.getByLabel('Password').fill('wrong');
      await page.getByRole('button', { name: 'Sign in' }).click();
      await page.getByText('That is not the password.', { exact: false }).waitFor();
      await page.getByLabel('Password').fill(password);
      await page.keyboard.press('Enter');
      await page.waitForURL('**/register');
      await page.getByRole('link', { name: 'Account' }).click();
      await page.getByRole('button', { name: 'Sign out', exact: true }).click();
      await page.waitForURL('**/sign-in');
      await page.goto(`${test.url}/collection`);
      await page.waitForURL('**/sign-in?back=%2Fcollection');
      await context.close();
    });

    it('leaves no secret of a link in the address', async () => {
      const { context, page } = await newWindow();
      await page.goto(await test.orbis.link('password'));
      await page.getByLabel('New password').waitFor();
      expect(page.url()).to.equal(`${test.url}/set-password`);
      await page.getByLabel('New password').fill('short');
      await page.keyboard.press('Enter');
      await page.getByText('at least 12 characters', { exact: false }).waitFor();
      await page.getByLabel('New password').fill('password1234');
      await page.keyboard.press('Enter');
      await page.getByText('Many people use this password', { exact: false }).waitFor();
      await context.close();
    });
  });

  describe('and its screens', () => {
    const screens = [
      '/',
      '/collection',
      '/collection/opening-talk',
      '/places',
      '/register',
      '/sweeps',
      '/providers',
      '/providers/kinorill',
      '/providers/new',
      '/changes',
      '/done',
      '/account',
      '/nowhere',
    ];
    const colourful = new Set([
      '/',
      '/collection/opening-talk',
      '/register',
      '/providers/kinorill',
      '/account',
    ]);

    it('pass axe with no serious finding by day and at night, and fit a phone: nothing runs out at the side', async () => {
      const { context, page } = await signedIn();
      const serious = async (path: string, rules?: string[]): Promise<string[]> => {
        // The preview's inside is foreign: axe is not even put into it.
        const axe = new AxeBuilder({ page }).exclude('iframe').setLegacyMode();
        const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
        return violations
          .filter(({ impact }) => impact === 'serious' || impact === 'critical')
          .map(
            ({ id, nodes }) => `${path} ${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
          );
      };
      for (const path of screens) {
        await page.setViewportSize({ width: 1280, height: 800 });
        await page.emulateMedia({ colorScheme: 'light' });
        await page.goto(test.url + path);
        await page.getByRole('heading').first().waitFor();
        await page.waitForTimeout(200);
        expect(await serious(path)).to.deep.equal([]);
        // At night nothing differs but the colours: screens with all of them are looked at.
        if (colourful.has(path)) {
          await page.emulateMedia({ colorScheme: 'dark' });
          await page.waitForTimeout(200);
          expect(await serious(path, ['color-contrast']), 'at night').to.deep.equal([]);
        }
        await page.setViewportSize({ width: 390, height: 844 });
        await page.waitForTimeout(100);
        expect(await page.evaluate(() => document.documentElement.scrollWidth), path).to.equal(390);
      }
      await context.close();
    });

    it('say what to do while there is nothing', async () => {
      const empty = await startTestOrbis();
      const { context, page } = await newWindow();
      await page.goto(await empty.orbis.link('sign-in'));
      await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
      for (const [screen, sentence] of [
        ['Collection', 'The collection is empty'],
        ['Places', 'No site yet'],
        ['Register', 'Nothing is placed yet'],
        ['Sweeps', 'No sweep yet'],
      ] as const) {
        await page.getByRole('link', { name: screen, exact: true }).click();
        await page.getByRole('heading', { name: sentence }).waitFor();
      }
      await page.getByRole('button', { name: 'Sweep everything' }).click();
      await page
        .getByText('There is no page in the register that could be read.', { exact: false })
        .waitFor();
      await context.close();
      await empty.stop();
    });
  });
});
