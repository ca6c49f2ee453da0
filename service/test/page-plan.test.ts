import { expect } from 'chai';
import type { ApiError } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { declareSite, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { publishedWith, type Published } from './support/published.ts';

const booking = (calendar: string): string =>
  `<div class="slotsedge-calendar" data-calendar="${calendar}"></div>\n<script async src="https://cdn.slotsedge.localhost/booking.js"></script>`;

const talk =
  '<iframe width="560" height="315" src="https://play.kinorill.localhost/film/qX7" title="Talk"></iframe>';

describe('what a page needs only once', () => {
  let test: TestOrbis;
  const ids: Record<string, string> = {};
  before(async () => {
    test = await startTestOrbis();
    const { client } = test;
    await client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: 'http://hollinfell.localhost' },
    });
    await client.call('pages.create', { body: { key: 'hollinfell/visit', title: 'Visit' } });
    for (const spot of ['a', 'b']) {
      await client.call('spots.create', { body: { key: `hollinfell/visit#${spot}` } });
      await client.call('embeds.create', { body: { name: `Nights ${spot}`, text: booking(spot) } });
    }
    // Placed the other way round: the plan follows the places, not the order of placing.
    for (const spot of ['b', 'a'])
      ids[spot] = (
        await client.call('placements.create', {
          body: { embed: `nights-${spot}`, place: `hollinfell/visit#${spot}` },
        })
      ).data.id;
  });
  after(() => test.stop());
  const deliver = async (spot: string) =>
    (await test.client.call('deliveries.create', { params: { placement: ids[spot]! } })).data;
  const plan = async () =>
    (await test.client.call('plans.read', { params: { page: 'hollinfell/visit' } })).data;
  const head = async (yes: boolean) => {
    const { etag } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: etag!,
      body: { head: yes },
    });
  };

  it('is handed out with the first place, and not again with the second', async () => {
    expect((await deliver('a')).text).to.equal(
      booking('a').replace('<div', `<div data-orbis="${ids['a']}.1"`),
    );
    const second = await deliver('b');
    expect(second.text).to.equal(
      `<div data-orbis="${ids['b']}.1" class="slotsedge-calendar" data-calendar="b"></div>\n`,
    );
    const left = second.snippets[0]!.runs.find((run) => run.from === 'orbis' && run.stage === 'leave-out');
    expect(left).to.have.property(
      'reason',
      'The page needs this only once: it stands in hollinfell/visit#a.',
    );
    expect((await plan()).steps.map(({ position, place }) => [position, place])).to.deep.equal([
      ['spot', 'hollinfell/visit#a'],
      ['spot', 'hollinfell/visit#b'],
    ]);
  });

  it('goes into the head where the site has a way into it: each placement says what it needs there', async () => {
    await head(true);
    const loader = '<script async src="https://cdn.slotsedge.localhost/booking.js"></script>';
    for (const spot of ['a', 'b']) {
      const { snippets, text, number } = await deliver(spot);
      expect(text).not.to.include('booking.js');
      expect(
        snippets.map(({ position, runs }) => [position, runs.map((run) => run.text).join('')]),
      ).to.deep.equal([
        ['page-head', loader],
        ['spot', text],
      ]);
      expect([spot, number]).to.deep.equal([spot, 2]);
    }
    const { snippets, steps, findings } = await plan();
    expect(
      snippets.map(({ position, text, placements }) => [
        position,
        text.includes('booking.js'),
        placements.length,
      ]),
    ).to.deep.equal([
      ['page-head', true, 2],
      ['spot', false, 1],
      ['spot', false, 1],
    ]);
    expect(snippets[0]!.runs).to.deep.equal([
      { from: 'source', start: 57, end: 129, text: loader, of: ids['a'] },
    ]);
    expect(steps.map(({ digest }) => digest)).to.deep.equal(snippets.map(({ digest }) => digest));
    expect(findings).to.deep.equal([]);
    await head(false);
  });

  it('comes back to a place when the one that had it is ended', async () => {
    expect((await deliver('b')).text).not.to.include('booking.js');
    await test.client.call('placements.delete', { params: { placement: ids['a']! }, ifMatch: '*' });
    expect((await deliver('b')).text).to.include('booking.js');
  });

  it('is style rules, for what holds on some screens only: in the head, or not carried, and said', async () => {
    const { client } = test;
    await client.call('embeds.create', {
      body: { name: 'Talk', text: talk, options: { 'max-width.phone': 320 } },
    });
    const { id } = (
      await client.call('placements.create', { body: { embed: 'talk', place: 'hollinfell/visit#a' } })
    ).data;
    const issue = async () => (await client.call('deliveries.create', { params: { placement: id } })).data;
    const ofPlace = async () =>
      (await client.call('compositions.create', { body: { placement: id, options: {} } })).data;
    expect((await issue()).text).to.equal(talk.replace('<iframe', `<iframe data-orbis="${id}.1"`));
    expect(
      (await plan()).findings.map(({ rule, message }) => [rule, message.includes('max-width.phone')]),
    ).to.deep.equal([['not-carried', true]]);
    expect((await ofPlace()).uncarried)
      .to.have.nested.property('[0].detail')
      .that.includes('Say that the site has a way into it');
    await head(true);
    const { snippets, text, number } = await issue();
    expect([number, text]).to.deep.equal([
      2,
      talk.replace('<iframe', `<iframe class="orbis-${id}" data-orbis="${id}.2"`),
    ]);
    expect(
      snippets.map(({ position, runs }) => [position, runs.map((run) => run.text).join('')])[0],
    ).to.deep.equal([
      'page-head',
      `<style>@media (max-width:599.98px){.orbis-${id}{max-width:320px!important}}</style>`,
    ]);
    expect([(await plan()).findings, (await ofPlace()).uncarried]).to.deep.equal([[], []]);
    await client.call('placements.delete', { params: { placement: id }, ifMatch: '*' });
    await head(false);
  });

  it('is brought by the next place when the embed that brought it is retired; that one is to be taken out', async () => {
    await head(false);
    const again = { embed: 'nights-a', place: 'hollinfell/visit#a' };
    ids['a'] = (await test.client.call('placements.create', { body: again })).data.id;
    expect((await deliver('b')).text).not.to.include('booking.js');
    const retire = async (retired: boolean) => {
      const { etag } = await test.client.call('embeds.read', { params: { embed: 'nights-a' } });
      await test.client.call('embeds.change', {
        params: { embed: 'nights-a' },
        ifMatch: etag!,
        body: { retired },
      });
    };
    await retire(true);
    expect((await deliver('b')).text).to.include('booking.js');
    const refused = await deliver('a').catch((error: ApiError) => error.message);
    expect(refused).to.equal('“nights-a” is retired. Restore it first.');
    const planned = (await plan()).snippets.flatMap(({ placements }) => placements);
    expect(planned).to.include(ids['b']).and.not.include(ids['a']);
    await retire(false);
    expect((await deliver('b')).text).not.to.include('booking.js');
  });
});

