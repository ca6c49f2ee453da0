/*
 * Whatever runs in a frame is somebody else's: it was told the secret host of a preview by the
 * referrer, could be asked for without end, showed names that are the owner's own, and an error of ours
 * said what it is made of.
 */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { tablesOfFrames } from '../../src/database/accounts.ts';
import { createFramesApp, type FramesDeps } from '../../src/frames/app.ts';
import { originsOf } from '../../src/origins.ts';
import { get } from '../support/get.ts';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../support/orbis.ts';

describe('attack: frames', () => {
  let test: TestOrbis;
  const servers: Server[] = [];
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());
  afterEach(() => {
    for (const server of servers.splice(0)) {
      server.closeAllConnections();
      server.close();
    }
  });

  /* The second origin with something else in it. */
  const frames = async (
    changes: Partial<FramesDeps>,
  ): Promise<{ at: (name: string, path?: string) => string; log: string[] }> => {
    const log: string[] = [];
    let port = 0;
    const origins = () =>
      originsOf({ publicUrl: undefined, framesUrl: undefined, port: 1, framesPort: port });
    const app = createFramesApp({
      connection: test.orbis.connection,
      origins,
      now: () => new Date(),
      log: pino({ level: 'info' }, { write: (line: string) => void log.push(line) }),
      trustProxy: 0,
      isCounted: false,
      ...changes,
    });
    const server = createServer(app.answer);
    servers.push(server);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    ({ port } = server.address() as AddressInfo);
    return { at: (name, path = '/') => `http://${name}.frames.localhost:${port}${path}`, log };
  };

  it('tell no provider the host of a preview', async () => {
    const { data } = await test.client.call('previews.create', { body: { text: talkCode(1) } });
    expect((await get(data.url)).headers['referrer-policy']).to.equal('no-referrer');
  });

  it('say nothing of the inside when something breaks', async () => {
    const { data: embed } = await test.client.call('embeds.create', {
      body: { name: 'Talk', text: talkCode(1) },
    });
    const { data: placement } = await test.client.call('placements.create', {
      body: { embed: embed.key, place: 'hollinfell/talks#opening' },
    });
    await test.client.call('placements.link', { params: { placement: placement.id } });
    const broken = {
      ...test.orbis.connection,
      during: () => Promise.reject(new Error('secret inside')),
    } as unknown as FramesDeps['connection'];
    const { at, log } = await frames({ connection: broken });
    const { status, headers, body } = await get(at(placement.id));
    expect([status, body]).to.deep.equal([500, 'This cannot be shown.\n']);
    expect(headers['content-security-policy']).to.equal("sandbox; default-src 'none'");
    expect(log.join('')).to.include('secret inside');
    expect((await get(at(placement.id, '/%E0%A4%A'))).status).to.be.oneOf([400, 404]);
  });

  it('answer 503 without their database', async () => {
    const away = {
      ...test.orbis.connection,
      during: () => Promise.reject(Object.assign(new Error('gone'), { code: 'ECONNREFUSED', fatal: true })),
    } as unknown as FramesDeps['connection'];
    const { at, log } = await frames({ connection: away });
    const { status, headers, body } = await get(at('0123456789'));
    expect([status, headers['retry-after'], body]).to.deep.equal([
      503,
      '2',
      'This cannot be shown at the moment.\n',
    ]);
    expect(log).to.deep.equal([]);
  });

  it('are asked for so often, and then for a minute not', async () => {
    const { at } = await frames({ perMinute: 5 });
    const statuses: number[] = [];
    for (let i = 0; i < 7; i++) statuses.push((await get(at('00000000000000000000'))).status);
    expect(statuses).to.deep.equal([404, 404, 404, 404, 404, 429, 429]);
  });

  it('can only be looked at', async () => {
    const { at } = await frames({});
    for (const method of ['POST', 'PUT', 'DELETE', 'OPTIONS'])
      expect((await get(at('0123456789'), { method })).status, method).to.equal(405);
  });

  it('take no origin from a host that could say more in a policy', async () => {
    for (const address of [
      'http://a,b.localhost',
      'http://a;script-src.localhost',
      'http://a b.localhost',
      "http://'self'",
    ]) {
      const refused = await test.client
        .call('sites.create', { body: { key: 'odd', name: 'Odd', address } })
        .catch((error: { code: string }) => error);
      expect(refused, address).to.include({ code: 'address-invalid' });
    }
    for (const address of [
      'ftp://a.localhost',
      'javascript:alert(1)',
      'file:///etc',
      '//a.localhost',
      'a.localhost',
    ]) {
      const refused = await test.client
        .call('sites.create', { body: { key: 'odd', name: 'Odd', address } })
        .catch((error: { code: string }) => error);
      expect(refused, address).to.include({ code: 'address-invalid' });
    }
  });

  it('serve what was issued, and read no code for it: of that they could see nothing', async () => {
    const { data: embed } = await test.client.call('embeds.create', {
      body: { name: 'Once', text: talkCode(1) },
    });
    await test.client.call('spots.create', { body: { key: 'hollinfell/talks#once' } });
    const { data: placement } = await test.client.call('placements.create', {
      body: { embed: embed.key, place: 'hollinfell/talks#once' },
    });
    await test.client.call('placements.link', { params: { placement: placement.id } });
    for (const table of ['source', 'revision', 'provider_sheet', 'rule'])
      expect(tablesOfFrames).not.to.include(table);
    const { db } = test.orbis.connection;
    const { at } = await frames({});
    await db.execute(
      sql`update source set base = 'broken' where embed_id = (select id from embed where \`key\` = ${embed.key})`,
    );
    expect(await get(at(placement.id))).to.deep.include({ status: 200 });
    await db.execute(
      sql`delete from served where placement_id = (select id from placement where public_id = ${placement.id})`,
    );
    // Another process, which has kept nothing.
    const other = await frames({});
    const { status, headers } = await get(other.at(placement.id));
    expect([status, headers['retry-after']], 'until its page is planned').to.deep.equal([503, '1']);
  });
});
