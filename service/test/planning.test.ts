import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { OrbisError, type Client } from '@orbis/contract';
import { planWith } from '../src/store/planned-with.ts';
import { markAll, markPage } from '../src/store/mark-stale.ts';
import { recordWanted } from '../src/store/stale.ts';
import { planPage } from '../src/usecases/planning.ts';
import type { RenderContext } from '../src/usecases/render-context.ts';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

const reel = (id: string): string =>
  `<iframe src="https://play.kinorill.localhost/film/${id}" title="t" width="560" height="315"></iframe>`;
const sheet = (accent: string): string =>
  `id: moorreel\nname: Moorreel\nversion: 1\nkind: video\nhosts: [play.moorreel.localhost]\nlinks: []\nneeds: {}\nframes: [{ hostname: play.moorreel.localhost, pathname: '/r/:id' }]\ncode: { address: 'https://play.moorreel.localhost/r/{id}', title: Moorreel, allow: [] }\nsettings: { accent: { in: query, name: ${accent}, format: rrggbb } }\n`;

interface Row {
  wanted: string | null;
  state: string;
  stale: string;
  inputs: number;
}

describe('what is wanted of a placement', () => {
  let test: TestOrbis;
  let client: Client;
  let page: number;
  const ids: Record<string, string> = {};
  before(async () => {
    test = await startTestOrbis();
    ({ client } = test);
    await client.call('sites.create', {
      body: { key: 'fell', name: 'Fell', address: 'http://fell.localhost' },
    });
    for (const path of ['talks', 'other']) {
      await client.call('pages.create', { body: { key: `fell/${path}`, title: path } });
      for (const spot of ['a', 'b'])
        await client.call('spots.create', { body: { key: `fell/${path}#${spot}` } });
    }
    for (const [name, code] of [
      ['Talk', reel('a1')],
      [
        'Moor',
        '<iframe src="https://play.moorreel.localhost/r/x" title="Moor" width="560" height="315"></iframe>',
      ],
      ['Elsewhere', reel('b2')],
    ] as const)
      await client.call('embeds.create', { body: { name, text: code } });
    for (const [embed, place] of [
      ['talk', 'talks#a'],
      ['elsewhere', 'other#a'],
    ] as const)
      ids[embed] = (
        await client.call('placements.create', { body: { embed, place: `fell/${place}` } })
      ).data.id;
    page = Number(
      (
        (await test.orbis.connection.db.execute(
          sql`select id from page where path = 'talks'`,
        )) as unknown as [{ id: number }[]]
      )[0][0]!.id,
    );
  });
  after(() => test.stop());

  const row = async (embed: string): Promise<Row> => {
    const [[found]] = (await test.orbis.connection.db.execute(
      sql`select wanted, state, stale, inputs from placement where public_id = ${ids[embed]}`,
    )) as unknown as [[Row]];
    return found;
  };
  const tagOf = async (embed: string): Promise<string> =>
    (await client.call('embeds.read', { params: { embed } })).etag!;
  const save = async (options: object): Promise<unknown> =>
    client.call('revisions.create', {
      params: { embed: 'talk' },
      ifMatch: await tagOf('talk'),
      body: { options: options as never },
    });
  const change = async (body: object): Promise<unknown> =>
    client.call('sites.change', {
      params: { site: 'fell' },
      ifMatch: (await client.call('sites.read', { params: { site: 'fell' } })).etag!,
      body,
    });
  const neighbour = async (): Promise<string> =>
    (await client.call('placements.create', { body: { embed: 'moor', place: 'fell/talks#b' } })).data.id;
  let second = '';
  let group = '';

  /* Everything that a code depends on, and whether it is a matter of other pages too. */
  const inputs: [what: string, others: boolean, act: () => Promise<unknown>][] = [
    ['a revision', false, () => save({ start: 5 })],
    [
      'an earlier revision that is brought back',
      false,
      async () =>
        client.call('revisions.restore', {
          params: { embed: 'talk', revision: 1 },
          ifMatch: await tagOf('talk'),
          body: {},
        }),
    ],
    [
      'a newer code of the provider',
      false,
      async () =>
        client.call('sources.create', {
          params: { embed: 'talk' },
          ifMatch: await tagOf('talk'),
          body: { text: reel('a2'), anyway: true },
        }),
    ],
    [
      'a change of many',
      false,
      async () =>
        (group = (
          await client.call('changes.create', { body: { where: 'name=talk', options: { loop: true } } })
        ).data.change!.id),
    ],
    [
      'a change of many that is taken back',
      false,
      () => client.call('changes.undo', { params: { change: group }, body: {} }),
    ],
    ['a neighbour that comes', false, async () => (second = await neighbour())],
    [
      'a sheet of a neighbour',
      false,
      () =>
        client.call('providers.save', {
          params: { provider: 'moorreel' },
          ifNoneMatch: '*',
          body: { text: sheet('hue'), accept: true },
        }),
    ],
    [
      'a neighbour that goes',
      false,
      () => client.call('placements.delete', { params: { placement: second }, ifMatch: '*' }),
    ],
    [
      'what is asked there only',
      false,
      async () => {
        const { etag } = await client.call('placements.read', { params: { placement: ids['talk']! } });
        return client.call('placements.change', {
          params: { placement: ids['talk']! },
          ifMatch: etag!,
          body: { options: { 'max-width': 300 } },
        });
      },
    ],
    ['what its site asks of all', true, () => change({ defaults: { any: { align: 'centre' } } })],
    ['the way into the head of its site’s pages', true, () => change({ head: true })],
    ['the language of its site’s pages', true, () => change({ language: 'de' })],
    [
      'the rules for all',
      true,
      async () =>
        client.call('rules.change', {
          ifMatch: (await client.call('rules.read')).etag!,
          body: { dropTracking: true },
        }),
    ],
    ['other sheets that are shipped', true, () => planWith(test.orbis.connection.db, 'f'.repeat(64))],
  ];
  for (const [what, others, act] of inputs) {
    it(`is worked out anew after ${what}, ${others ? 'on every page' : 'on that page alone'}`, async () => {
      const [before, elsewhere] = [await row('talk'), await row('elsewhere')];
      await act();
      const after = await row('talk');
      expect(after.inputs, 'it was marked').to.be.greaterThan(before.inputs);
      expect((await row('elsewhere')).inputs > elsewhere.inputs).to.equal(others);
      await until(async () => (await row('talk')).stale === 'no' && (await row('elsewhere')).stale === 'no');
      const { data } = await client.call('deliveries.create', { params: { placement: ids['talk']! } });
      const [[issued]] = (await test.orbis.connection.db.execute(
        sql`select s.text_digest as digest from delivery d join delivery_snippet ds on ds.delivery_id = d.id and ds.position = 'spot' join snippet s on s.id = ds.snippet_id join placement p on p.id = d.placement_id where p.public_id = ${ids['talk']} and d.number = ${data.number}`,
      )) as unknown as [[{ digest: string }]];
      expect((await row('talk')).wanted, 'what would be handed out is what is').to.equal(issued.digest);
    });
  }

  it('is left alone by what no code depends on', async () => {
    const before = await row('talk');
    await client.call('embeds.change', {
      params: { embed: 'talk' },
      ifMatch: await tagOf('talk'),
      body: { name: 'Talk, renamed', tags: ['x'] },
    });
    await change({ name: 'Fell, renamed' });
    expect((await row('talk')).inputs).to.equal(before.inputs);
  });

  it('is not written down where something has changed since it was read', async () => {
    const { db } = test.orbis.connection;
    const [[found]] = (await db.execute(
      sql`select id, inputs from placement where public_id = ${ids['talk']}`,
    )) as unknown as [[{ id: number; inputs: number }]];
    await markPage(db, page);
    const planned = { id: Number(found.id), inputs: found.inputs, wanted: '0'.repeat(64) };
    expect([...(await recordWanted(db, [planned], new Date()))]).to.deep.equal([]);
    expect((await row('talk')).wanted).not.to.equal('0'.repeat(64));
  });

  it('is not written down where the rules have changed since it was read, whoever changed them', async () => {
    const { db } = test.orbis.connection;
    // Without its sheet it comes out otherwise.
    await save({ start: 7 });
    await until(async () => (await row('talk')).stale === 'no');
    const before = await row('talk');
    const renderContext = async (): Promise<RenderContext> => {
      // Another process changes them, just as this one has begun.
      await markAll(db);
      return {
        sheets: [],
        rules: { dropTracking: false },
        workOut: () => Promise.reject(new Error('short')),
        workOutPage: () => Promise.reject(new Error('short')),
        servedAt: () => '',
        sharesHost: () => false,
      };
    };
    await planPage(page, { db, renderContext, log: pino({ level: 'silent' }), now: () => new Date() });
    const after = await row('talk');
    expect(after.inputs).to.be.greaterThan(before.inputs);
    await until(async () => (await row('talk')).stale === 'no');
    expect((await row('talk')).wanted).to.equal(before.wanted);
  });

  it('waits for the next change where it cannot be worked out, and its list is told all the same', async () => {
    const { db } = test.orbis.connection;
    await until(async () => (await row('talk')).stale === 'no');
    const [[kept]] = (await db.execute(
      sql`select options from placement where public_id = ${ids['talk']}`,
    )) as unknown as [[{ options: object }]];
    // As if something was kept that no request could have brought.
    await db.execute(
      sql`update placement set options = '{"fit":"shape","shape":5}' where public_id = ${ids['talk']}`,
    );
    await markPage(db, page);
    await until(async () => (await row('talk')).stale === 'failed');
    expect(test.log.filter((line) => line.includes('a page could not be planned'))).to.have.length(1);
    const { items } = (await client.call('placements.list', { query: { page: 'fell/talks' } })).data;
    expect(items.map(({ id }) => id)).to.include(ids['talk']);
    await db.execute(
      sql`update placement set options = ${JSON.stringify(kept.options)} where public_id = ${ids['talk']}`,
    );
    // The next start tries it once more, though nothing has changed.
    await test.restart();
    await until(async () => (await row('talk')).stale === 'no');
  });

  it('is tried again where the reader was busy just then', async () => {
    const { db } = test.orbis.connection;
    await markPage(db, page);
    const renderContext = (): Promise<RenderContext> =>
      Promise.reject(new OrbisError('too-busy', { seconds: 5 }));
    const refused = await planPage(page, {
      db,
      renderContext,
      log: pino({ level: 'silent' }),
      now: () => new Date(),
    }).catch((error: unknown) => error);
    expect(refused).to.have.property('code', 'too-busy');
    await until(async () => (await row('talk')).stale === 'no');
  });
});
