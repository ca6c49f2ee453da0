/* Second factors: codes of an app, recovery codes, what is demanded of everybody, and what passkeys are
   refused for. With a device they are tried in the console. */
import { expect } from 'chai';
import mysql from 'mysql2/promise';
import { createClient } from '@orbis/contract';
import { otpauthAddress, stepOf } from '../src/usecases/time-codes.ts';
import { passkeyHost } from '../src/usecases/passkey-host.ts';
import { browserSession, type BrowserSession } from './support/browser-session.ts';
import { codeOf } from './support/calls.ts';
import { join } from './support/people.ts';
import { password, refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { timeCode } from './support/time-code.ts';

const half = 30_000;

describe('codes of an app', () => {
  /* RFC 6238, appendix B, in six digits. */
  const seed = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
  for (const [second, code] of [
    [59, '287082'],
    [1_111_111_109, '081804'],
    [1_111_111_111, '050471'],
    [1_234_567_890, '005924'],
    [2_000_000_000, '279037'],
    [20_000_000_000, '353130'],
  ] as const)
    it(`are those of RFC 6238 after ${second} seconds`, () => {
      const at = new Date(second * 1000);
      const step = Math.floor(second / 30);
      expect(stepOf(seed, code, at)).to.equal(step);
      expect(timeCode(seed, at.getTime()), 'as the tests work them out').to.equal(code);
      expect(stepOf(seed, `${code.slice(0, 3)} ${code.slice(3)}`, at), 'with a gap').to.equal(step);
      expect(stepOf(seed, code, new Date(at.getTime() + half)), 'a clock that is late').to.equal(step);
      expect(stepOf(seed, code, new Date(at.getTime() - half)), 'a clock that is early').to.equal(step);
      expect(stepOf(seed, code, new Date(at.getTime() + 2 * half))).to.equal(null);
      expect(stepOf(seed, code, new Date(at.getTime() - 2 * half))).to.equal(null);
    });

  it('are set up by an address that says whose and of which Orbis they are', () => {
    expect(otpauthAddress(seed, { name: 'Ilse Varga', host: 'orbis.example' })).to.equal(
      `otpauth://totp/Orbis%20(orbis.example):Ilse%20Varga?issuer=Orbis%20(orbis.example)&secret=${seed}&algorithm=SHA1&digits=6&period=30`,
    );
  });
});

describe('passkeys', () => {
  for (const [home, host] of [
    ['https://orbis.example', 'orbis.example'],
    ['http://orbis.localhost:7420', 'orbis.localhost'],
    ['http://localhost:7420', 'localhost'],
    ['http://orbis.example', null],
    ['https://192.0.2.7', null],
    ['https://[2001:db8::7]', null],
    ['http://127.0.0.1:7420', null],
  ] as const)
    it(`are ${host === null ? 'not ' : ''}possible at ${home}`, () => {
      expect(passkeyHost({ console: home })).to.equal(host);
    });
});

describe('second factors', () => {
  let test: TestOrbis;
  let secret: string;
  let recovery: string[];
  /* A browser in which Ilse signed in before she had a second factor. */
  let before_: BrowserSession;
  let ilse: { id: string };
  before(async () => {
    test = await startTestOrbis();
    ilse = await join(test, 'Ilse Varga', { role: 'editor' });
    before_ = browserSession(test.url);
    await before_.client.call('session.create', { body: { person: 'Ilse Varga', password } });
  });
  after(() => test.stop());

  const signIn = (code?: string, by = browserSession(test.url)) =>
    by.client.call('session.create', {
      body: { person: 'Ilse Varga', password, ...(code !== undefined && { code }) },
    });
  /* No code holds twice, and a test does not wait for the next one. */
  const forgetUsed = async (): Promise<void> => {
    const database = await mysql.createConnection(test.database);
    await database.query('update code_secret set last_step = 0');
    await database.query('delete from attempt');
    await database.end();
  };
  const now = (): string => timeCode(secret, Date.now());

  it('are set up with the password given again, and by a first code', async () => {
    const { client } = before_;
    expect(await codeOf(client.call('codes.begin', { body: { password: 'no' } }))).to.equal('wrong-password');
    expect(await codeOf(client.call('codes.confirm', { body: { code: '123456' } }))).to.equal(
      'codes-not-begun',
    );
    const { data: begun } = await client.call('codes.begin', { body: { password } });
    ({ secret } = begun);
    expect(begun.address).to.include(`secret=${secret}`);
    const wrong = now() === '000000' ? '000001' : '000000';
    expect(await codeOf(client.call('codes.confirm', { body: { code: wrong } }))).to.equal('wrong-code');
    await signIn();
    const { data } = await client.call('codes.confirm', { body: { code: now() } });
    expect(data.codesSince).to.be.a('string');
    recovery = data.recovery!;
    expect(recovery).to.have.length(10);
    expect(new Set(recovery).size).to.equal(10);
    for (const each of recovery)
      expect(each).to.match(/^[0-9a-hjkmnp-tv-z]{4}(?:-[0-9a-hjkmnp-tv-z]{4}){2}$/);
    expect(await codeOf(client.call('codes.begin', { body: { password } }))).to.equal('codes-set-up');
    const { data: told } = await test.client.call('people.read', { params: { person: ilse.id } });
    expect(told.secondFactor).to.equal(true);
  });

  it('are asked for beside the password, and each code holds once', async () => {
    await forgetUsed();
    const needed = await refusal(signIn());
    expect([needed.code, needed.problem.status]).to.deep.equal(['second-factor-needed', 401]);
    expect(needed.problem.facts).to.deep.include({ codes: true, passkeys: false });
    const code = now();
    expect((await signIn(code)).data.person?.name).to.equal('Ilse Varga');
    expect(await codeOf(signIn(code))).to.equal('wrong-code');
    expect(await codeOf(signIn(timeCode(secret, Date.now() - half))), 'one from before').to.equal(
      'wrong-code',
    );
  });

  it('are asked for by tokens as well', async () => {
    await forgetUsed();
    const stranger = createClient({ url: test.url });
    const body = { person: 'Ilse Varga', password, name: 'laptop' };
    expect(await codeOf(stranger.call('tokens.exchange', { body }))).to.equal('second-factor-needed');
    await stranger.call('tokens.exchange', { body: { ...body, code: now() } });
  });

  it('have recovery codes in their place, each once, however it is typed', async () => {
    await forgetUsed();
    const [first, second] = recovery;
    await signIn(first);
    expect(await codeOf(signIn(first))).to.equal('wrong-code');
    await signIn(` ${second!.toUpperCase().replaceAll('-', ' ')} `);
    const { data } = await before_.client.call('security.read');
    expect(data.recoveryCodes).to.equal(8);
    await forgetUsed();
    const { data: made } = await before_.client.call('recoveryCodes.create', { body: { password } });
    expect(await codeOf(signIn(recovery[3]))).to.equal('wrong-code');
    await signIn(made.codes[0]);
  });

  it('cannot be guessed: wrong codes are counted for their owner, wherever they come from', async () => {
    await forgetUsed();
    const codes: string[] = [];
    for (let n = 0; n < 12; n++) codes.push(await codeOf(signIn('zzzz-zzzz-zzzz')));
    expect(codes.slice(0, 5)).to.deep.equal(Array.from({ length: 5 }, () => 'wrong-code'));
    expect(codes.at(-1)).to.equal('too-many-attempts');
    await forgetUsed();
  });

  it('stay where a new password is set by a link, which does not sign in then', async () => {
    const { data } = await test.client.call('people.invite', { params: { person: ilse.id }, body: {} });
    const browser = browserSession(test.url);
    const body = { secret: new URL(data.link).hash.slice(1), password };
    const { data: set } = await browser.client.call('password.set', { body });
    expect(set.signedIn).to.equal(false);
    expect([...browser.cookies.keys()]).to.not.include('orbis');
    expect(await codeOf(browser.client.call('embeds.list', {}))).to.equal('not-signed-in');
    await signIn(now(), browser);
    expect((await browser.client.call('session.read')).data.signedIn).to.equal(true);
  });

  it('are demanded of everybody only by whoever has one', async () => {
    expect(await codeOf(test.client.call('security.demand', { body: { of: 'all' } }))).to.equal(
      'second-factor-own-first',
    );
  });

  it('that are demanded keep from all else who has none, with a session and with a token, until they set one up', async () => {
    const wren = await join(test, 'Wren Aldous', { role: 'reader' });
    const weak = browserSession(test.url);
    await weak.client.call('session.create', { body: { person: 'Wren Aldous', password } });
    const owner = browserSession(test.url);
    await owner.client.call('session.create', { body: { person: 'Tester', password } });
    const { data: begun } = await owner.client.call('codes.begin', { body: { password } });
    await owner.client.call('codes.confirm', { body: { code: timeCode(begun.secret, Date.now()) } });
    await owner.client.call('security.demand', { body: { of: 'all' } });

    for (const client of [weak.client, wren.client]) {
      const refused = await refusal(client.call('embeds.list', {}));
      expect([refused.code, refused.problem.status]).to.deep.equal(['second-factor-missing', 403]);
    }
    const { data: session } = await weak.client.call('session.read');
    expect(session.person?.mustSetUp).to.equal(true);
    const again = await browserSession(test.url).client.call('session.create', {
      body: { person: 'Wren Aldous', password },
    });
    expect(again.data.person?.mustSetUp).to.equal(true);

    const { data: hers } = await weak.client.call('codes.begin', { body: { password } });
    await weak.client.call('codes.confirm', { body: { code: timeCode(hers.secret, Date.now()) } });
    await weak.client.call('embeds.list', {});
    await wren.client.call('embeds.list', {});
    expect(await codeOf(weak.client.call('codes.remove', { body: { password } }))).to.equal(
      'second-factor-demanded',
    );
  });

  it('that are demanded end what was opened with the password alone by somebody who has one', async () => {
    const weak = browserSession(test.url);
    const database = await mysql.createConnection(test.database);
    await database.query(`update security set demanded_of = 'nobody'`);
    await forgetUsed();
    await signIn(now(), weak);
    await database.query('update session set with_factor = false');
    await weak.client.call('embeds.list', {});
    await database.query(`update security set demanded_of = 'all'`);
    await database.end();
    expect(await codeOf(weak.client.call('embeds.list', {}))).to.equal('not-signed-in');
  });

  it('are taken away by an owner from somebody who lost theirs, who is signed out everywhere', async () => {
    await test.client.call('security.demand', { body: { of: 'nobody' } });
    const browser = browserSession(test.url);
    await forgetUsed();
    await signIn(now(), browser);
    const { data } = await test.client.call('people.takeFactors', { params: { person: ilse.id } });
    expect(data).to.include({ codes: true, passkeys: 0 });
    expect(data.sessions).to.be.greaterThan(0);
    expect(await codeOf(browser.client.call('embeds.list', {}))).to.equal('not-signed-in');
    expect((await signIn()).data.signedIn).to.equal(true);
  });

  it('that are passkeys are refused where anything about them is not right', async () => {
    const owner = test.client;
    const { data: asked } = await owner.call('passkeys.begin', { body: { password } });
    expect(asked).to.deep.include({ rp: { name: 'Orbis', id: 'orbis.localhost' } });
    expect(asked['authenticatorSelection']).to.include({
      userVerification: 'required',
      residentKey: 'required',
    });
    for (const passkey of [
      {},
      {
        id: 'x',
        rawId: 'x',
        type: 'public-key',
        response: { clientDataJSON: 'e30', attestationObject: 'oA' },
      },
      { id: 7, response: [] },
    ])
      expect(await codeOf(owner.call('passkeys.create', { body: { name: 'Laptop', passkey } }))).to.equal(
        'passkey-refused',
      );
    const stranger = createClient({ url: test.url });
    const { data: question } = await stranger.call('session.ask', {});
    expect(question).to.include({ rpId: 'orbis.localhost', userVerification: 'required' });
    for (const passkey of [{}, { id: 'x' }, { id: 'x'.repeat(5000), response: 'no' }])
      expect(await codeOf(stranger.call('session.passkey', { body: { passkey } }))).to.equal(
        'passkey-refused',
      );
  });

  it('stand in the audit log, set up, refused, demanded and taken away', async () => {
    const { data } = await test.client.call('audit.list', { query: { limit: 200 } });
    const told = data.items.map(({ said }) => said);
    for (const sentence of [
      'Has codes of an app asked for at each sign-in',
      'Made new recovery codes',
      'Demanded a second factor of everybody',
      'Took away the passkeys and codes of Ilse Varga',
    ])
      expect(told).to.include(sentence);
    const refused = data.items
      .filter(({ outcome }) => outcome === 'refused')
      .map(({ act, why }) => `${act} ${why}`);
    expect(refused).to.include.members(['session.create wrong-code', 'session.create second-factor-needed']);
    expect(JSON.stringify(data)).to.not.include(secret);
  });
});
