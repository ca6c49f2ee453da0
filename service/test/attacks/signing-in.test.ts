/*
 * A password could be guessed ten times in five minutes by each process and each address of the
 * many that one attacker has, and whoever did so locked its owner out; a reset left stolen tokens
 * alive; tokens never ended.
 */
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { createClient } from '@orbis/contract';
import { clearAttempts, countAttempt } from '../../src/store/attempts.ts';
import { networkOf } from '../../src/usecases/attempts.ts';
import { isCommon } from '../../src/usecases/passwords.ts';
import { cookieNames, sessionCookie } from '../../src/http/cookie.ts';
import { password, refusal, startTestOrbis, type TestOrbis } from '../support/orbis.ts';
import { until } from '../support/until.ts';

describe('attack: signing in', () => {
  let test: TestOrbis;
  beforeEach(async () => void (test = await startTestOrbis({ env: { ORBIS_TRUST_PROXY: '1' } })));
  afterEach(() => test.stop());

  /* As a browser does it, from some address; the proxy before us says which. */
  const post = (
    path: string,
    body: object,
    {
      from = '203.0.113.7',
      cookie,
      method = 'POST',
    }: { from?: string; cookie?: string; method?: string } = {},
  ): Promise<Response> =>
    fetch(`${test.url}/api/v1${path}`, {
      method,
      headers: {
        'content-type': 'application/json',
        'x-forwarded-for': from,
        ...(cookie === undefined ? {} : { cookie }),
      },
      ...(method === 'POST' ? { body: JSON.stringify(body) } : {}),
    });
  const attempt = async (word: string, from?: string, cookie?: string): Promise<Response> =>
    post('/session', { password: word }, { ...(from && { from }), ...(cookie && { cookie }) });
  const cookiesOf = (answer: Response): string =>
    answer.headers
      .getSetCookie()
      .map((cookie) => cookie.split(';')[0]!)
      .join('; ');

  /* Pauses are short at first: one that is over before a slow machine asks again is none. */
  const wornOut = async (from: (i: number) => string): Promise<void> => {
    let i = 0;
    await until(
      async () => Number((await attempt('no', from(i++ % 250))).headers.get('retry-after') ?? 0) >= 4,
    );
  };

  it('is slowed down more and more for a part of the network, and after a while for the account, in whichever process', async () => {
    const other = await test.another();
    const statuses: number[] = [];
    for (let i = 0; i < 10; i++) statuses.push((await attempt('no', `203.0.113.${i}`)).status);
    expect(statuses).to.deep.equal(Array.from({ length: 10 }, () => 401));
    await wornOut((i) => `203.0.113.${i}`);
    expect((await attempt(password, '203.0.113.99')).status, 'the same /24').to.equal(429);
    // Many networks together wear out the account's patience.
    await wornOut((i) => `198.51.${i}.1`);
    const refused = await refusal(other.client.call('session.create', { body: { password } }));
    await other.stop();
    expect(refused.code).to.equal('too-many-attempts');
  });

  it('by many at once counts as many', async () => {
    const statuses = await Promise.all(
      Array.from({ length: 30 }, () => attempt('no').then(({ status }) => status)),
    );
    expect(statuses.filter((status) => status === 401).length).to.be.at.most(10);
    expect(statuses.filter((status) => status === 429).length).to.be.at.least(20);
  });

  it('with the right password is never locked out by others, from a browser that signed in before', async () => {
    const cookie = cookiesOf(await attempt(password));
    expect(cookie).to.match(/orbis-device=/);
    const device = cookie.split('; ').find((part) => part.startsWith('orbis-device='))!;
    for (let i = 0; i < 45; i++) await attempt('no', `198.51.${i}.1`);
    expect((await attempt(password, '192.0.2.1')).status, 'a browser that nobody knows').to.equal(429);
    expect((await attempt(password, '192.0.2.1', device)).status).to.equal(200);
    const guesses = await Promise.all(
      Array.from({ length: 20 }, () => attempt('no', '192.0.2.1', device).then(({ status }) => status)),
    );
    expect(guesses.filter((status) => status === 401).length, 'and counts for itself').to.be.at.most(10);
  });

  it('with one-time links has a counter of its own', async () => {
    const statuses: number[] = [];
    for (let i = 0; i < 12; i++)
      statuses.push((await post('/session/link', { secret: 'x'.repeat(43) })).status);
    expect(statuses[9]).to.not.equal(429);
    expect(statuses.slice(10)).to.include(429);
    expect((await attempt(password)).status).to.equal(200);
  });

  it('pauses grow, end, and are forgotten after a day', async () => {
    const { db } = test.orbis.connection;
    const scope = [{ name: 'test', free: 3, longest: 60 }];
    let now = new Date('2026-11-26T10:00:00.000Z');
    const count = (): Promise<number | null> => db.transaction((tx) => countAttempt(tx, scope, now));
    const pauses: number[] = [];
    for (let i = 0; i < 12; i++) {
      const seconds = await count();
      if (seconds === null) continue;
      pauses.push(seconds);
      now = new Date(now.getTime() + seconds * 1000);
    }
    expect(pauses).to.deep.equal([1, 2, 4, 8, 16]);
    now = new Date(now.getTime() + 25 * 3_600_000);
    for (let i = 0; i < 3; i++) expect(await count()).to.equal(null);
    await clearAttempts(db, scope, now);
    expect(await count()).to.equal(null);
  });

  it('is not slowed down by another one that began a moment later and was counted first', async () => {
    const { db } = test.orbis.connection;
    const scope = [{ name: 'test', free: 10, longest: 60 }];
    const now = new Date('2026-11-26T10:00:00.000Z');
    const later = new Date(now.getTime() + 5);
    expect(await db.transaction((tx) => countAttempt(tx, scope, later))).to.equal(null);
    expect(await db.transaction((tx) => countAttempt(tx, scope, now))).to.equal(null);
  });

  it('knows the parts of the network', () => {
    for (const [address, network] of [
      ['203.0.113.77', '203.0.113.0/24'],
      ['::ffff:203.0.113.77', '203.0.113.0/24'],
      ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
      ['', 'unknown'],
      ['nonsense', 'unknown'],
    ])
      expect(networkOf(address!), address).to.equal(network);
  });

  it('a reset ends every session and token, and says how many', async () => {
    const cookie = cookiesOf(await attempt(password));
    await attempt(password);
    const secret = new URL(await test.orbis.link('password')).hash.slice(1);
    const reset = await post('/password', { secret, password: 'a short sentence of my own' });
    expect(((await reset.json()) as { ended: object }).ended).to.deep.equal({ sessions: 3, tokens: 1 });
    for (const headers of [{ cookie }, { authorization: `Bearer ${test.token}` }] as Record<string, string>[])
      expect((await fetch(`${test.url}/api/v1/embeds`, { headers })).status).to.equal(401);
    expect(
      (await fetch(`${test.url}/api/v1/embeds`, { headers: { cookie: cookiesOf(reset) } })).status,
    ).to.equal(200);
    expect((await attempt(password)).status).to.equal(401);
  });

  it('takes no password that is short or in common use, and asks for nothing else of one', async () => {
    const secret = new URL(await test.orbis.link('password')).hash.slice(1);
    for (const [word, code] of [
      ['eleven char', 'password-weak'],
      ['password1234', 'password-common'],
      ['PassWord1234', 'password-common'],
      ['aaaaaaaaaaaaaaaa', 'password-common'],
      ['abababababababab', 'password-common'],
    ] as const)
      expect((await (await post('/password', { secret, password: word })).json()) as object, word).to.include(
        { code },
      );
    expect(isCommon('seven owls over the fell')).to.equal(false);
    expect((await post('/password', { secret, password: 'owls owls owls' })).status).to.equal(200);
  });

  it('changes a password only with the one of now, and ends all other sessions', async () => {
    const [here, there] = [cookiesOf(await attempt(password)), cookiesOf(await attempt(password))];
    const change = (current: string, word: string): Promise<Response> =>
      post('/password/changes', { current, password: word }, { cookie: here });
    expect((await change('wrong', 'a short sentence of my own')).status).to.equal(401);
    expect((await change(password, 'short')).status).to.equal(422);
    const done = await change(password, 'a short sentence of my own');
    expect([done.status, await done.json()]).to.deep.equal([200, { sessions: 2, tokens: 0 }]);
    expect((await fetch(`${test.url}/api/v1/embeds`, { headers: { cookie: here } })).status).to.equal(200);
    expect((await fetch(`${test.url}/api/v1/embeds`, { headers: { cookie: there } })).status).to.equal(401);
  });

  it('makes tokens only with the password given again; they end, and can be limited to reading', async () => {
    expect(
      (
        await refusal(
          test.client.call('tokens.create', { body: { name: 'x', password: 'wrong wrong wrong' } }),
        )
      ).code,
    ).to.equal('wrong-password');
    const { data } = await test.client.call('tokens.create', {
      body: { name: 'reads', password, access: 'read', days: 1 },
    });
    expect(new Date(data.expiresAt).getTime() - Date.now()).to.be.within(86_000_000, 86_400_000);
    const reading = createClient({ url: test.url, headers: { authorization: `Bearer ${data.token}` } });
    expect((await reading.call('embeds.list')).status).to.equal(200);
    expect((await reading.call('readings.create', { body: { text: 'words' } })).status).to.equal(200);
    for (const refused of [
      reading.call('sites.create', { body: { key: 'a', name: 'A', address: 'http://a.localhost' } }),
      reading.call('embeds.create', { body: { text: '<p>x</p>' } }),
      reading.call('tokens.delete', { params: { token: data.id } }),
      reading.call('sessions.end'),
      reading.call('sweeps.create', { body: {} }),
    ])
      expect((await refusal(refused)).code).to.equal('token-read-only');
    const [row] = (await test.client.call('tokens.list')).data.items;
    expect(row).to.deep.include({ name: 'reads', access: 'read', lastUsedFrom: '127.0.0.1' });
    await test.orbis.connection.db.execute(
      sql`update token set expires_at = utc_timestamp(3) - interval 1 second where public_id = ${data.id}`,
    );
    expect((await refusal(reading.call('embeds.list'))).code).to.equal('token-unknown');
  });

  it('lists sessions, ends one, and all; they end by themselves when they are not used, and in any case', async () => {
    const [one, two] = [cookiesOf(await attempt(password)), cookiesOf(await attempt(password, '192.0.2.9'))];
    const list = async (cookie: string) =>
      (
        (await (
          await fetch(`${test.url}/api/v1/sessions`, { headers: { cookie, 'x-forwarded-for': '192.0.2.9' } })
        ).json()) as {
          items: { id: string; current: boolean; address: string }[];
        }
      ).items;
    const sessions = await list(two);
    expect(sessions.map(({ current }) => current)).to.deep.equal([true, false, false]);
    expect(sessions[0]).to.include({ address: '192.0.2.9', browser: 'Another program' });
    const works = async (cookie: string): Promise<boolean> =>
      (await fetch(`${test.url}/api/v1/embeds`, { headers: { cookie } })).status === 200;
    expect(
      (await post(`/sessions/${sessions[1]!.id}`, {}, { method: 'DELETE', cookie: two })).status,
    ).to.equal(204);
    expect([await works(one), await works(two)]).to.deep.equal([false, true]);

    const { db } = test.orbis.connection;
    await db.execute(sql`update session set used_at = utc_timestamp(3) - interval 169 hour`);
    expect(await works(two), 'not used for a week').to.equal(false);
    const three = cookiesOf(await attempt(password));
    await db.execute(sql`update session set expires_at = utc_timestamp(3) - interval 1 second`);
    expect(await works(three), 'over').to.equal(false);
    const four = cookiesOf(await attempt(password));
    const end = await post('/sessions', {}, { method: 'DELETE', cookie: four });
    expect(await end.json()).to.deep.equal({ sessions: 1, tokens: 0 });
    expect(await works(four)).to.equal(false);
  });

  it('anew ends the session that it replaces', async () => {
    const first = cookiesOf(await attempt(password));
    const second = cookiesOf(await attempt(password, undefined, first));
    const works = async (cookie: string): Promise<boolean> =>
      (await fetch(`${test.url}/api/v1/embeds`, { headers: { cookie } })).status === 200;
    expect([await works(first), await works(second)]).to.deep.equal([false, true]);
  });

  it('under https has a cookie that no other host can set', () => {
    expect(cookieNames({ console: 'https://orbis.example' }).session).to.equal('__Host-orbis');
    expect(sessionCookie({ secret: 's', expiresAt: new Date(0) }, { console: 'https://orbis.example' }))
      .to.match(/^__Host-orbis=s;/)
      .and.include('Secure')
      .and.include('Path=/')
      .and.not.include('Domain');
  });
});

describe('a proxy that Orbis was not told of', () => {
  it('is spoken of once in the log', async () => {
    const test = await startTestOrbis();
    for (let i = 0; i < 3; i++)
      await fetch(`${test.url}/api/v1/health/live`, { headers: { 'x-forwarded-for': '203.0.113.7' } });
    await test.stop();
    expect(test.log.filter((line) => line.includes('ORBIS_TRUST_PROXY'))).to.have.length(1);
  });
});
