import { expect } from 'chai';
import type { Options } from '@orbis/core';
import type { ApiError } from '@orbis/contract';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('options that only one provider has', () => {
  let test: TestOrbis;
  let placement: string;
  const feed =
    '<div class="fennfeed-stream" data-of="hollinfell"></div><script async src="https://fennfeed.localhost/embed.js"></script>';
  const reviews =
    '<div class="praisecroft-reviews" data-place="hollinfell"></div><script async src="https://praisecroft.localhost/reviews.js"></script>';
  before(async () => {
    test = await startTestOrbis();
    const { client, world } = test;
    await client.call('sites.create', {
      body: { key: 'hollinfell', name: 'Hollin Fell', address: `http://hollinfell.localhost:${world.port}` },
    });
    await client.call('pages.create', { body: { key: 'hollinfell/log', title: 'Night log' } });
    await client.call('spots.create', { body: { key: 'hollinfell/log#main' } });
    await client.call('embeds.create', { body: { name: 'Feed', text: feed, options: { gap: '8px' } } });
    await client.call('embeds.create', { body: { name: 'Reviews', text: reviews } });
    placement = (
      await client.call('placements.create', { body: { embed: 'feed', place: 'hollinfell/log#main' } })
    ).data.id;
  });
  after(() => test.stop());

  const read = async (embed = 'feed') => test.client.call('embeds.read', { params: { embed } });
  const save = async (options: Options, embed = 'feed') =>
    test.client.call('revisions.create', {
      params: { embed },
      ifMatch: (await read(embed)).etag!,
      body: { options },
    });
  const refusal = (promise: Promise<unknown>): Promise<string> =>
    promise.then(
      () => 'nothing',
      (error: ApiError) => `${error.code}: ${error.message}`,
    );

  it('are kept, composed and told with the reason in the sheet’s words', async () => {
    expect((await read()).data.current.options).to.deep.equal({ gap: '8px' });
    const { data } = await test.client.call('compositions.create', {
      body: { embed: 'feed', options: { layout: 'grid', only: ['mirror', 'fox'] } },
    });
    expect(data.text).to.include('data-lay="wide"').and.include('data-about="mirror,fox"');
    expect(data.edits.map(({ reason }) => reason).join(' ')).to.include(
      'Layout: Beside each other (the attribute data-lay, as Fennfeed takes it)',
    );
  });

  it('are kept by their bare name, and nothing differs where the same is asked by the other', async () => {
    expect((await save({ 'fennfeed.gap': '8px' })).status).to.equal(200);
    const { data, status } = await save({ 'fennfeed.layout': 'grid' });
    expect([status, data.current.options]).to.deep.equal([201, { layout: 'grid' }]);
  });

  it('are refused where nobody has one of that name, with the one that was meant', async () => {
    expect(await refusal(save({ 'max-widht': 300 })))
      .to.include('option-unknown')
      .and.include('Did you mean “max-width”?');
    expect(await refusal(save({ counts: 'visitors' }))).to.include('option-unknown');
    expect(await refusal(save({ layout: 'row' })))
      .to.include('value-not-offered')
      .and.include('Fennfeed does not take that for layout; it takes column or grid.');
  });

  it('are had from the site, and at one place only', async () => {
    const site = async (options: Options) => {
      const { etag } = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
      return test.client.call('sites.change', {
        params: { site: 'hollinfell' },
        ifMatch: etag!,
        body: { defaults: { any: options } },
      });
    };
    expect(await refusal(site({ layuot: 'row' }))).to.include('option-unknown');
    expect(await refusal(site({ layout: 'row' }))).to.include('option-ambiguous');
    expect(await refusal(site({ 'fennfeed.layout': 'row' }))).to.include('value-invalid');
    await site({ 'fennfeed.layout': 'column', 'fennfeed.gap': '30px' });
    const { etag } = await test.client.call('placements.read', { params: { placement } });
    await test.client.call('placements.change', {
      params: { placement },
      ifMatch: etag!,
      body: { options: { 'fennfeed.only': ['fox'] } },
    });
    const { text } = (await test.client.call('deliveries.create', { params: { placement } })).data;
    // The embed asks for the grid itself; the gap is the site's, the words are those of the place.
    expect(text).to.include('data-lay="wide"').and.include('data-gap="30px"').and.include('data-about="fox"');
    expect((await test.client.call('placements.read', { params: { placement } })).data.options).to.deep.equal(
      { only: ['fox'] },
    );
    await site({});
  });

  it('are found by a search, changed with many and taken back by either name', async () => {
    expect(
      (await test.client.call('embeds.list', { query: { where: 'option=layout' } })).data.items.map(
        ({ key }) => key,
      ),
    ).to.deep.equal(['feed']);
    const change = (where: string, options: Options, unset: string[] = []) =>
      test.client.call('changes.create', { body: { where, options, unset } });
    expect(await refusal(change('kind=feed', { layout: 'grid' }))).to.include('option-ambiguous');
    expect((await change('kind=feed', { 'fennfeed.layout': 'grid' })).data).to.include({
      same: 1,
      change: null,
    });
    expect((await change('kind=feed', { 'fennfeed.layout': 'column' })).data.changed).to.have.length(1);
    expect((await read()).data.current.options).to.deep.equal({ layout: 'column' });
    await change('kind=feed', {}, ['fennfeed.layout']);
    expect((await read()).data.current.options).to.deep.equal({});
    expect(await refusal(change('kind=reviews', { 'fennfeed.layout': 'grid' }))).to.include(
      'group-impossible',
    );
  });
});
