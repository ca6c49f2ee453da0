import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Router } from 'express';
import { pino } from 'pino';
import { apiBase, ApiError, catalogue, en, openApi, OrbisError, routes, type Route } from '@orbis/contract';
import { pageRules, rules, type Options } from '@orbis/core';
import { createApp, type Deps } from '@orbis/service';
import { declareSite, password, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const codeOf = async (work: Promise<unknown>): Promise<string> => {
  const error = await work.then(
    () => null,
    (reason: unknown) => reason,
  );
  expect(error, 'it should have been refused').to.be.instanceOf(ApiError);
  return (error as ApiError).code;
};

describe('the description of the interface', () => {
  it('has every route that the app answers, and no other', () => {
    const app = createApp({
      origins: () => ({}),
      now: () => new Date(),
      log: pino({ level: 'silent' }),
      version: '0',
      renderContext: () => ({ sheets: [] }),
      connection: {},
    } as unknown as Deps);
    interface Layer {
      route?: { path: string; methods: Record<string, boolean> };
      handle?: { stack?: Layer[] };
    }
    const answered: string[] = [];
    const walk = (layers: readonly Layer[], depth: number): void => {
      for (const { route, handle } of layers) {
        if (route && typeof route.path === 'string' && depth > 0)
          for (const method of Object.keys(route.methods))
            answered.push(`${method} ${apiBase}${route.path.replace(/:([a-z]+)/g, '{$1}')}`);
        else if (handle?.stack) walk(handle.stack, depth + 1);
      }
    };
    walk((app.router as Router).stack as unknown as Layer[], 0);
    const { paths } = openApi('0') as { paths: Record<string, object> };
    const described = Object.entries(paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path}`),
    );
    expect(described).to.have.length.greaterThan(30);
    expect(
      answered.filter((route) => !/\{\*|robots\.txt|favicon\.ico|well-known/.test(route)).sort(),
    ).to.deep.equal(described.sort());
  });

  it('is a whole document: every reference leads somewhere, every operation has its errors', () => {
    const text = JSON.stringify(openApi('0'));
    const { components } = JSON.parse(text) as { components: { schemas: Record<string, unknown> } };
    const references = [...text.matchAll(/"\$ref":"#\/components\/schemas\/([^"]+)"/g)].map(
      (found) => found[1]!,
    );
    expect(references).to.include('Problem').and.include('Reading');
    for (const name of references) expect(components.schemas, name).to.have.property(name);
  });

  it('names only errors that are in the catalogue, and says each one in a sentence', () => {
    for (const [code, { status, exit, detail }] of Object.entries(catalogue)) {
      expect(status, code).to.be.within(400, 503);
      expect(exit, code).to.be.within(1, 4);
      expect(detail({}), code).to.be.a('string');
    }
  });

  it('has sentences for every rule', () => {
    for (const rule of [...rules, ...pageRules]) expect(en.findings, rule.id).to.have.property(rule.id);
  });

  it('has its errors in the documents, both ways', () => {
    const documented = [
      ...readFileSync(new URL('../../docs/errors.md', import.meta.url), 'utf8').matchAll(
        /^\| `([a-z-]+)` \|/gm,
      ),
    ].map((found) => found[1]!);
    expect(documented.sort()).to.deep.equal(Object.keys(catalogue).sort());
  });
});

describe('the migrations', () => {
  it('are what the schema generates', () => {
    const folder = new URL('../migrations/', import.meta.url);
    const files = readdirSync(folder).filter((name) => name.endsWith('.sql'));
    const journal = JSON.parse(readFileSync(new URL('meta/_journal.json', folder), 'utf8')) as {
      entries: { tag: string }[];
    };
    expect(files.map((name) => name.replace('.sql', '')).sort()).to.deep.equal(
      journal.entries.map((entry) => entry.tag).sort(),
    );
  });
});

describe('the service', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());

  const raw = (path: string, init: RequestInit = {}): Promise<Response> => fetch(test.url + path, init);
  const signedIn = (headers: Record<string, string> = {}): Record<string, string> => ({
    'authorization': `Bearer ${test.token}`,
    'content-type': 'application/json',
    ...headers,
  });

  const post = (path: string, body: string, headers: Record<string, string> = {}): Promise<Response> =>
    raw(path, { method: 'POST', headers: signedIn(headers), body });
  describe('keeps the door', () => {
    for (const [name, route] of Object.entries(routes)) {
      if (route.access !== 'owner') continue;
      it(`closed for ${name}`, async () => {
        const path = apiBase + route.path.replace(/:[a-z]+/g, 'x');
        const answer = await raw(path, {
          method: route.method.toUpperCase(),
          headers: { 'content-type': 'application/json' },
          ...(route.method === 'get' || route.method === 'delete' ? {} : { body: '{}' }),
        });
        expect(answer.status).to.equal(401);
        expect(answer.headers.get('content-type')).to.match(/^application\/problem\+json/);
        expect(await answer.json()).to.deep.include({ code: 'not-signed-in', status: 401 });
      });
    }

    it('open for its health', async () =>
      expect(await (await raw('/api/v1/health/ready')).json()).to.include({ status: 'ok' }));

    it('gives a session cookie that scripts and other sites cannot use, and takes it back', async () => {
      const answer = await raw('/api/v1/session', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ password }),
      });
      const cookie = answer.headers.get('set-cookie')!;
      expect(cookie)
        .to.match(/^orbis=[\w-]{43};/)
        .and.include('HttpOnly')
        .and.include('SameSite=Strict');
      const headers = { cookie: cookie.split(';')[0]! };
      expect((await raw('/api/v1/embeds', { headers })).status).to.equal(200);
      for (const foreign of [
        { 'sec-fetch-site': 'cross-site' },
        { 'sec-fetch-site': 'same-site' },
        { origin: 'http://elsewhere.localhost' },
        { origin: 'null' },
      ] as Record<string, string>[]) {
        const refused = await raw('/api/v1/session', {
          method: 'DELETE',
          headers: { ...headers, ...foreign },
        });
        expect(refused.status, JSON.stringify(foreign)).to.equal(403);
      }
      expect((await raw('/api/v1/session', { method: 'DELETE', headers })).status).to.equal(204);
      expect((await raw('/api/v1/embeds', { headers })).status).to.equal(401);
    });

    it('lets a one-time link in once', async () => {
      const secret = new URL(await test.orbis.link('sign-in')).hash.slice(1);
      const use = (path: string, body: object): Promise<Response> =>
        raw(path, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        });
      expect(
        (await use('/api/v1/password', { secret, password: 'a new one for you' })).status,
        'a link for signing in sets no password',
      ).to.equal(401);
      expect((await use('/api/v1/session/link', { secret })).status).to.equal(200);
      expect((await use('/api/v1/session/link', { secret })).status).to.equal(401);
    });

    it('lists tokens without their secrets, and revokes them', async () => {
      const { data: made } = await test.client.call('tokens.create', {
        body: { name: 'to be revoked', password },
      });
      const { data: list } = await test.client.call('tokens.list');
      expect(JSON.stringify(list)).to.include(made.id).and.not.include(made.token);
      const own = { headers: { authorization: `Bearer ${made.token}` } };
      expect((await raw('/api/v1/embeds', own)).status).to.equal(200);
      await test.client.call('tokens.delete', { params: { token: made.id } });
      expect((await (await raw('/api/v1/embeds', own)).json()) as object).to.include({
        code: 'token-unknown',
      });
    });

    it('sends a strict policy, with Trusted Types, on its pages', async () => {
      const policy = (await raw('/')).headers.get('content-security-policy')!;
      for (const directive of [
        "default-src 'none'",
        "script-src 'self'",
        "require-trusted-types-for 'script'",
        "frame-ancestors 'none'",
      ])
        expect(policy).to.include(directive);
      expect(policy).not.to.match(/script-src[^;]*unsafe/);
    });

    it('logs no secret, and finds each request by its id', async () => {
      const answer = await raw('/api/v1/embeds?q=findable', { headers: signedIn() });
      const id = answer.headers.get('x-request-id')!;
      const all = test.log.join('');
      expect(all).to.include(id);
      for (const secret of [password, test.token, 'findable', 'orbis=']) expect(all).not.to.include(secret);
    });
  });

  describe('answers bad input clearly', () => {
    for (const [label, path, body, status, code] of [
      ['a body that is no JSON', '/api/v1/embeds', '{', 400, 'not-json'],
      ['a name of nothing', '/api/v1/embeds', '{"name":" ","text":"x"}', 400, 'bad-request'],
      [
        'a member that nobody knows',
        '/api/v1/embeds',
        '{"name":"a","text":"x","nmae":1}',
        400,
        'bad-request',
      ],
      ['nothing pasted', '/api/v1/embeds', '{"name":"a","text":" \\n"}', 422, 'nothing-pasted'],
      ['words', '/api/v1/embeds', '{"name":"a","text":"hello"}', 422, 'no-code'],
      [
        'code as text',
        '/api/v1/embeds',
        '{"name":"a","text":"&lt;iframe src=x&gt;&lt;/iframe&gt;"}',
        422,
        'visible-code',
      ],
      [
        'several links at once',
        '/api/v1/embeds',
        '{"name":"a","text":"https://kinorill.localhost/films/a\\nhttps://kinorill.localhost/films/b"}',
        422,
        'several-links',
      ],
      ['half a character', '/api/v1/embeds', '{"name":"a","text":"<b>\\ud800</b>"}', 422, 'text-too-much'],
      [
        'an address that is none',
        '/api/v1/sites',
        '{"key":"b","name":"B","address":"hollinfell"}',
        422,
        'address-invalid',
      ],
      [
        'a key that is taken',
        '/api/v1/sites',
        '{"key":"hollinfell","name":"B","address":"https://b.localhost"}',
        409,
        'key-taken',
      ],
      ['a page of no site', '/api/v1/pages', '{"key":"nowhere/talks","title":"T"}', 404, 'not-found'],
      ['a place without a spot', '/api/v1/spots', '{"key":"hollinfell/talks"}', 400, 'bad-request'],
      ['an address that nobody answers at', '/api/v1/nothing', '{}', 404, 'no-route'],
      ['a method that is not taken', '/api/v1/health/ready', '{}', 405, 'method-not-allowed'],
    ] as const) {
      it(label, async () => {
        const answer = await post(path, body);
        const problem = (await answer.json()) as {
          code: string;
          detail: string;
          status: number;
          instance: string;
        };
        expect([answer.status, problem.code]).to.deep.equal([status, code]);
        expect(problem.detail).to.match(/^.+[.!]$/);
        expect(problem.instance).to.equal(`urn:request:${answer.headers.get('x-request-id')}`);
      });
    }

    it('points at the member that does not fit', async () => {
      const answer = await post(
        '/api/v1/embeds',
        JSON.stringify({ name: 'a', text: 'x', options: { start: 'soon' } }),
      );
      expect(((await answer.json()) as { errors: { pointer: string }[] }).errors[0]!.pointer).to.equal(
        '/options/start',
      );
    });

    it('refuses another type of body', async () =>
      expect(
        (await post('/api/v1/embeds', 'name=a', { 'content-type': 'application/x-www-form-urlencoded' }))
          .status,
      ).to.equal(415));
  });

  describe('keeps the collection', () => {
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
      expect(first.options).to.deep.equal({});
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
});
