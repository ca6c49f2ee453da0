import { expect } from 'chai';
import { builtInSheets } from '@orbis/sheets';
import { run } from '../support.ts';

/* Words with which each command reaches the service, or would; null for those that need none. */
const words: Record<string, string[] | null> = {
  'collect': ['-'],
  'harvest': ['http://hollinfell.localhost/visit'],
  'import': ['-'],
  'read': null,
  'adjust': null,
  'set': ['talk', 'loop=on'],
  'unset': ['talk', 'loop'],
  'edits': ['talk'],
  'plan': ['hollinfell/visit'],
  'site': ['hollinfell'],
  'options': null,
  'status': [],
  'open': ['talk'],
  'presets list': [],
  'presets save': ['clip', 'loop=on'],
  'presets remove': ['clip'],
  'undo': [],
  'add site': ['hollinfell', 'http://hollinfell.localhost'],
  'add page': ['hollinfell/visit'],
  'add spot': ['hollinfell/visit#main'],
  'remove': ['site', 'hollinfell'],
  'place': ['talk', 'hollinfell/visit#main'],
  'code': ['talk'],
  'sweep': [],
  'where': ['talk'],
  'list': [],
  'show': ['talk'],
  'change': ['talk', '--retire'],
  'renew': ['talk', '-'],
  'revisions': ['talk'],
  'compare': ['talk', '1', '2'],
  'bring-back': ['talk', '1'],
  'duplicate': ['talk', '--name', 'Copy'],
  'providers list': [],
  'providers show': ['kinorill'],
  'providers add': ['-'],
  'providers remove': ['kinorill'],
  'providers copy': ['kinorill', 'mine'],
  'providers export': ['kinorill'],
  'providers check': null,
  'providers learn': ['-', '-'],
  'providers import': ['-'],
  'providers endpoints': [],
  'providers forget': ['0123456789'],
  'providers schema': null,
  'rules': [],
  'login': ['http://127.0.0.1:1'],
  'logout': null,
  'password': null,
  'sessions list': [],
  'sessions end': ['0123456789'],
  'tokens list': [],
  'tokens make': ['laptop'],
  'tokens revoke': ['0123456789'],
};

const away = { ORBIS_URL: 'http://127.0.0.1:1', ORBIS_TOKEN: 'x' };
/* What they are given on standard input, where that is no code. */
const given: Record<string, string> = {
  'import': '{"name":"One","code":"<b>x</b>"}',
  'providers add': JSON.stringify(builtInSheets()[0]),
  'providers import': '[{"provider_name":"A","provider_url":"https://a.example","endpoints":[]}]',
};
const code = '<video controls src="https://a.example/x.webm">x</video>';

/* The commands that a help text lists. */
async function listedIn(path: readonly string[]): Promise<string[]> {
  const { out } = await run([...path, '--help']);
  const listed = out.split('\nCommands:\n')[1]?.split('\n\n')[0] ?? '';
  const names = [...listed.matchAll(/^ {2}([a-z-]+)/gm)]
    .map(([, name]) => name!)
    .filter((name) => name !== 'help');
  const inner = await Promise.all(names.map((name) => listedIn([...path, name])));
  return names.flatMap((name, i) =>
    inner[i]!.length > 0 ? inner[i]!.map((rest) => `${name} ${rest}`) : [name],
  );
}

describe('how commands end', function () {
  this.timeout(60_000);
  it('is told once for all of them in the help, with the environment', async () => {
    const { out, exit } = await run(['--help']);
    expect(exit).to.equal(0);
    expect(out)
      .to.match(/Exit status:\n {2}0 {2}done\n/)
      .and.match(/Environment:\n {2}ORBIS_URL {4}where/);
  });

  it('says once how to sign in, where nobody is and where the token is not known', async () => {
    const { wayOut } = await import('../../src/way-out.ts');
    expect(wayOut({ type: 'about:blank', code: 'not-signed-in' })).to.equal(null);
    expect(wayOut({ type: 'urn:orbis:error:token-unknown', code: 'token-unknown' })).to.equal(
      '“orbis login ADDRESS” does.',
    );
  });

  it('is held here for every command there is', async () => {
    expect((await listedIn([])).sort()).to.deep.equal(Object.keys(words).sort());
  });

  for (const [command, rest] of Object.entries(words)) {
    it(`is 0 for the help of “${command}”, 2 for a switch that nobody knows`, async () => {
      const help = await run([...command.split(' '), '--help']);
      expect([help.exit, help.out]).to.satisfy(
        ([exit, out]: [number, string]) => exit === 0 && out.includes('Usage'),
      );
      const wrong = await run([...command.split(' '), '--no-such-switch']);
      expect(wrong.exit).to.equal(2);
      expect(wrong.err).to.not.equal('');
      expect(wrong.out).to.equal('');
    });
    if (rest !== null)
      it(`is 3 for “${command}” where Orbis does not answer, and says so`, async () => {
        const { exit, err, out } = await run([...command.split(' '), ...rest], {
          env: away,
          stdin: given[command] ?? code,
        });
        expect([exit, out], err).to.deep.equal([3, '']);
        expect(err).to.include('http://127.0.0.1:1');
      });
  }
});
