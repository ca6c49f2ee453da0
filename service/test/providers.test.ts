import { expect } from 'chai';
import type { Client } from '@orbis/contract';
import type { Options, Sheet } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const kinorill = builtInSheets().find(({ id }) => id === 'kinorill')!;
/* Kinorill as it would be if it took the start under another name. */
const renamed: Sheet = {
  ...kinorill,
  version: 9,
  settings: { ...kinorill.settings, start: { in: 'query', name: 'begin', format: 'seconds' } },
};
const withoutEnd: Sheet = {
  ...renamed,
  settings: Object.fromEntries(Object.entries(renamed.settings).filter(([name]) => name !== 'end')),
};
const moorreel = `# A provider of our own.
id: moorreel
name: Moorreel
version: 1
kind: video
hosts: [moorreel.localhost]
links:
  - { hostname: moorreel.localhost, pathname: '/watch/:id' }
frames:
  - { hostname: moorreel.localhost, pathname: '/show/:id' }
code: { address: '{scheme}://moorreel.localhost{+port}/show/{id}', width: 640, height: 360, title: Moorreel, allow: [] }
settings:
  start: { in: query, name: go, format: seconds }
needs: {}
`;

describe('provider sheets that the service keeps', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
  });
  after(() => test.stop());
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  const save = async (sheet: Sheet | string, accept = false) => {
    const text = typeof sheet === 'string' ? sheet : JSON.stringify(sheet);
    const { data, etag } = await call('providers.compare', { body: { text } });
    return call('providers.save', {
      params: { provider: data.id },
      body: { text, accept },
      ...(etag === null ? { ifNoneMatch: '*' } : { ifMatch: etag }),
    });
  };
  const remove = async (provider: string, accept: 'true' | 'false' = 'false') => {
    const { etag } = await call('providers.read', { params: { provider } });
    return call('providers.remove', { params: { provider }, query: { accept }, ifMatch: etag! });
  };
  const collect = async (name: string, text: string, options: Options = {}) =>
    (await call('embeds.create', { body: { name, text, options } })).data;
  const embed = async (key: string) => (await call('embeds.read', { params: { embed: key } })).data;
  const goesOut = async (key: string): Promise<string> => {
    const { current } = await embed(key);
    return (await call('compositions.create', { body: { embed: key, options: current.options } })).data.text;
  };

  it('are the built-in ones at first, and cannot be taken away', async () => {
    const { data } = await call('providers.list', {});
    expect(data.items.map(({ id, from }) => [id, from])).to.deep.equal(
      builtInSheets().map(({ id }) => [id, 'built-in']),
    );
    const error = await refusal(
      call('providers.remove', { params: { provider: 'kinorill' }, ifMatch: '"0"' }),
    );
    expect([error.problem.status, error.code]).to.deep.equal([409, 'sheet-built-in']);
    expect((await refusal(call('providers.read', { params: { provider: 'nobody' } }))).code).to.equal(
      'not-found',
    );
  });

  it('are refused with line and column, and nothing is kept', async () => {
    const error = await refusal(
      call('providers.compare', {
        body: {
          text: moorreel.replace('kind: video', 'kind: vidio').replace('format: seconds', 'format: sundial'),
        },
      }),
    );
    expect(error.code).to.equal('sheet-invalid');
    expect(error.message).to.include('line 5, column 7 (kind)');
    expect(error.problem.errors!.map(({ pointer, detail }) => [pointer, detail.split(':')[0]])).to.deep.equal(
      [
        ['/text', 'line 5, column 7 (kind)'],
        ['/text', 'line 13, column 41 (settings/start/format)'],
      ],
    );
    const other = await refusal(
      call('providers.save', { params: { provider: 'another' }, body: { text: moorreel }, ifNoneMatch: '*' }),
    );
    expect(other.code).to.equal('sheet-other-id');
    expect((await call('providers.list', {})).data.items).to.have.length(builtInSheets().length);
  });

  it('make a provider known: what was collected before is read anew, and comes out as it did', async () => {
    const made = await collect(
      'Reel of nobody',
      '<iframe src="https://moorreel.localhost/show/7" title="t"></iframe>',
    );
    expect(made.provider).to.equal(null);
    expect(
      (
        await refusal(
          call('revisions.create', {
            params: { embed: made.key },
            body: { options: { start: 5 } },
            ifMatch: '*',
          }),
        )
      ).code,
    ).to.equal('no-sheet');
    const { data, status } = await save(moorreel);
    expect([status, data.from, data.changed]).to.deep.equal([201, 'own', 0]);
    expect(await embed(made.key)).to.include({ provider: 'moorreel', revision: 1 });
    expect((await call('providers.read', { params: { provider: 'moorreel' } })).data.text).to.equal(moorreel);
    const saved = await call('revisions.create', {
      params: { embed: made.key },
      body: { options: { start: 5 } },
      ifMatch: '*',
    });
    expect(saved.data.revision).to.equal(2);
    expect(await goesOut(made.key)).to.include('/show/7?go=5"');
  });

  it('say before they change which embeds come out differently, and change them only when that is accepted', async () => {
    await declareSite(test, ['opening']);
    const talk = await collect('Talk', talkCode(test.world.port), { start: 112, end: 184 });
    const plain = await collect('Plain', talkCode(test.world.port));
    const { data: placement } = await call('placements.create', {
      body: { embed: talk.key, place: 'hollinfell/talks#opening' },
    });
    const issued = (await call('deliveries.create', { params: { placement: placement.id } })).data;

    const { data: comparison } = await call('providers.compare', { body: { text: JSON.stringify(renamed) } });
    expect(comparison).to.include({ id: 'kinorill', exists: true, from: 'override', embeds: 2 });
    expect(comparison.differs.map(({ embed: key, placements }) => [key, placements])).to.deep.equal([
      [talk.key, 1],
    ]);
    expect(comparison.differs[0]!.before).to.include('from=112');
    expect(comparison.differs[0]!.after).to.include('begin=112');

    const error = await refusal(save(renamed));
    expect([error.problem.status, error.code]).to.deep.equal([409, 'sheet-changes-embeds']);
    expect(error.message).to.include('one embed comes out differently: talk');
    expect(await goesOut(talk.key)).to.include('from=112');

    const { data } = await save(renamed, true);
    expect([data.from, data.changed]).to.deep.equal(['override', 1]);
    expect((await embed(talk.key)).current).to.include({ number: 2, reason: 'sheet changed' });
    expect((await embed(plain.key)).revision).to.equal(1);
    expect(await goesOut(talk.key)).to.include('begin=112');
    const next = (await call('deliveries.create', { params: { placement: placement.id } })).data;
    expect([issued.number, next.number]).to.deep.equal([1, 2]);
    expect(next.text).to.include('begin=112&amp;until=184');
  });

  it('name the options that could no longer be fulfilled', async () => {
    const { data } = await call('providers.compare', { body: { text: JSON.stringify(withoutEnd) } });
    expect(data.differs[0]!.problems).to.deep.equal([
      { option: 'end', detail: 'Kinorill does not offer end.' },
    ]);
  });

  it('are still there after a start, and the built-in one when one’s own is taken away', async () => {
    await test.restart();
    expect(await goesOut('talk')).to.include('begin=112');
    const error = await refusal(remove('kinorill'));
    expect([error.code, error.problem.errors!.map(({ embed: key }) => key)]).to.deep.equal([
      'sheet-in-use',
      ['talk'],
    ]);
    await remove('kinorill', 'true');
    expect(await goesOut('talk')).to.include('from=112');
    expect((await embed('talk')).current).to.include({ number: 3, reason: 'sheet changed' });
    expect((await call('providers.read', { params: { provider: 'kinorill' } })).data).to.include({
      from: 'built-in',
      changedAt: null,
    });
  });

  it('cannot be removed without saying what depends on them', async () => {
    const error = await refusal(remove('moorreel'));
    expect(error.message).to.include('in use by one embed: reel-of-nobody');
    await remove('moorreel', 'true');
    expect((await embed('reel-of-nobody')).provider).to.equal(null);
    expect(await goesOut('reel-of-nobody')).to.include('/show/7"');
  });

  it('are known to another process on the same database as soon as it is asked', async () => {
    const elsewhere = await test.another();
    try {
      const known = async (): Promise<string[]> =>
        (await elsewhere.client.call('providers.list', {})).data.items.map(({ id }) => id);
      expect(await known()).not.to.include('moor-two');
      await save(moorreel.replace('id: moorreel', 'id: moor-two'), true);
      expect(await known()).to.include('moor-two');
      await remove('moor-two', 'true');
      expect(await known()).not.to.include('moor-two');
    } finally {
      await elsewhere.stop();
    }
  });

  it('lose nobody’s change', async () => {
    await save(moorreel, true);
    const { etag } = await call('providers.read', { params: { provider: 'moorreel' } });
    await save(moorreel.replace('name: Moorreel', 'name: Moor reel'));
    const late = call('providers.save', {
      params: { provider: 'moorreel' },
      body: { text: moorreel },
      ifMatch: etag!,
    });
    expect((await refusal(late)).problem.status).to.equal(412);
    expect(
      (await refusal(call('providers.save', { params: { provider: 'moorreel' }, body: { text: moorreel } })))
        .problem.status,
    ).to.equal(428);
  });

  it('make a code of a link with its time, and of a number alone', async () => {
    const { pasted, base, current } = await collect(
      'By link',
      `http://kinorill.localhost:${test.world.port}/k/cM7comet?at=1m52s`,
    );
    expect(pasted).to.include('/k/cM7comet');
    expect(base).to.include(`http://play.kinorill.localhost:${test.world.port}/film/cM7comet"`);
    expect(current.options).to.deep.equal({ start: 112 });
    const shop = await collect('By number', ' stallmere:311 ', { count: 3 });
    expect(shop).to.deep.include({ kind: 'shop', provider: 'stallmere' });
    expect(await goesOut(shop.key)).to.include('["show", "#stall-311", { items: 3 }]');
    const film = await collect('By file', 'https://hollinfell.localhost/files/dome_at-night.mp4#t=20');
    expect(film).to.deep.include({ kind: 'video', provider: null });
    expect(film.base).to.equal(
      '<video src="https://hollinfell.localhost/files/dome_at-night.mp4#t=20" title="Dome at night" controls preload="metadata" playsinline></video>',
    );
  });
});

