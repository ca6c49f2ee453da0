import { expect } from 'chai';
import { password, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, on tokens, sessions and the password', () => {
  let test: TestOrbis;
  let orbis: (line: string, stdin?: string) => Promise<Ran>;
  before(async () => {
    test = await startTestOrbis();
    orbis = typedAt(test);
  });
  after(() => test.stop());

  it('makes a token that may only read, lists it, and revokes it', async () => {
    const made = await orbis(
      'add token "status board" --read-only --days 30 --password-stdin',
      `${password}\n`,
    );
    expect([made.exit, made.err]).to.deep.equal([0, '']);
    const token = made.out.trim();
    expect(token).to.match(/^orbis_[\w-]{43}$/);
    const reading = typedAt({ url: test.url, token });
    expect((await reading('list embeds')).exit).to.equal(0);
    const refused = await reading('add site hollinfell http://hollinfell.localhost');
    expect([refused.exit, refused.err]).to.deep.equal([
      4,
      'This token may only read. Use one that may change things as well. “orbis login ADDRESS” makes one.\n',
    ]);
    const listed = await orbis('list tokens');
    expect(listed.out).to.match(/status board +only reads +\d.* from 127\.0\.0\.1/);
    const { id } = (
      JSON.parse((await orbis('list tokens --json')).out) as { id: string; name: string }[]
    ).find(({ name }) => name === 'status board')!;
    expect((await orbis(`remove token ${id}`)).out).to.equal('The token is revoked.\n');
    expect((await reading('list embeds')).exit).to.equal(4);
  });

  it('says what is wrong with a number of days, and with a password', async () => {
    const days = await orbis('add token x --days soon --password-stdin', password);
    expect([days.exit, days.err]).to.deep.equal([
      2,
      '“soon” is not a number of days. Say a whole number from 1 to 3650.\n',
    ]);
    expect((await orbis('add token x --password-stdin', 'wrong wrong wrong')).exit).to.equal(4);
    const weak = await orbis('change password --password-stdin', `${password}\nshort\n`);
    expect([weak.exit, weak.err.split('\n')[0]]).to.deep.equal([
      2,
      'A password needs at least 12 characters; a short sentence is easy to remember.',
    ]);
  });

  it('lists sessions and ends them', async () => {
    expect((await orbis('list sessions')).out).to.match(/Another program/);
    expect((await orbis('remove session')).exit).to.equal(2);
    expect((await orbis('remove session 0000000000')).exit).to.equal(2);
    const done = await orbis('remove session --all');
    expect([done.exit, done.out]).to.deep.equal([0, 'Signed out everywhere: 1 session ended.\n']);
    expect((await orbis('list sessions')).out).to.equal('Nobody is signed in with a browser.\n');
  });

  it('changes the password', async () => {
    const done = await orbis('change password --password-stdin', `${password}\nanother sentence of mine\n`);
    expect([done.exit, done.out]).to.deep.equal([
      0,
      'The password is changed. 0 sessions and 0 tokens ended.\n',
    ]);
    expect(
      (await orbis('change password --password-stdin', `${password}\nyet another sentence\n`)).exit,
    ).to.equal(4);
  });
});
