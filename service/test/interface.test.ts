import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Router } from 'express';
import { pino } from 'pino';
import { apiBase, catalogue, en, openApi, routes } from '@orbis/contract';
import { pageRules, rules } from '@orbis/core';
import { createApp, type Deps } from '@orbis/service';
import { callsTo } from './support/calls.ts';
import { declareSite, password, startTestOrbis, type TestOrbis } from './support/orbis.ts';

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
      answered.filter((route) => !/\{\*|robots\.txt|favicon\.ico|well-known|\/metrics$/.test(route)).sort(),
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

  const { raw, signedIn, post } = callsTo(() => test);

  describe('keeps the door', () => {
    for (const [name, route] of Object.entries(routes)) {
      if (route.needs === 'open' || route.needs === 'probe') continue;
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
});