describe('rules for all embeds', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
  });
  after(() => test.stop());

  it('take out what only follows people, unless something else is asked of an embed', async () => {
    const { client } = test;
    const code = '<iframe src="https://nobody.localhost/x?utm_source=letter&amp;a=1" title="t"></iframe>';
    for (const [name, options] of [
      ['Usual', {}],
      ['Kept', { tracking: true }],
    ] as const)
      await client.call('embeds.create', { body: { name, text: code, options } });
    const goesOut = async (embed: string): Promise<string> => {
      const { current } = (await client.call('embeds.read', { params: { embed } })).data;
      return (await client.call('compositions.create', { body: { embed, options: current.options } })).data
        .text;
    };
    expect(await goesOut('usual')).to.equal(code);
    const { etag, data } = await client.call('rules.read', {});
    expect(data).to.deep.equal({ dropTracking: false });
    await client.call('rules.change', { body: { dropTracking: true }, ifMatch: etag! });
    expect(await goesOut('usual')).to.equal(code.replace('utm_source=letter&amp;', ''));
    expect(await goesOut('kept')).to.equal(code);
    await test.restart();
    const now = await test.client.call('rules.read', {});
    expect(now.data).to.deep.equal({ dropTracking: true });
    await test.client.call('rules.change', { body: { dropTracking: false }, ifMatch: now.etag! });
  });
});
