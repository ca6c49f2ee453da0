import { expect } from 'chai';
import { readXml } from '@orbis/core';
import { startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { get } from './support/get.ts';

interface Entry {
  id: string;
  title: string;
  updated: string;
  published: string;
  author: { name: string };
}

describe('the feed of what was done', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    for (const name of ['One', 'Two & <three>'])
      await test.client.call('embeds.create', { body: { name, text: talkCode(1, name.slice(0, 3)) } });
  });
  after(() => test.stop());

  const address = (query = ''): string => `${test.url}/api/v1/changes.atom${query}`;
  const bearer = () => ({ authorization: `Bearer ${test.token}` });
  const basic = (password: string, name = 'reader') => ({
    authorization: `Basic ${Buffer.from(`${name}:${password}`).toString('base64')}`,
  });
  const ask = async (url: string, headers: Record<string, string> = {}) => {
    const { body: text, ...answer } = await get(url, { headers });
    return { ...answer, text };
  };
  const entriesIn = (text: string): Entry[] => {
    const { feed } = readXml(text, ['entry']) as { feed: { entry?: Entry[] } };
    return feed.entry ?? [];
  };

  it('has an entry for each change, the newest first, by whom and when', async () => {
    const { status, headers, text } = await ask(address(), bearer());
    expect([status, headers['content-type']]).to.deep.equal([200, 'application/atom+xml']);
    const entries = entriesIn(text);
    expect(entries.map(({ title }) => title)).to.deep.equal(['Collected two-and-three', 'Collected one']);
    const { data } = await test.client.call('changes.list', {});
    expect(entries.map(({ published }) => published)).to.deep.equal(
      data.items.map(({ createdAt }) => createdAt),
    );
    expect(entries[0]!.author.name).to.equal('Tester');
    expect((await ask(entries[0]!.id, bearer())).status).to.equal(200);
  });

  it('is read by a program that knows names and passwords alone, and by nobody without a token', async () => {
    const { data } = await test.client.call('tokens.create', {
      body: { name: 'reader', access: 'read', password: 'seven owls over the fell' },
    });
    expect((await ask(address(), basic(data.token))).status).to.equal(200);
    expect((await ask(address(), basic(data.token, ''))).status).to.equal(200);
    expect((await ask(address(), basic('orbis_nothing'))).status).to.equal(401);
    const refused = await ask(address());
    expect([refused.status, refused.headers['www-authenticate']]).to.deep.equal([
      401,
      'Basic realm="Orbis", charset="UTF-8", Bearer',
    ]);
  });

  it('lets nothing else be asked by a password, which browsers send by themselves', async () => {
    for (const path of ['/changes', '/embeds', '/register'])
      expect((await ask(`${test.url}/api/v1${path}`, basic(test.token))).status, path).to.equal(401);
    expect((await ask(`${test.url}/api/v1/embeds`)).headers['www-authenticate']).to.equal('Bearer');
  });

  it('is not sent again as long as nothing was done', async () => {
    const first = await ask(address(), bearer());
    const etag = String(first.headers['etag']);
    const again = await ask(address(), { ...bearer(), 'if-none-match': etag });
    expect([again.status, again.text]).to.deep.equal([304, '']);
    const { items } = (await test.client.call('changes.list', {})).data;
    await test.client.call('changes.undo', { params: { change: items[0]!.id }, body: {} });
    const changed = await ask(address(), { ...bearer(), 'if-none-match': etag });
    const [entry] = entriesIn(changed.text);
    expect([changed.status, entry!.title]).to.deep.equal([200, 'Taken back: Collected two-and-three']);
    expect(entry!.updated > entry!.published).to.equal(true);
  });

  it('goes on where it says so, to the first thing that was ever done', async () => {
    const found: string[] = [];
    for (let next: string | undefined = address('?limit=1'); next !== undefined;) {
      const { text } = await ask(next, bearer());
      found.push(...entriesIn(text).map(({ title }) => title));
      next = /<link rel="next" href="([^"]+)"/.exec(text)?.[1]?.replaceAll('&amp;', '&');
    }
    expect(found).to.deep.equal(['Taken back: Collected two-and-three', 'Collected one']);
  });
});