describe('what a page needs no more', () => {
  let test: TestOrbis;
  let page: Published;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test, ['opening', 'north']);
    page = publishedWith(test);
    const { etag } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: etag!,
      body: { head: true },
    });
  });
  after(() => test.stop());
  const steps = async () => {
    const { data } = await test.client.call('plans.read', { params: { page: 'hollinfell/talks' } });
    return data.steps.map(({ action, position, place, text }) => [action, place ?? position, text]);
  };

  it('is taken out of its head when the last that needed it has ended, and not before', async () => {
    const loader = '<script async src="https://cdn.slotsedge.localhost/booking.js"></script>';
    for (const name of ['One', 'Two']) await page.collect(name, booking(name));
    const one = await page.place('one', 'opening');
    const two = await page.place('two', 'north');
    await page.publish((await page.delivered(one)).text, (await page.delivered(two)).text);
    await sweepAll(test.client);
    const there = 'already-there';
    const [first, second] = ['hollinfell/talks#opening', 'hollinfell/talks#north'];
    expect(await steps()).to.deep.equal([
      [there, 'page-head', null],
      [there, second, null],
      [there, first, null],
    ]);
    await page.end(one);
    expect(await steps()).to.deep.equal([
      [there, 'page-head', null],
      [there, second, null],
      ['take-out', first, null],
    ]);
    await page.end(two);
    expect(await steps()).to.deep.equal([
      ['take-out', 'page-head', loader],
      ['take-out', second, null],
      ['take-out', first, null],
    ]);
    await page.publish('');
    await sweepAll(test.client);
    expect(await steps()).to.deep.equal([]);
  });
});
