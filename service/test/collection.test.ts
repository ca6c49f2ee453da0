import { expect } from 'chai';
import { ApiError, OrbisError, routes, type Route } from '@orbis/contract';
import { type Options } from '@orbis/core';
import { callsTo, codeOf } from './support/calls.ts';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('the collection that the service keeps', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());
  const { raw, signedIn, post } = callsTo(() => test);

  it('keeps what was pasted byte for byte, with its line ends and invisible characters', async () => {
    const text = `\uFEFFText\r\n${talkCode(test.world.port)}\r\n\u200B🌌`;
    const { data } = await test.client.call('embeds.create', {
      body: { name: 'Ein Übertrag — bytes', text, tags: ['Talks', 'talks', 'Straße'] },
    });
    expect(data.key).to.equal('ein-uebertrag-bytes');
    const { data: again } = await test.client.call('embeds.read', { params: { embed: data.key } });
    expect(again.pasted).to.equal(text);
    expect(again.tags).to.have.members(['talks', 'Straße']);
  });

  it('gives keys that do not clash', async () => {
    const make = () =>
      test.client.call('embeds.create', { body: { name: 'Same name', text: talkCode(test.world.port) } });
    const made = await Promise.all([make(), make(), make()]);
    expect(new Set(made.map((answer) => answer.data.key)).size).to.equal(3);
  });

  it('makes a revision only where something differs, and refuses a lost update', async () => {
    const { data, etag } = await test.client.call('embeds.create', {
      body: { name: 'Revised', text: talkCode(test.world.port) },
    });
    const save = (options: Options, ifMatch: string | undefined) =>
      test.client.call('revisions.create', {
        params: { embed: data.key },
        body: { options },
        ...(ifMatch ? { ifMatch } : {}),
      });
    const second = await save({ start: 112, end: 184 }, etag!);
    expect([second.status, second.data.revision]).to.deep.equal([201, 2]);
    expect(await codeOf(save({ start: 5 }, etag!))).to.equal('if-match-stale');
    expect(await codeOf(save({ start: 5 }, undefined))).to.equal('if-match-missing');
    const same = await save({ end: 184, start: 112 }, second.etag!);
    expect([same.status, same.data.revision]).to.deep.equal([200, 2]);
    const { data: first } = await test.client.call('revisions.read', {
      params: { embed: data.key, revision: 1 },
    });
    expect([first.options, first.reason]).to.deep.equal([{}, 'collected']);
  });

  it('keeps a note of why a revision was saved', async () => {
    const { data, etag } = await test.client.call('embeds.create', {
      body: { name: 'Noted', text: talkCode(test.world.port) },
    });
    const save = (options: Options, note: string | undefined, ifMatch: string) =>
      test.client.call('revisions.create', {
        params: { embed: data.key },
        body: { options, ...(note !== undefined && { note }) },
        ifMatch,
      });
    const noted = await save({ start: 5 }, 'for the new layout', etag!);
    await save({ start: 6 }, undefined, noted.etag!);
    const { data: list } = await test.client.call('revisions.list', { params: { embed: data.key } });
    expect(list.items.map(({ reason }) => reason)).to.deep.equal([
      'saved',
      'for the new layout',
      'collected',
    ]);
    expect(await codeOf(save({ start: 7 }, 'x'.repeat(201), '*'))).to.equal('bad-request');
  });

  it('lets exactly one of two changes at once through', async () => {
    const { data, etag } = await test.client.call('embeds.create', {
      body: { name: 'Raced', text: talkCode(test.world.port) },
    });
    const save = (start: number) =>
      test.client.call('revisions.create', {
        params: { embed: data.key },
        body: { options: { start } },
        ifMatch: etag!,
      });
    const outcomes = await Promise.allSettled([1, 2, 3, 4].map(save));
    expect(outcomes.filter((o) => o.status === 'fulfilled')).to.have.length(1);
    for (const o of outcomes)
      if (o.status === 'rejected') expect((o.reason as ApiError).code).to.equal('if-match-stale');
    expect(
      (await test.client.call('revisions.list', { params: { embed: data.key } })).data.items,
    ).to.have.length(2);
  });

  it('changes nothing when an option cannot be fulfilled', async () => {
    const { data, etag } = await test.client.call('embeds.create', {
      body: { name: 'Refusing', text: talkCode(test.world.port) },
    });
    expect(
      await codeOf(
        test.client.call('revisions.create', {
          params: { embed: data.key },
          ifMatch: etag!,
          body: { options: { start: 9, end: 3 } },
        }),
      ),
    ).to.equal('clip-order');
    expect((await test.client.call('embeds.read', { params: { embed: data.key } })).data.revision).to.equal(
      1,
    );
  });

  it('renames, tags, retires and restores with JSON Merge Patch; the key stays', async () => {
    const { data, etag } = await test.client.call('embeds.create', {
      body: { name: 'To rename', text: talkCode(test.world.port) },
    });
    const changed = await test.client.call('embeds.change', {
      params: { embed: data.key },
      ifMatch: etag!,
      body: { name: 'Renamed', retired: true, tags: ['x'] },
    });
    expect(changed.data).to.deep.include({
      key: 'to-rename',
      name: 'Renamed',
      retired: true,
      tags: ['x'],
      revision: 1,
    });
    expect(
      await codeOf(
        test.client.call('placements.create', {
          body: { embed: data.key, place: 'hollinfell/talks#opening' },
        }),
      ),
    ).to.equal('embed-retired');
  });

  it('takes the provider’s newer code into the same embed: options stay, and what no longer fits is named', async () => {
    const created = await test.client.call('embeds.create', {
      body: { name: 'Renewed', text: talkCode(test.world.port), options: { start: 112, fit: 'shape' } },
    });
    const renew = (text: string, etag: string, said = {}) =>
      test.client.call('sources.create', {
        params: { embed: 'renewed' },
        ifMatch: etag,
        body: { text, ...said },
      });
    const anyway = { anyway: true };
    const same = await renew(talkCode(test.world.port), created.etag!);
    expect([same.status, same.data.source]).to.deep.equal([200, 1]);
    const newer = await renew(talkCode(test.world.port, 'fN2north'), created.etag!, anyway);
    expect([newer.status, newer.data.source, newer.data.revision]).to.deep.equal([201, 2, 2]);
    expect(newer.data.current).to.deep.include({
      source: 2,
      options: { start: 112, fit: 'shape' },
      reason: 'newer code of the provider',
    });
    expect(
      (await test.client.call('revisions.read', { params: { embed: 'renewed', revision: 1 } })).data.source,
    ).to.equal(1);
    expect(
      await codeOf(
        renew(
          '<iframe src="https://e.localhost/a" width="640" height="360" title="t"></iframe>',
          newer.etag!,
          anyway,
        ),
      ),
    ).to.equal('options-unfit');
    expect(await codeOf(renew(talkCode(1), created.etag!))).to.equal('if-match-stale');
    const dropped = await renew(
      '<iframe src="https://e.localhost/a" width="640" height="360" title="t"></iframe>',
      newer.etag!,
      { anyway: true, dropUnfit: true },
    );
    expect(dropped.data).to.deep.include({ kind: 'frame', provider: null, source: 3 });
    expect(dropped.data.current).to.deep.include({ options: { fit: 'shape' } });
    expect(
      (await test.client.call('embeds.list', { query: { host: 'e.localhost' } })).data.items.map(
        (item) => item.key,
      ),
    ).to.deep.equal(['renewed']);
  });

  it('asks before a newer code of another thing takes the place of the one before', async () => {
    const refusal = async (base: string, text: string): Promise<string> => {
      const { data, etag } = await test.client.call('embeds.create', {
        body: { name: 'Guarded', text: base },
      });
      const call = test.client.call('sources.create', {
        params: { embed: data.key },
        ifMatch: etag!,
        body: { text },
      });
      return call.then(
        ({ status }) => String(status),
        (error: ApiError) => `${error.code}: ${error.message}`,
      );
    };
    const frame = (address: string): string => `<iframe src="https://${address}" title="t"></iframe>`;
    const { port } = test.world;
    expect(await refusal(talkCode(port), talkCode(port, 'fN2north'))).to.match(
      /^another-thing: The code shows another item: “guarded” has been http:\S+nB4moorNight, and this is \S+fN2north\. Nothing was changed\./,
    );
    expect(await refusal(talkCode(port), frame('mapmere.localhost/embed/map'))).to.include(
      'The code is another provider’s: “guarded-2” has been a video by Kinorill, and this is a map by Mapmere.',
    );
    expect(await refusal(frame('a.example/embed/video/1'), frame('a.example/maps/embed/1'))).to.include(
      'The code is of another kind: “guarded-3” has been a video, and this is a map.',
    );
    expect(await refusal(frame('a.example/embed/1'), frame('b.example/embed/1'))).to.include(
      'has been a frame from a.example, and this is a frame from b.example',
    );
    expect(
      await refusal(talkCode(port), talkCode(port).replace(' title=', ' loading="lazy" title=')),
    ).to.equal('201');
    expect(await refusal(frame('a.example/embed/1'), frame('a.example/v2/embed/1'))).to.equal('201');
  });

  it('says where what was made answers, and which page of a list comes next', async () => {
    const made = await post('/api/v1/embeds', JSON.stringify({ name: 'Located', text: '<b>x</b>' }));
    expect(made.headers.get('location')).to.equal('/api/v1/embeds/located');
    const there = await raw(made.headers.get('location')!, { headers: signedIn() });
    expect(there.headers.get('etag')).to.equal(made.headers.get('etag'));
    const first = await raw('/api/v1/embeds?limit=1&q=e', { headers: signedIn() });
    const next = /^<([^>]+)>; rel="next"$/.exec(first.headers.get('link')!)![1]!;
    const { next: after } = (await first.json()) as { next: string };
    expect(next).to.equal(`/api/v1/embeds?limit=1&q=e&after=${after}`);
    const last = await raw('/api/v1/sites?limit=200', { headers: signedIn() });
    expect(last.headers.get('link')).to.equal(null);
  });

  it('refuses a mark of a page that is none of its own, and names the parameter', async () => {
    const answer = await raw('/api/v1/embeds?after=zzz', { headers: signedIn() });
    expect(answer.status).to.equal(400);
    expect(await answer.json()).to.deep.include({
      detail: '“after” is “zzz”, and should be the “next” of the page before.',
      errors: [{ parameter: 'after', detail: 'is “zzz”, and should be the “next” of the page before' }],
    });
  });

  it('answers only what the caller accepts', async () => {
    const asked = (accept: string) => raw('/api/v1/sites', { headers: signedIn({ accept }) });
    const refused = await asked('text/html');
    expect([refused.status, ((await refused.json()) as { code: string }).code]).to.deep.equal([
      406,
      'not-acceptable',
    ]);
    for (const accept of ['*/*', 'application/*', 'text/html, application/json;q=0.5'])
      expect((await asked(accept)).status, accept).to.equal(200);
  });

  it('makes what is not there with If-None-Match, and changes or deletes only the state that was seen', async () => {
    const params = { preset: 'made-here' };
    const body = { options: { fit: 'shape' } };
    const save = (state: object) => codeOf(test.client.call('presets.save', { params, body, ...state }));
    expect(await save({})).to.equal('if-match-missing');
    expect(await save({ ifMatch: '"0"' })).to.equal('if-match-stale');
    const made = await test.client.call('presets.save', { params, body, ifNoneMatch: '*' });
    expect(made.status).to.equal(201);
    expect(await save({ ifNoneMatch: '*' })).to.equal('if-match-stale');
    const remove = (state: object) => test.client.call('presets.remove', { params, ...state });
    expect(await codeOf(remove({}))).to.equal('if-match-missing');
    expect(await codeOf(remove({ ifMatch: '"99"' }))).to.equal('if-match-stale');
    expect((await remove({ ifMatch: made.etag! })).status).to.equal(204);
    for (const name of ['sites.delete', 'spots.delete', 'placements.delete', 'providers.remove'] as const)
      expect((routes[name] as Route).ifMatch, name).to.equal(true);
  });

  it('makes keys of names in any script, of the kind where nothing is left, or takes the one asked for', async () => {
    const make = async (name: string, key?: string) => {
      const text = '<video controls src="https://a.example/x.webm"></video>';
      return (await test.client.call('embeds.create', { body: { name, text, key } })).data.key;
    };
    expect(await make('星の夜 2026')).to.equal('xingnoye-2026');
    expect(await make('Ночь на болоте')).to.equal('noch-na-bolote');
    expect(await make('🌖')).to.equal('video');
    expect(await make('🌖')).to.equal('video-2');
    expect(await make('Whatever', 'night-film')).to.equal('night-film');
    const taken = await make('Again', 'night-film').catch((error: ApiError) => error.code);
    expect(taken).to.equal('key-taken');
    const odd = await make('Again', 'Night Film').catch((error: ApiError) => error.message);
    expect(odd).to.equal(
      '“key” is “Night Film”, and should be lower-case letters and digits, with single hyphens between them.',
    );
  });

  it('says of an item of a provider that nobody knows that it is the provider', async () => {
    const call = test.client.call('embeds.create', { body: { text: 'nosuch:311' } });
    const error = await call.catch((refusal: ApiError) => refusal);
    expect(error).to.include({ code: 'provider-unknown' });
    expect((error as ApiError).message).to.match(/^There is no provider “nosuch”\./);
  });

  it('says which embed holds the very same code, and what else is in a spot', async () => {
    const body = { name: 'Twin', text: '<iframe src="https://twin.example/1" title="t"></iframe>' };
    expect((await test.client.call('embeds.create', { body })).data.same).to.equal(null);
    const { data } = await test.client.call('embeds.create', { body });
    expect([data.key, data.same]).to.deep.equal(['twin-2', 'twin']);
    await test.client.call('pages.create', { body: { key: 'hollinfell/twins', title: 'Twins' } });
    await test.client.call('spots.create', { body: { key: 'hollinfell/twins#a' } });
    const place = async (embed: string) =>
      (await test.client.call('placements.create', { body: { embed, place: 'hollinfell/twins#a' } })).data;
    expect((await place('twin')).beside).to.deep.equal([]);
    expect((await place('twin-2')).beside).to.deep.equal(['twin']);
  });

  it('pages through a list without losing or doubling anything', async () => {
    const keys: string[] = [];
    for (let after: string | undefined; ;) {
      const { data } = await test.client.call('embeds.list', { query: { limit: 2, after } });
      expect(data.items.length).to.be.at.most(2);
      keys.push(...data.items.map((item) => item.key));
      if (data.next === null) break;
      after = data.next;
    }
    const { data: all } = await test.client.call('embeds.list', { query: { limit: 200 } });
    expect(keys).to.deep.equal(all.items.map((item) => item.key));
    expect(keys.length).to.be.greaterThan(5);
  });

  it('searches names and tags, and takes % and _ for what they are', async () => {
    await test.client.call('embeds.create', {
      body: { name: '100% dark_sky', text: talkCode(test.world.port), tags: ['moor'] },
    });
    const found = async (q: string): Promise<string[]> =>
      (await test.client.call('embeds.list', { query: { q } })).data.items.map((item) => item.name);
    expect(await found('100%')).to.deep.equal(['100% dark_sky']);
    expect(await found('k_s')).to.deep.equal(['100% dark_sky']);
    expect(await found('moor dark')).to.deep.equal(['100% dark_sky']);
    expect(await found('nothing like it')).to.deep.equal([]);
  });
});

it('says everything of an error from one catalogue', () =>
  expect(new OrbisError('clip-order', { start: '1:52', end: '0:30' }).message).to.equal(
    'The end (0:30) is not after the start (1:52). Set an end later than 1:52.',
  ));
