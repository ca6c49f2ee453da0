/* Who works with Orbis, on the command line: invited, changed, removed; and what each of them is shown. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { createClient } from '@orbis/contract';
import { declareSite, password, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { byRight } from '../src/needs.ts';
import { everyCommand } from '../src/grammar.ts';
import { makeProgram } from '../src/program.ts';
import { run, typedAt, type Ran } from './support.ts';

describe('the command line, of people', () => {
  let test: TestOrbis;
  let config: string;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    config = mkdtempSync(join(tmpdir(), 'orbis-test-'));
  });
  after(async () => {
    await test.stop();
    rmSync(config, { recursive: true, force: true });
  });

  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  /* Where somebody signs in with “orbis login”. */
  const env = () => ({ XDG_CONFIG_HOME: config });
  const accept = async (link: string): Promise<void> =>
    void (await createClient({ url: test.url }).call('password.set', {
      body: { secret: new URL(link.trim()).hash.slice(1), password },
    }));

  it('invites somebody with a link, which is all that is printed', async () => {
    const asked = await orbis('add person "Ilse Varga" --role editor');
    expect(asked.out).to.match(/^http:\/\/orbis\.localhost:\d+\/set-password#[\w-]{43}\n$/);
    expect(asked.err).to.include('Ilse Varga is invited as editor of everything.').and.include('holds once');
    await accept(asked.out);
    const tam = await orbis('add person "Tam Orrin" --site hollinfell=placer');
    await accept(tam.out);
    const listed = await orbis('list people');
    expect(listed.out).to.match(/Tam Orrin +placer of hollinfell +signs in/);
    expect(listed.out).to.match(/Ilse Varga +editor of everything +signs in/);
    expect((await orbis('people list')).out).to.equal(listed.out);
  });

  it('says what is wrong with what was typed', async () => {
    expect((await orbis('add person Odd')).err).to.include('--role ROLE for everything, or --site SITE=ROLE');
    expect((await orbis('add person Odd --site hollinfell')).err).to.include('hollinfell=placer');
    expect((await orbis('add person Odd --site hollinfell=owner')).err).to.include(
      'There are reader, placer and editor.',
    );
    expect((await orbis('show person Nobody')).err).to.include('There are Tam Orrin, Ilse Varga and Tester.');
    const taken = await orbis('add person "tam orrin" --role reader');
    expect([taken.exit, taken.err]).to.deep.equal([
      4,
      'Somebody is called “tam orrin” already. Give another name; people sign in by it.\n',
    ]);
  });

  it('signs in by name, and then shows in its help what one may do', async () => {
    const nameless = await run(['login', test.url, '--password-stdin'], { stdin: password, env: env() });
    expect(nameless.exit).to.equal(2);
    expect(nameless.err).to.include('say your name as well').and.include('“--name” says it.');
    const signedIn = await run(['login', test.url, '--name', 'Tam Orrin', '--password-stdin'], {
      stdin: password,
      env: env(),
    });
    expect(signedIn.out).to.include(`Signed in to ${test.url} as Tam Orrin`);
    const help = await run(['--help'], { env: env() });
    expect(help.out)
      .to.match(/^ +tick /m)
      .and.not.match(/^ +collect /m);
    expect(help.out).to.match(/Not shown, as you are placer of hollinfell: .*collect/);
    const add = await run(['add', '--help'], { env: env() });
    expect(add.out)
      .to.match(/^ +token /m)
      .and.not.match(/^ +site /m);
    const refused = await run(['set', 'talk', 'loop=on'], { env: env() });
    expect(refused.exit).to.not.equal(0);
  });

  it('says who one is, what one may do, and whom to ask for the rest', async () => {
    const me = await run(['me'], { env: env() });
    expect(me.out)
      .to.match(/Name +Tam Orrin/)
      .and.match(/You are +placer of hollinfell/);
    expect(me.out)
      .to.match(/You may not +collect embeds/)
      .and.match(/Whom to ask +Tester/);
    const status = await run(['status'], { env: env() });
    expect([status.exit, status.out]).to.satisfy(
      ([exit, out]: [number, string]) => exit === 0 && out.includes('Tam Orrin, placer of hollinfell'),
    );
    const refused = await run(['collect', '-', '--name', 'X'], { stdin: '<b>x</b>', env: env() });
    expect(refused.exit).to.equal(4);
    expect(refused.err).to.match(/It takes an editor or an owner.*you are a placer of hollinfell/);
    expect(refused.err).to.include('“orbis me” says what you may do.');
  });

  it('changes what somebody may do, and keeps what was not named', async () => {
    const changed = await orbis('change person "Tam Orrin" --role reader --site hollinfell=editor');
    expect(changed.out).to.equal('Tam Orrin is reader of everything and editor of hollinfell from now on.\n');
    const less = await orbis('change person "Tam Orrin" --site hollinfell=none');
    expect(less.out).to.equal('Tam Orrin is reader of everything from now on.\n');
    await run(['me'], { env: env() });
    const kept = JSON.parse(readFileSync(join(config, 'orbis/login.json'), 'utf8')) as { rights: object };
    expect(kept.rights).to.deep.equal({ role: 'reader', sites: [] });
  });

  it('takes back what one did oneself, unless it is said otherwise', async () => {
    const made = await run(['login', test.url, '--name', 'Ilse Varga', '--password-stdin'], {
      stdin: password,
      env: env(),
    });
    expect(made.exit).to.equal(0);
    await run(['add', 'page', 'hollinfell/of-ilse', '--title', 'Hers'], { env: env() });
    await orbis('add page hollinfell/of-tester --title His');
    const undone = await run(['undo'], { env: env() });
    expect(undone.err).to.include('hollinfell/of-ilse');
    const others = await run(['undo', '--of-anybody', '--dry-run'], { env: env() });
    expect(others.out).to.include('hollinfell/of-tester');
    const listed = await orbis('list changes');
    expect(listed.out)
      .to.match(/of-tester +Tester +/)
      .and.match(/of-ilse +Ilse Varga +/);
  });

  it('says before it removes somebody what becomes of their work, and lets them come back', async () => {
    const said = await orbis('remove person "Ilse Varga" --dry-run');
    expect(said.out).to.match(
      /What Ilse Varga made stays, with their name: no embeds, no placements and 1 change\./,
    );
    expect(said.out).to.include('What lets them in ends:');
    const removed = await orbis('remove person "Ilse Varga"');
    expect(removed.out).to.include('Ilse Varga is removed.');
    expect((await run(['me'], { env: env() })).exit).to.equal(4);
    expect((await orbis('list people')).out).to.match(/Ilse Varga +editor of everything +removed/);
    const link = await orbis('people link "Ilse Varga" --days 1');
    await accept(link.out);
    expect((await orbis('show person "Ilse Varga"')).out).to.match(/State +signs in/);
    const last = await orbis('remove person Tester');
    expect([last.exit, last.err]).to.deep.equal([
      4,
      'Tester is the only owner who has a password. Make somebody else an owner first, or nobody could manage Orbis.\n',
    ]);
  });

  it('tells who did what, and whether the log is as it was written', async () => {
    const told = await orbis('audit --person "Tam Orrin" --outcome refused');
    expect(told.out).to.match(/Tam Orrin, by token .*refused: not-allowed/);
    const checked = await orbis('audit --check');
    expect(checked.out).to.match(/^The chain holds: \d+ entries are as they were written\.\n/);
    const end = /Its end: (\d+:[0-9a-f]{64})/.exec(checked.out)![1]!;
    expect((await orbis(`audit --check --noted ${end}`)).exit).to.equal(0);
    const file = join(config, 'audit.ndjson');
    await orbis(`audit --out ${file}`);
    const lines = readFileSync(file, 'utf8').trim().split('\n');
    expect(JSON.parse(lines[0]!)).to.include({ number: 1 });
    await test.orbis.connection.db.execute("update audit set who = 'Nobody' where number = 2");
    const broken = await orbis('audit --check');
    expect([broken.exit, broken.out.split('\n')[0]]).to.deep.equal([
      1,
      'Entry 2 is not as it was written: something in it was changed.',
    ]);
  });

  it('knows of every command that its help may leave out', () => {
    const program = makeProgram({ out: () => {}, err: () => {}, width: 100 }, () => Promise.resolve());
    const known = new Set(everyCommand(program).map(({ path }) => path));
    const wrong = Object.values(byRight)
      .flat()
      .filter((path) => !known.has(path));
    expect(wrong).to.deep.equal([]);
  });
});
