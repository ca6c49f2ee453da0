import { expect } from 'chai';
import type { ApiError, Harvest } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const refused = async (work: Promise<unknown>): Promise<ApiError> =>
  work.then(
    () => expect.fail('was not refused'),
    (error: ApiError) => error,
  ) as Promise<ApiError>;

describe('harvesting through the service', () => {
  let test: TestOrbis;
  let found: Harvest;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());
  const story = (): string => `http://hollinfell.localhost:${test.world.port}/stories/twelve-winters`;
  const again = async (): Promise<Harvest> =>
    (await test.client.call('harvests.read', { params: { harvest: found.id } })).data;

  it('reads a page of the owner’s and keeps what is on it, with the heading that each follows', async () => {
    found = (await test.client.call('harvests.create', { body: { address: story() } })).data;
    expect(found).to.deep.include({
      address: story(),
      title: 'Twelve winters on the moor · Hollin Fell Observatory',
      taken: 0,
      known: 0,
    });
    expect(
      found.items.map(({ number, kind, heading, state }) => [number, kind, heading, state]),
    ).to.deep.equal([
      [1, 'map', 'The road', 'offered'],
      [2, 'video', 'The first talk', 'offered'],
      [3, 'feed', 'The first talk', 'offered'],
      [4, 'feed', 'What else was said', 'offered'],
      [5, 'booking', 'Come in winter', 'offered'],
      [6, 'video', 'The dome', 'offered'],
      [7, 'counter', 'The dome', 'offered'],
    ]);
    expect(found.items.filter(({ own }) => own).map(({ number }) => number)).to.deep.equal([6]);
    expect(found.findings.map(({ rule, level }) => [rule, level])).to.deep.equal([
      ['loader-repeated', 'warning'],
      ['loader-missing', 'error'],
    ]);
    expect(found.findings[0]!.message).to.include('is loaded 2 times on this page');
  });

  it('collects what is chosen, all or nothing, and remembers it', async () => {
    const take = (items: { number: number; name?: string }[]) =>
      test.client.call('harvests.take', {
        params: { harvest: found.id },
        body: { items, tags: ['stories'] },
      });
    expect((await refused(take([{ number: 1 }, { number: 99 }]))).code).to.equal('not-found');
    expect((await again()).taken).to.equal(0);
    const { data } = await take([{ number: 2 }, { number: 5, name: 'Winter nights' }]);
    expect(data.items.map(({ key, kind, tags }) => [key, kind, tags])).to.deep.equal([
      ['the-first-talk-rings-and-what-is-between-them', 'video', ['stories']],
      ['winter-nights', 'booking', ['stories']],
    ]);
    const { data: embed } = await test.client.call('embeds.read', { params: { embed: 'winter-nights' } });
    expect(embed.notes).to.equal(
      `Harvested from ${story()}, under “Come in winter”, line ${found.items[4]!.line}.`,
    );
    expect(embed.base).to.equal(found.items[4]!.text);
    expect((await again()).items.map(({ state, embed: key }) => [state, key]).slice(1, 5)).to.deep.equal([
      ['taken', 'the-first-talk-rings-and-what-is-between-them'],
      ['offered', null],
      ['offered', null],
      ['taken', 'winter-nights'],
    ]);
    const error = await refused(take([{ number: 1 }, { number: 5 }]));
    expect([error.code, error.message]).to.deep.equal([
      'already-taken',
      'Number 5 was taken already: it is the embed “winter-nights”. Nothing was collected.',
    ]);
    expect((await again()).taken).to.equal(2);
  });

  it('knows what the collection holds already, by its mark or by its text', async () => {
    await test.client.call('embeds.create', {
      body: { name: 'Placed talk', text: talkCode(test.world.port) },
    });
    const { data: placement } = await test.client.call('placements.create', {
      body: { embed: 'placed-talk', place: 'hollinfell/talks#opening' },
    });
    const { data: delivery } = await test.client.call('deliveries.create', {
      params: { placement: placement.id },
    });
    const map = found.items[0]!.text;
    await test.client.call('embeds.create', { body: { name: 'The same map', text: map } });
    const { data } = await test.client.call('harvests.create', {
      body: { text: `<title>Saved</title><h1>A</h1>${delivery.text}<h2>B</h2>${map}`, name: 'saved.html' },
    });
    expect(data.items.map(({ state, embed, heading }) => [state, embed, heading])).to.deep.equal([
      ['known', 'placed-talk', 'A'],
      ['known', 'the-same-map', 'B'],
    ]);
    expect([data.address, data.known]).to.deep.equal(['saved.html', 2]);
    expect(
      (
        await refused(
          test.client.call('harvests.take', {
            params: { harvest: data.id },
            body: { items: [{ number: 1 }] },
          }),
        )
      ).code,
    ).to.equal('marked-code');
  });

  it('says why a page cannot be read, and keeps nothing of it', async () => {
    const error = await refused(
      test.client.call('harvests.create', {
        body: { address: `http://hollinfell.localhost:${test.world.port}/nothing-here` },
      }),
    );
    expect([error.code, error.problem.status]).to.deep.equal(['page-unreadable', 422]);
    expect(error.message).to.include('answers 404');
    expect(
      (await refused(test.client.call('harvests.create', { body: { address: 'http://127.0.0.1:1/' } }))).code,
    ).to.equal('page-unreadable');
    expect(
      (await refused(test.client.call('harvests.create', { body: { text: '<div>'.repeat(700) } }))).code,
    ).to.equal('text-too-much');
    expect((await test.client.call('harvests.list', {})).data.items.map(({ found: n }) => n)).to.deep.equal([
      2, 7,
    ]);
  });
});
