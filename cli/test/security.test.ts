/* Second factors on the command line: set up, asked for at signing in, demanded and taken away. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join as joined } from 'node:path';
import { expect } from 'chai';
import { join } from '../../service/test/support/people.ts';
import { password, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { timeCode } from '../../service/test/support/time-code.ts';
import { run, typedAt, type Ran } from './support.ts';

describe('the command line, of second factors', () => {
  let test: TestOrbis;
  let config: string;
  let secret: string;
  let recovery: string[];
  let ilse: (line: string, stdin?: string) => Promise<Ran>;
  before(async () => {
    test = await startTestOrbis();
    config = mkdtempSync(joined(tmpdir(), 'orbis-test-'));
    const { token } = await join(test, 'Ilse Varga', { role: 'editor' });
    ilse = typedAt({ url: test.url, token });
  });
  after(async () => {
    await test.stop();
    rmSync(config, { recursive: true, force: true });
  });

  const owner = (line: string): Promise<Ran> => typedAt(test)(line);
  const code = (): string => timeCode(secret, Date.now());
  /* No code holds twice, and a test does not wait for the next one. */
  const forgetUsed = async (): Promise<void> =>
    void (await test.orbis.connection.db.execute('update code_secret set last_step = 0'));

  it('sets up codes of an app, in two steps where nobody can be asked', async () => {
    expect((await ilse('security show')).out).to.match(/You sign in by +a password alone/);
    const begun = await ilse('security codes --password-stdin', password);
    expect(begun.err).to.include('orbis security codes --code CODE');
    [secret] = begun.out.split('\n') as [string];
    expect(begun.out).to.include(`otpauth://totp/Orbis%20(`);
    const done = await ilse(`security codes --code ${code()}`);
    expect(done.err).to.include('Each holds once').and.include('this once only');
    expect(done.out).to.include('From now on a code is asked for at each sign-in.');
    recovery = done.out.match(/^[0-9a-z]{4}-[0-9a-z]{4}-[0-9a-z]{4}$/gm)!;
    expect(recovery).to.have.length(10);
    expect((await ilse('security show')).out)
      .to.match(/You sign in by +a password with a code of an app/)
      .and.include('10 recovery codes are left.');
    const twice = await ilse('security codes --password-stdin', password);
    expect([twice.exit, twice.err]).to.deep.equal([
      4,
      'Codes of an app are asked for already. Have that ended first, and begin with another app then. “orbis security no-codes” ends that.\n',
    ]);
  });

  it('asks for a code at signing in, or takes it along', async () => {
    await forgetUsed();
    const args = ['login', test.url, '--name', 'Ilse Varga', '--password-stdin'];
    const env = { XDG_CONFIG_HOME: config };
    const needed = await run(args, { stdin: password, env });
    expect(needed.exit).to.equal(4);
    expect(needed.err).to.equal(
      'The password alone is not enough here. Give the code that your app shows, or a recovery code. “--code” says it.\n',
    );
    const wrong = await run([...args, '--code', '12'], { stdin: password, env });
    expect([wrong.exit, wrong.err.split('.')[0]]).to.deep.equal([
      4,
      'That code is not right, is too old, or was used already',
    ]);
    const asked = await run(args, { stdin: password, env, answers: [code()] });
    expect(asked.err).to.include('Code of your app, or a recovery code: ');
    expect(asked.out).to.include('as Ilse Varga');
    const taken = await run([...args, '--code', recovery[0]!], { stdin: password, env });
    expect(taken.exit).to.equal(0);
  });

  it('demands them of everybody, and says first who has none', async () => {
    expect((await ilse('security demand all')).exit).to.equal(4);
    expect((await owner('security demand some')).err).to.include('neither nobody nor all');
    const tried = await owner('security demand all --dry-run');
    expect(tried.out).to.equal(
      'A second factor is demanded of everybody. Whoever has none sets one up before they can do anything else. Tester has none yet: until they set one up they can do nothing else, and what their tokens are used for stands still.\n',
    );
    expect((await owner('security demand all')).err).to.include('You have no second factor yourself');
    expect((await owner('people list')).out).to.match(/Ilse Varga +editor of everything +signs in +yes/);
  });

  it('takes away those of somebody who lost them', async () => {
    const taken = await owner('people take-factors "Ilse Varga"');
    expect(taken.out).to.match(
      /^Ilse Varga signs in with a password alone now\. Taken away: codes of an app; signed out of \d browsers?\.\n$/,
    );
    expect((await ilse('security show')).out).to.match(/You sign in by +a password alone/);
    expect((await ilse('security forget Laptop')).err).to.equal(
      'You have no passkey “Laptop”. You have none.\n',
    );
    expect((await ilse('security recovery-codes --password-stdin', password)).err).to.include(
      '“orbis security codes” does.',
    );
  });
});
