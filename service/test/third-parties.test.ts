import { expect } from 'chai';
import { refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('whom browsers contact for what is placed', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    const { client, world } = test;
    for (const site of ['hollinfell', 'moorhostel']) {
      const address = `http://${site}.localhost:${world.port}`;
      await client.call('sites.create', { body: { key: site, name: site, address } });
      for (const path of ['a', 'b']) {
        await client.call('pages.create', { body: { key: `${site}/${path}`, title: path } });
        await client.call('spots.create', { body: { key: `${site}/${path}#main` } });
      }
    }
    const unknown =
      '<script src="https://cdn.nobody.localhost/x.js"></script><img src="https://count.elsewhere.localhost/p.gif" alt="">';
    const own = `<video controls src="http://hollinfell.localhost:${world.port}/files/a.webm"></video>`;
    for (const [name, text] of [
      ['Talk', talkCode(world.port)],
      ['Unknown', unknown],
      ['Own', own],
      ['Unplaced', '<iframe src="https://never.localhost/x" title="x"></iframe>'],
    ] as const)
      await client.call('embeds.create', { body: { name, text } });
    await place('talk', 'hollinfell/a#main');
    await place('own', 'hollinfell/a#main');
    await place('unknown', 'moorhostel/a#main');
  });
  after(() => test.stop());

  const place = async (embed: string, at: string, options: Record<string, string> = {}): Promise<string> =>
    (await test.client.call('placements.create', { body: { embed, place: at, options } })).data.id;
  const parties = async (site?: string) =>
    (await test.client.call('thirdParties.read', { query: { ...(site && { site }) } })).data.parties;

  it('are providers by their names, and the domains of codes that nobody knows; not one’s own sites', async () => {
    expect(await parties()).to.deep.equal([
      {
        ...{ name: 'elsewhere.localhost', provider: null, purposes: ['unknown'], loads: 'at-once' },
        ...{ hosts: ['count.elsewhere.localhost'], embeds: 1, places: 1, sites: ['moorhostel'] },
      },
      {
        ...{ name: 'Kinorill', provider: 'kinorill', purposes: ['video'], loads: 'at-once' },
        ...{ hosts: ['play.kinorill.localhost'], embeds: 1, places: 1, sites: ['hollinfell'] },
      },
      {
        ...{ name: 'nobody.localhost', provider: null, purposes: ['unknown'], loads: 'at-once' },
        ...{ hosts: ['cdn.nobody.localhost'], embeds: 1, places: 1, sites: ['moorhostel'] },
      },
    ]);
  });

  it('are told for one site alone', async () => {
    expect((await parties('hollinfell')).map(({ name }) => name)).to.deep.equal(['Kinorill']);
    const { problem } = await refusal(test.client.call('thirdParties.read', { query: { site: 'nowhere' } }));
    expect(problem.code).to.equal('not-found');
  });

  it('are told with when they hear of visitors: whatever level says that a code waits', async () => {
    const loads = async () => (await parties('hollinfell'))[0]!.loads;
    await place('talk', 'hollinfell/b#main', { load: 'click' });
    expect(await loads()).to.equal('both');
    const change = async (defaults: object) => {
      const params = { site: 'hollinfell' };
      const { etag } = await test.client.call('sites.read', { params });
      await test.client.call('sites.change', { params, ifMatch: etag!, body: { defaults } });
    };
    await change({ video: { load: 'allow' } });
    expect(await loads()).to.equal('waits');
    await change({});
    expect(await loads()).to.equal('both');
  });

  it('are not told of what is retired', async () => {
    const { etag } = await test.client.call('embeds.read', { params: { embed: 'unknown' } });
    const params = { embed: 'unknown' };
    await test.client.call('embeds.change', { params, ifMatch: etag!, body: { retired: true } });
    expect(await parties('moorhostel')).to.deep.equal([]);
  });
});
