import { expect } from 'chai';
import { builtInSheets } from '@orbis/sheets';
import { everyCommand } from '../../src/grammar.ts';
import { makeProgram } from '../../src/program.ts';
import { run } from '../support.ts';

/* Words with which each command reaches the service, or would; null for those that need none. */
const words: Record<string, string[] | null> = {
  'collect': ['-'],
  'harvest': ['http://hollinfell.localhost/visit'],
  'import': ['-'],
  'set': ['talk', 'loop=on'],
  'unset': ['talk', 'loop'],
  'explain': ['talk'],
  'renew': ['talk', '-'],
  'compare': ['talk', '1', '2'],
  'bring-back': ['talk', '1'],
  'place': ['talk', 'hollinfell/visit#main'],
  'code': ['talk'],
  'plan': ['hollinfell/visit'],
  'sweep': [],
  'attention': [],
  'ask': [],
  'look': ['fell/talks'],
  'shrink': null,
  'list hosts': [],
  'list resources': [],
  'events': [],
  'list channels': [],
  'list messages': [],
  'show channel': ['Tickets'],
  'show message': ['0123456789'],
  'add channel': ['Reader', '--feed'],
  'change channel': ['Tickets', '--pause'],
  'change message': ['0123456789', '--resend'],
  'remove channel': ['Tickets'],
  'inspect': ['hollinfell'],
  'history': ['hollinfell/visit'],
  'preview': ['talk', '--out', 'never.png'],
  'still': ['talk', '--inside'],
  'measure': ['talk'],
  'weigh': ['talk'],
  'permissions': ['talk'],
  'contacts': ['talk'],
  'picture': ['talk'],
  'areas': ['hollinfell/visit'],
  'where': ['talk'],
  'views': ['talk@hollinfell/visit#main'],
  'terms': [],
  'list embeds': [],
  'list revisions': ['talk'],
  'list presets': [],
  'list sites': [],
  'list changelists': [],
  'list pages': [],
  'list placements': [],
  'list sweeps': [],
  'list harvests': [],
  'list changes': [],
  'list providers': [],
  'list endpoints': [],
  'list people': [],
  'show person': ['Ilse'],
  'add person': ['Ilse', '--role', 'reader'],
  'change person': ['Ilse', '--role', 'reader'],
  'remove person': ['Ilse'],
  'people list': [],
  'people link': ['Ilse'],
  'people take-factors': ['Ilse'],
  'copies': [],
  'doctor': [],
  'security show': [],
  'security codes': ['--code', '123456'],
  'security no-codes': ['--password-stdin'],
  'security forget': ['Laptop', '--password-stdin'],
  'security recovery-codes': ['--password-stdin'],
  'security demand': ['all'],
  'me': [],
  'audit': [],
  'list sessions': [],
  'list tokens': [],
  'show embed': ['talk'],
  'show revision': ['talk', '1'],
  'show preset': ['clip'],
  'list searches': [],
  'list shared-spots': [],
  'show search': ['renew'],
  'add search': ['renew', 'state=live'],
  'change sweep': ['0123456789', '--pause'],
  'change search': ['renew', 'state=live'],
  'remove search': ['renew'],
  'show rules': [],
  'show site': ['hollinfell'],
  'show page': ['hollinfell/visit'],
  'show block': ['hollinfell/{footer}'],
  'show spot': ['hollinfell/visit#main'],
  'show shared-spot': ['hollinfell#main'],
  'show placement': ['0123456789'],
  'show sweep': ['0123456789'],
  'show finding': ['0123456789'],
  'change finding': ['0123456789', '--seen'],
  'show harvest': ['0123456789'],
  'show change': ['0123456789'],
  'show provider': ['kinorill'],
  'add preset': ['clip', 'loop=on'],
  'add site': ['hollinfell', 'http://hollinfell.localhost'],
  'add page': ['hollinfell/visit'],
  'add block': ['hollinfell/{footer}'],
  'add spot': ['hollinfell/visit#main'],
  'add shared-spot': ['hollinfell#main'],
  'add provider': ['-'],
  'add endpoints': ['-'],
  'add token': ['laptop'],
  'change embed': ['talk', '--retire'],
  'change preset': ['clip', 'loop=on'],
  'change rules': ['drop-tracking=on'],
  'change site': ['hollinfell', 'head=yes'],
  'change page': ['hollinfell/visit', '--title', 'Visit'],
  'add changelist': ['New colour', '--where', 'state=out-of-date'],
  'show changelist': ['0123456789'],
  'change changelist': ['0123456789'],
  'remove changelist': ['0123456789'],
  'tick': ['0123456789', 'hollinfell/talks'],
  'share': ['hollinfell/talks'],
  'change placement': ['0123456789', '--pause'],
  'change placements': ['--site', 'hollinfell', '--pause'],
  'change block': ['hollinfell/{footer}', '--before'],
  'change spot': ['hollinfell/visit#main', 'phone=300'],
  'change shared-spot': ['hollinfell#main', 'phone=300'],
  'change password': null,
  'remove preset': ['clip'],
  'remove site': ['hollinfell'],
  'remove page': ['hollinfell/visit'],
  'remove block': ['hollinfell/{footer}'],
  'remove spot': ['hollinfell/visit#main'],
  'remove shared-spot': ['hollinfell#main'],
  'remove placement': ['0123456789'],
  'remove provider': ['kinorill'],
  'remove endpoint': ['0123456789'],
  'remove session': ['0123456789'],
  'remove token': ['0123456789'],
  'copy embed': ['talk', '--name', 'Copy'],
  'copy provider': ['kinorill', 'mine'],
  'pages': ['hollinfell'],
  'colours': ['hollinfell'],
  'style': ['hollinfell'],
  'editor': ['hollinfell'],
  'head': ['hollinfell'],
  'export': [],
  'fill': ['docs/place.md'],
  'third-parties': [],
  'specimen': ['hollinfell'],
  'undo': [],
  'open': ['talk'],
  'status': [],
  'read': null,
  'adjust': null,
  'options': null,
  'check': null,
  'learn': ['-', '-'],
  'login': ['http://127.0.0.1:1'],
  'logout': null,
  'completion': null,
};

const away = { ORBIS_URL: 'http://127.0.0.1:1', ORBIS_TOKEN: 'x' };
/* What they are given on standard input, where that is no code. */
const given: Record<string, string> = {
  'import': '{"name":"One","code":"<b>x</b>"}',
  'add provider': JSON.stringify(builtInSheets()[0]),
  'add endpoints': '[{"provider_name":"A","provider_url":"https://a.example","endpoints":[]}]',
};
const code = '<video controls src="https://a.example/x.webm">x</video>';

describe('how commands end', () => {
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

  it('is held here for every command there is', () => {
    const program = makeProgram({ out: () => {}, err: () => {}, width: 100 }, () => Promise.resolve());
    const all = everyCommand(program).map(({ path }) => path);
    expect(all.sort()).to.deep.equal(Object.keys(words).sort());
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
