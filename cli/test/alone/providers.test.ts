import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { builtInSheets } from '@orbis/sheets';
import { run } from '../support.ts';

const written = `# A provider that exists here only.
id: ownreel
name: Ownreel
version: 3
kind: video
hosts: [ownreel.localhost]
links: []
frames:
  - hostname: ownreel.localhost
    pathname: /show/:id
code: { address: '{scheme}://ownreel.localhost/show/{id}', width: 640, height: 360, title: Ownreel, allow: [] }
settings:
  end: { in: query, name: stop, format: seconds }
  start: { in: query, name: go, format: clock }
needs: {}
`;
const code = '<iframe src="https://ownreel.localhost/show/7" title="t"></iframe>';

describe('the command line without a service, with provider sheets', () => {
  let folder: string;
  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'orbis-sheets-'));
    writeFileSync(join(folder, 'ownreel.yaml'), written);
    writeFileSync(
      join(folder, 'kinorill.json'),
      JSON.stringify({
        ...builtInSheets().find(({ id }) => id === 'kinorill')!,
        name: 'Kinorill, as I know it',
        version: 9,
      }),
    );
  });
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('lists the sheets, and shows where each setting goes', async () => {
    const list = await run(['list', 'providers', '--built-in']);
    expect(list.exit).to.equal(0);
    for (const { id, name, kind } of builtInSheets())
      expect(list.out).to.match(new RegExp(`${id} +${name} +${kind} +\\d+ +built in `));
    expect((await run(['show', 'provider', 'slotsedge', '--built-in'])).out).to.match(
      /theme +theme=dark +data-look: room\.hour +in the JSON of an attribute of the element that its script fills/,
    );
    expect((await run(['show', 'provider', 'nobody', '--built-in'])).exit).to.equal(2);
    expect(
      JSON.parse((await run(['list', 'providers', '--built-in', '--json'])).out) as unknown[],
    ).to.have.length(builtInSheets().length);
  });

  it('takes sheets of a folder, which win over built-in ones', async () => {
    const list = await run(['list', 'providers', '--sheets', folder]);
    expect(list.out)
      .to.match(/ownreel +Ownreel +video +3 +your own +0 +end, start\n/)
      .and.include('Kinorill, as I know it');
    const read = await run(['read', '-', '--sheets', folder], { stdin: code });
    expect(read.out).to.include('ownreel, version 3');
    expect((await run(['read', '-'], { stdin: code })).out).not.to.include('ownreel, version');
    expect((await run(['read', '-', '--sheets', join(folder, 'nowhere')], { stdin: code })).exit).to.equal(2);
  });

  it('adjusts a code, in the order of the sheet, and names the sheet that it used', async () => {
    const { exit, out, err } = await run(['adjust', '-', 'start=1:52', 'end=3:04', '--sheets', folder], {
      stdin: code,
    });
    expect([exit, out]).to.deep.equal([0, code.replace('/7', '/7?stop=184&amp;go=1:52')]);
    expect(err)
      .to.match(/^Sheet ownreel, version 3\.\n/)
      .and.match(/start at 1:52/);
    const json = JSON.parse((await run(['adjust', '-', 'title=Seven', '--json'], { stdin: code })).out) as {
      sheet: unknown;
      text: string;
    };
    expect([json.sheet, json.text]).to.deep.equal([null, code.replace('"t"', '"Seven"')]);
    const refused = await run(['adjust', '-', 'zoom=3', '--sheets', folder], { stdin: code });
    expect([refused.exit, refused.out]).to.deep.equal([2, '']);
    expect(refused.err).to.include('Ownreel does not offer zoom.');
  });

  it('makes a code of a link with its time, and of an id alone', async () => {
    expect((await run(['adjust', 'https://kinorill.localhost/k/a7?at=1m52s', 'end=3:04'])).out).to.include(
      '/film/a7?from=112&amp;until=184"',
    );
    expect((await run(['adjust', 'stallmere:311', 'count=3'])).out)
      .to.include('data-shop="311"')
      .and.include('{ items: 3 }');
    expect((await run(['adjust', 'nobody:311', 'count=3'])).exit).to.equal(2);
    expect(
      (await run(['adjust', 'https://hollinfell.localhost/library/chart.pdf', 'page=3'])).out,
    ).to.include('src="https://hollinfell.localhost/library/chart.pdf#page=3"');
  });

  it('says of a file that is no sheet what is wrong, with line and column', async () => {
    const check = (text: string) => run(['check', '-'], { stdin: text });
    expect((await check(written)).out).to.equal('-: a sheet of ownreel\n');
    const wrong = await check(
      written.replace('kind: video', 'kind: vidio').replace('format: clock', 'format: sundial'),
    );
    expect(wrong.exit).to.equal(1);
    expect(wrong.out)
      .to.match(/^-:5:7: kind: /m)
      .and.match(/^-:14:\d+: settings\/start\/format: /m);
    expect((await check('id: x\n  name: [')).out).to.match(/^-:\d+:\d+: the whole: /);
    expect((await check(JSON.stringify({ ...builtInSheets()[0], color: 1 }))).out).to.include('color');
  });

  it('prints the JSON Schema of a sheet', async () => {
    const schema = JSON.parse((await run(['check', '--schema'])).out) as {
      $schema: string;
      $defs: { ProviderSheet: { properties: object } };
    };
    expect(schema.$schema).to.include('2020-12');
    expect(schema.$defs.ProviderSheet.properties).to.include.keys(
      'id',
      'hosts',
      'settings',
      'loaders',
      'mounts',
      'privacyHost',
    );
  });

  it('lists the settings that make sense for a kind, and those that a provider offers', async () => {
    expect((await run(['options', 'document'])).out)
      .to.match(/^page +page=3/m)
      .and.not.match(/^centre /m);
    expect((await run(['options', 'popplenook'])).out)
      .to.match(/^delay /m)
      .and.not.match(/^page /m);
    expect((await run(['options', 'nobody'])).exit).to.equal(2);
    expect((await run(['options'])).out).to.include(
      'Some providers have options of their own: Fennfeed, Formwold',
    );
    expect((await run(['options', 'fennfeed'])).out)
      .to.match(/^count +count=/m)
      .and.match(/^layout +layout=grid +How the posts stand/m);
    expect((await run(['show', 'provider', 'tallywren', '--built-in'])).out).to.match(
      /^counts +counts=visitors +tells/m,
    );
  });
});
