import { expect } from 'chai';
import { ApiError, catalogue, createClient, everyItem, OrbisError, pathOf, routes } from '@orbis/contract';

const answering = (status: number, body: string, headers: Record<string, string> = {}) => {
  const calls: { url: string; init: RequestInit }[] = [];
  const fetch = ((url: string, init: RequestInit) => {
    calls.push({ url, init });
    return Promise.resolve(new Response(status === 204 ? null : body, { status, headers }));
  }) as unknown as typeof globalThis.fetch;
  return {
    calls,
    client: createClient({ url: 'http://orbis.test', headers: { authorization: 'Bearer x' }, fetch }),
  };
};
const errorOf = (work: Promise<unknown>): Promise<ApiError> =>
  work.then(
    () => expect.fail('it should have failed'),
    (error: ApiError) => error,
  );

describe('the client of the interface', () => {
  it('fills in paths and queries, escaped', async () => {
    const { calls, client } = answering(200, '{"items":[],"next":null}', { etag: '"3"' });
    const answer = await client.call('deliveries.list', {
      params: { placement: 'a/b c' },
      query: { limit: 5, after: undefined },
    });
    expect(answer).to.deep.equal({ status: 200, etag: '"3"', data: { items: [], next: null } });
    expect(calls[0]!.url).to.equal('http://orbis.test/api/v1/placements/a%2Fb%20c/deliveries?limit=5');
    expect(calls[0]!.init.headers).to.include({ authorization: 'Bearer x' });
    expect(pathOf('pages.delete', { page: 'hollinfell/' })).to.equal('/pages/hollinfell%2F');
  });

  it('sends merge patches as such, and the state that it changes', async () => {
    const { calls, client } = answering(200, '{}');
    await client.call('embeds.change', { params: { embed: 'a' }, body: { name: 'B' }, ifMatch: '"1"' });
    expect(calls[0]!.init).to.deep.include({ method: 'PATCH', body: '{"name":"B"}' });
    expect(calls[0]!.init.headers).to.include({
      'content-type': 'application/merge-patch+json',
      'if-match': '"1"',
    });
  });

  it('takes an answer that breaks off in the middle for none', async () => {
    const broken = new ReadableStream({
      pull: (controller) => controller.error(new TypeError('terminated')),
    });
    const fetch = (() =>
      Promise.resolve(new Response(broken, { status: 200 }))) as unknown as typeof globalThis.fetch;
    const error = await errorOf(createClient({ url: 'http://orbis.test', fetch }).call('embeds.list'));
    expect(error).to.be.instanceOf(ApiError).and.include({ code: 'not-reached' });
    expect(error.message).to.include('broke its answer off in the middle');
  });

  it('takes an answer without a body', async () =>
    expect((await answering(204, '').client.call('session.delete')).data).to.equal(undefined));

  it('turns a problem document into an error with its code', async () => {
    const problem = {
      type: 'urn:orbis:error:not-found',
      title: 'Not found',
      status: 404,
      code: 'not-found',
      detail: 'There is no embed “x”.',
    };
    const error = await errorOf(
      answering(404, JSON.stringify(problem)).client.call('embeds.read', { params: { embed: 'x' } }),
    );
    expect(error)
      .to.be.instanceOf(ApiError)
      .and.include({ code: 'not-found', message: 'There is no embed “x”.' });
  });

  for (const [label, status, body] of [
    ['a page of another program', 502, '<h1>Bad gateway</h1>'],
    ['JSON of another kind', 400, '{"error":"x"}'],
    ['nothing', 500, ''],
  ] as const) {
    it(`says of ${label} that it is not Orbis that answered`, async () => {
      const error = await errorOf(answering(status, body).client.call('health.live'));
      expect(error.message).to.equal(
        `http://orbis.test answered ${status}, and not as Orbis does. Is it Orbis that runs there?`,
      );
      expect(error.code).to.equal('not-reached');
    });
  }

  it('says that nobody answers', async () => {
    const fetch = (() => Promise.reject(new TypeError('fetch failed'))) as unknown as typeof globalThis.fetch;
    const error = await errorOf(createClient({ url: 'http://orbis.test', fetch }).call('health.live'));
    expect(error).to.include({ code: 'not-reached' });
  });

  it('follows a list to its end', async () => {
    const pages: Record<string, { items: number[]; next: string | null }> = {
      first: { items: [1, 2], next: 'b' },
      b: { items: [], next: 'c' },
      c: { items: [3], next: null },
    };
    const all: number[] = [];
    for await (const item of everyItem((after) => Promise.resolve(pages[after ?? 'first']!))) all.push(item);
    expect(all).to.deep.equal([1, 2, 3]);
  });
});

describe('the table of routes', () => {
  it('has for every route a summary, errors of the catalogue, and parameters that its path names', () => {
    for (const [name, route] of Object.entries(routes)) {
      expect(route.summary, name).to.have.length.greaterThan(5);
      for (const code of route.errors) expect(catalogue, name).to.have.property(code);
      const named = [...route.path.matchAll(/:([a-z]+)/g)].map((found) => found[1]!);
      expect('params' in route && route.params ? Object.keys(route.params.shape) : [], name).to.deep.equal(
        named,
      );
      expect(
        Boolean(
          route.method !== 'get' &&
          route.method !== 'delete' &&
          'params' in route &&
          'body' in route &&
          route.statuses[0] === 200 &&
          (route.method === 'patch' || route.method === 'put'),
        ) && !route.ifMatch,
        `${name} can be changed without naming a state`,
      ).to.equal(false);
    }
  });
});

describe('the catalogue of errors', () => {
  it('says each error in a whole sentence, with what arrived', () => {
    for (const [code, facts] of [
      ['not-found', { what: 'embed', key: 'x' }],
      ['option-unknown', { found: 'stat', near: 'start', known: 'start, end' }],
      ['value-invalid', { found: 'soon', option: 'start', expected: 'a time' }],
      ['in-use', { what: 'site', key: 'x', by: 'it has 2 pages' }],
    ] as const) {
      const error = new OrbisError(code, facts);
      expect(error.message).to.match(/^[A-Z“].*\.$/);
      expect(error.status).to.equal(catalogue[code].status);
    }
  });
});
