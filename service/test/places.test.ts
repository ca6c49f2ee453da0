import { expect } from 'chai';
import type { ApiError } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('sites, pages and spots', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'north']);
  });
  after(() => test.stop());
  const refused = async (work: Promise<unknown>): Promise<string> =>
    (
      await work.then(
        () => ({ code: 'not refused' }),
        (error: ApiError) => error,
      )
    ).code;

  it('keep the home page, and paths that need escaping', async () => {
    for (const key of ['hollinfell/', 'hollinfell/night-log/2026/comet%20week', "hollinfell/it's+here"]) {
      await test.client.call('pages.create', { body: { key, title: 'T' } });
      await test.client.call('spots.create', { body: { key: `${key}#main` } });
      expect(
        (await test.client.call('spots.read', { params: { spot: `${key}#main` } })).data,
      ).to.deep.include({
        key: `${key}#main`,
        widths: { phone: 358, tablet: 704, desktop: 760 },
      });
    }
    const { data } = await test.client.call('pages.list', { query: { site: 'hollinfell' } });
    expect(data.items.map((page) => page.url.replace(/^.*:\d+/, ''))).to.deep.equal([
      '/talks',
      '/',
      '/night-log/2026/comet%20week',
      "/it's+here",
    ]);
  });

  it('tell paths apart by their case', async () => {
    await test.client.call('pages.create', { body: { key: 'hollinfell/Talks', title: 'Other' } });
    expect(
      await refused(test.client.call('pages.create', { body: { key: 'hollinfell/talks', title: 'Again' } })),
    ).to.equal('key-taken');
  });

  it('keep a site’s address as a place to put paths behind', async () => {
    const { data } = await test.client.call('sites.create', {
      body: { key: 'festival', name: 'F', address: ' https://darkskyweek.localhost/2026/ ' },
    });
    expect(data.address).to.equal('https://darkskyweek.localhost/2026');
    await test.client.call('pages.create', { body: { key: 'festival/', title: 'Home' } });
    expect(
      (await test.client.call('pages.list', { query: { site: 'festival' } })).data.items[0]!.url,
    ).to.equal('https://darkskyweek.localhost/2026/');
    for (const address of [
      'ftp://a.localhost',
      'https://u:p@a.localhost',
      'https://a.localhost/?x',
      'https://a.localhost/#x',
      'https://',
      'a.localhost',
    ]) {
      expect(
        await refused(test.client.call('sites.create', { body: { key: 'bad', name: 'B', address } })),
        address,
      ).to.equal('address-invalid');
    }
  });

  it('refuse lost updates', async () => {
    const site = await test.client.call('sites.read', { params: { site: 'hollinfell' } });
    const changed = await test.client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: site.etag!,
      body: { name: 'Hollin Fell Observatory' },
    });
    expect(changed.data.name).to.equal('Hollin Fell Observatory');
    expect(
      await refused(
        test.client.call('sites.change', {
          params: { site: 'hollinfell' },
          ifMatch: site.etag!,
          body: { name: 'X' },
        }),
      ),
    ).to.equal('if-match-stale');
    const spot = await test.client.call('spots.read', { params: { spot: 'hollinfell/talks#opening' } });
    const widths = { phone: 300, tablet: 600, desktop: 900 };
    expect(
      (
        await test.client.call('spots.change', {
          params: { spot: 'hollinfell/talks#opening' },
          ifMatch: spot.etag!,
          body: { widths },
        })
      ).data.widths,
    ).to.deep.equal(widths);
    expect(
      await refused(
        test.client.call('spots.change', {
          params: { spot: 'hollinfell/talks#opening' },
          ifMatch: spot.etag!,
          body: { widths },
        }),
      ),
    ).to.equal('if-match-stale');
  });

  it('are removed from the inside out, and not while something is in them', async () => {
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await test.client.call('placements.create', { body: { embed: 'talk', place: 'hollinfell/talks#north' } });
    expect(
      await refused(
        test.client.call('spots.delete', { params: { spot: 'hollinfell/talks#north' }, ifMatch: '*' }),
      ),
    ).to.equal('in-use');
    expect(
      await refused(test.client.call('sites.delete', { params: { site: 'hollinfell' }, ifMatch: '*' })),
    ).to.equal('in-use');
    expect(
      await refused(test.client.call('pages.delete', { params: { page: 'hollinfell/talks' }, ifMatch: '*' })),
    ).to.equal('in-use');
    await test.client.call('spots.delete', { params: { spot: 'hollinfell/talks#opening' }, ifMatch: '*' });
    expect(
      await refused(test.client.call('spots.read', { params: { spot: 'hollinfell/talks#opening' } })),
    ).to.equal('not-found');
    const params = { page: 'festival/' };
    const { etag } = await test.client.call('pages.read', { params });
    const retitled = await test.client.call('pages.change', {
      params,
      body: { title: 'Start' },
      ifMatch: etag!,
    });
    expect(retitled.data.title).to.equal('Start');
    expect(await refused(test.client.call('pages.delete', { params, ifMatch: etag! }))).to.equal(
      'if-match-stale',
    );
    await test.client.call('pages.delete', { params, ifMatch: retitled.etag! });
    await test.client.call('sites.delete', { params: { site: 'festival' }, ifMatch: '*' });
    expect((await test.client.call('sites.list')).data.items.map((site) => site.key)).to.deep.equal([
      'hollinfell',
    ]);
  });

  it('do not let an embed be placed twice in one spot, also not at the same time', async () => {
    await test.client.call('embeds.create', { body: { name: 'Twice', text: talkCode(test.world.port) } });
    const place = () =>
      test.client.call('placements.create', { body: { embed: 'twice', place: 'hollinfell/talks#north' } });
    const outcomes = await Promise.allSettled([place(), place(), place()]);
    expect(outcomes.filter((outcome) => outcome.status === 'fulfilled')).to.have.length(1);
  });

  it('give one delivery to two who ask at the same time', async () => {
    const { data } = await test.client.call('placements.list', { query: { embed: 'twice' } });
    const ask = () => test.client.call('deliveries.create', { params: { placement: data.items[0]!.id } });
    const answers = await Promise.all([ask(), ask(), ask(), ask()]);
    expect(answers.map((answer) => answer.data.number)).to.deep.equal([1, 1, 1, 1]);
    expect(answers.filter((answer) => answer.status === 201)).to.have.length(1);
    const { data: kept } = await test.client.call('deliveries.list', {
      params: { placement: data.items[0]!.id },
    });
    expect(kept.items).to.have.length(1);
    expect(kept.items[0]!.snippets[0]!.runs.map((run) => run.text).join('')).to.equal(kept.items[0]!.text);
  });

  it('of a code without any element that shows something are marked on an element of ours', async () => {
    await test.client.call('embeds.create', {
      body: {
        name: 'Only a script',
        text: '<script src="https://count.tallywren.localhost/w.js?site=x"></script>',
      },
    });
    const { data } = await test.client.call('placements.create', {
      body: { embed: 'only-a-script', place: 'hollinfell/talks#north' },
    });
    const { data: delivery } = await test.client.call('deliveries.create', {
      params: { placement: data.id },
    });
    expect(delivery.text).to.equal(
      `<div data-orbis="${data.id}.1"><script src="https://count.tallywren.localhost/w.js?site=x"></script></div>`,
    );
  });
});
