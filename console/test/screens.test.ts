import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { consoleScreens } from '@orbis/contract';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

const code =
  '<iframe src="https://play.kinorill.localhost/film/nB4?knobs=1" title="Opening talk" width="560" height="315"></iframe>';

/* Each screen with the heading that it opens with. */
const headings: Record<(typeof consoleScreens)[number], string> = {
  '': 'Today',
  '/collect': 'Collect',
  '/sign-in': 'Sign in',
  '/set-password': 'Choose your password',
  '/harvests': 'Harvest',
  '/harvests/:harvest': 'Stories',
  '/imports': 'Take in many',
  '/collection': 'Collection',
  '/collection/:embed': 'Opening talk',
  '/changes': 'Change many at once',
  '/places': 'Places',
  '/places/:site': 'Fell',
  '/places/:site/pages': 'The pages of Fell',
  '/places/:site/editor': 'The editor of Fell',
  '/third-parties': 'Third parties',
  '/terms': 'Costs and terms',
  '/places/:site/head': 'The head of every page of Fell',
  '/lists/:list': 'New colour',
  '/plan': 'What Talks needs',
  '/steps': 'What Talks needs',
  '/register': 'Register',
  '/register/:placement': 'Opening talk in fell/talks#main',
  '/attention': 'Attention',
  '/hosts': 'What your embeds load',
  '/inspections': 'Check everything of fell',
  '/looks': 'How Talks looks',
  '/news': 'News',
  '/sweeps': 'Sweeps',
  '/providers': 'Providers',
  '/providers/new': 'Bring a sheet',
  '/providers/learn': 'Learn a provider',
  '/providers/:provider': 'Kinorill',
  '/done': 'What was done',
  '/people': 'People',
  '/copies': 'Safety copies',
  '/health': 'Health',
  '/security': 'Security',
  '/audit': 'Audit log',
  '/account': 'Account',
};

describe('each screen of the console', () => {
  let test: TestOrbis;
  let page: Page;
  let complaints: string[];
  /** What stands behind the address of a screen. */
  const queries: Partial<Record<string, string>> = {
    '/plan': '?page=fell/talks',
    '/looks': '?page=fell/talks',
    '/inspections': '?site=fell',
  };
  const keys: Record<string, string> = { embed: 'opening-talk', site: 'fell', provider: 'kinorill' };

  before(async () => {
    test = await startTestOrbis();
    const { client } = test;
    await client.call('embeds.create', { body: { name: 'Opening talk', text: code } });
    await client.call('sites.create', {
      body: { key: 'fell', name: 'Fell', address: 'http://fell.localhost' },
    });
    await client.call('pages.create', { body: { key: 'fell/talks', title: 'Talks' } });
    await client.call('spots.create', { body: { key: 'fell/talks#main' } });
    const { data: placement } = await client.call('placements.create', {
      body: { embed: 'opening-talk', place: 'fell/talks#main' },
    });
    const { data: harvest } = await client.call('harvests.create', {
      body: { text: `<!doctype html><title>Stories</title>${code}`, name: 'stories.html' },
    });
    const { data: list } = await client.call('changeLists.create', {
      body: { name: 'New colour', where: '' },
    });
    const { data: link } = await client.call('planLinks.create', {
      params: { page: 'fell/talks' },
      body: { name: 'The web desk' },
    });
    queries['/steps'] = new URL(link.url).hash;
    Object.assign(keys, { list: list.id, placement: placement.id, harvest: harvest.id });
    ({ page, complaints } = await newWindow());
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
  });

  for (const screen of consoleScreens) {
    const heading = headings[screen];
    it(`${screen || '/'} opens by its address with “${heading}”, and nothing to complain of`, async () => {
      complaints.length = 0;
      await page.goto(
        test.url + screen.replace(/:(\w+)/, (_, name: string) => keys[name]!) + (queries[screen] ?? ''),
      );
      await page.getByRole('heading', { name: heading, level: 1 }).waitFor();
      expect(complaints).to.deep.equal([]);
      expect(await page.title()).to.include('Orbis');
    });
  }
});
