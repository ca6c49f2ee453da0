import { expect } from 'chai';
import type { KindDefaults, Options } from '@orbis/core';
import type { ApiError } from '@orbis/contract';
import { startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { get } from './support/get.ts';
import { until } from './support/until.ts';

describe('values of placements, embeds, sites and rules', () => {
  let test: TestOrbis;
  let placement: string;
  const form = '<form action="https://formwold.localhost/letters/x"><input name="mail"></form>';
  before(async () => {
    test = await startTestOrbis();
    const { client, world } = test;
    await client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: `http://hollinfell.localhost:${world.port}` },
    });
    await client.call('pages.create', { body: { key: 'hollinfell/talks', title: 'Talks' } });
    for (const spot of ['main', 'aside'])
      await client.call('spots.create', { body: { key: `hollinfell/talks#${spot}` } });
    await client.call('embeds.create', {
      body: { name: 'Talk', text: talkCode(world.port), options: { 'start': 12, 'max-width': 700 } },
    });
    await client.call('embeds.create', { body: { name: 'Letter', text: form } });
    placement = (
      await client.call('placements.create', { body: { embed: 'talk', place: 'hollinfell/talks#main' } })
    ).data.id;
  });
  after(() => test.stop());

  const site = async (defaults: KindDefaults): Promise<void> => {
    const { etag } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: etag!,
      body: { defaults },
    });
  };
  const here = async (options: Options) => {
    const { etag } = await test.client.call('placements.read', { params: { placement } });
    return test.client.call('placements.change', {
      params: { placement },
      ifMatch: etag!,
      body: { options },
    });
  };
  const issued = async (): Promise<{ number: number; text: string }> =>
    (await test.client.call('deliveries.create', { params: { placement } })).data;
  const refused = (promise: Promise<unknown>): Promise<string> =>
    promise.then(
      () => 'nothing',
      (error: ApiError) => error.code,
    );

  it('come from the nearest that has one: what is handed out, and what is told of it', async () => {
    await site({
      any: { 'align': 'centre', 'max-width': 900 },
      video: { loop: true, align: 'right' },
      map: { zoom: 3 },
    });
    await here({ 'max-width': 320 });
    expect((await issued()).text)
      .to.include('max-width:320px')
      .and.include('margin:0 0 0 auto')
      .and.include('again=1')
      .and.include('from=12');
    const { data } = await test.client.call('compositions.create', {
      body: { placement, options: { 'max-width': 320 } },
    });
    expect(data.levels).to.deep.equal({
      'max-width': 'placement',
      'start': 'embed',
      'align': 'site',
      'loop': 'site',
    });
    expect(data.effective).to.deep.equal({ 'max-width': 320, 'start': 12, 'align': 'right', 'loop': true });
    expect(data.overridden).to.deep.equal([
      { option: 'max-width', level: 'embed', value: '700' },
      { option: 'max-width', level: 'site', value: '900' },
    ]);
    expect(
      (await test.client.call('embeds.read', { params: { embed: 'talk' } })).data.current.options,
    ).to.deep.equal({ 'start': 12, 'max-width': 700 });
  });

  it('are part of what was handed out: each delivery says what was asked there then', async () => {
    await here({ 'max-width': 280 });
    const { number } = await issued();
    const { items } = (await test.client.call('deliveries.list', { params: { placement } })).data;
    expect(items.map((item) => [item.number, item.options])).to.deep.equal([
      [number, { 'max-width': 280 }],
      [number - 1, { 'max-width': 320 }],
    ]);
  });

  it('are in the document that is served by the placement’s link', async () => {
    const { data } = await test.client.call('placements.link', { params: { placement } });
    expect((await get(data.link)).body).to.include('max-width:280px');
    await here({ 'max-width': 240 });
    await until(async () => (await get(data.link)).body.includes('max-width:240px'));
  });

  it('for many embeds are passed over by those that cannot have them, and that is told; one’s own are refused', async () => {
    await site({ any: { 'align': 'centre', 'fit': 'shape', 'parameter.hue': '3' } });
    const letter = (
      await test.client.call('placements.create', {
        body: { embed: 'letter', place: 'hollinfell/talks#aside' },
      })
    ).data.id;
    const { data } = await test.client.call('compositions.create', {
      body: { placement: letter, options: {} },
    });
    expect(data.text).to.equal(form);
    expect(data.problems).to.deep.equal([]);
    expect(data.passedOver.map(({ option }) => option).sort()).to.deep.equal([
      'align',
      'fit',
      'parameter.hue',
    ]);
    expect(
      (await test.client.call('deliveries.create', { params: { placement: letter } })).data.text,
    ).to.include('<form data-orbis=');
    expect(await refused(here({ page: 3 }))).to.equal('setting-not-offered');
    expect(
      await refused(
        test.client.call('placements.change', {
          params: { placement },
          ifMatch: '"1"',
          body: { options: {} },
        }),
      ),
    ).to.equal('if-match-stale');
    await site({});
  });

  it('of rules give way to all others', async () => {
    await test.client.call('rules.change', { ifMatch: '*', body: { dropTracking: true } });
    const { data } = await test.client.call('compositions.create', {
      body: { placement, options: { tracking: true } },
    });
    expect([data.levels['tracking'], data.overridden.map(({ level }) => level)]).to.deep.equal([
      'placement',
      ['rule'],
    ]);
  });
});
