import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { run, typedAt, type Ran } from './support.ts';

describe('the command line, with links and with providers that nobody knows', () => {
  let test: TestOrbis;
  let folder: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    folder = mkdtempSync(join(tmpdir(), 'orbis-links-'));
  });
  after(async () => {
    await test.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);
  const done = async (line: string, stdin?: string): Promise<string> => {
    const { exit, out, err } = await orbis(line, stdin);
    expect(exit, `${line}\n${out}${err}`).to.equal(0);
    return out;
  };

  it('learns a provider that nobody knows, asking what is not plain', async () => {
    const code = (id: string, query: string): string =>
      `<iframe src="http://gladewick.localhost:${test.world.port}/show/${id}${query}" width="720" height="405" title="${id}"></iframe>`;
    const samples = join(folder, 'samples');
    mkdirSync(samples);
    writeFileSync(join(samples, 'one.html'), code('red-torches', '?from=1&amp;hue=aa3355'));
    writeFileSync(join(samples, 'two.html'), code('comet-sketches', '?from=2'));
    const open = await orbis(`learn ${samples}`);
    expect(open.exit, open.err).to.equal(1);
    expect(open.out)
      .to.match(/hue +accent +“hue” says so/)
      .and.include('2 questions are open')
      .and.match(/ {2}from=start, end, /);
    expect((await orbis(`learn ${samples} from=muted`)).err).to.include('“from” cannot be “muted”');
    expect((await orbis(`learn ${join(samples, 'one.html')}`)).exit).to.equal(2);
    // Somebody at the terminal is asked line by line; an answer that does not fit is
    // asked for again at the end.
    const answers = ['document', 'page', 'from=zest', 'name=Gladewick slides', 'id=gladewick-slides', ''];
    const settled = await run(['learn', samples, '--sheet'], {
      env: { ORBIS_URL: test.url, ORBIS_TOKEN: test.token },
      answers,
    });
    expect([settled.exit, answers]).to.deep.equal([0, []]);
    expect(settled.err).to.include('“from” could be start').and.include('“from” cannot be “zest”');
    expect(settled.out)
      .to.match(/^id: gladewick-slides\nname: Gladewick slides\n/m)
      .and.match(/ {2}page:\n {4}in: query\n {4}name: from\n/);
    expect(await done(`learn ${samples} from=page kind=document --save`)).to.include(
      'Added gladewick, version 1.',
    );
    expect(
      await done('collect - --name "Red torches" page=2', code('red-torches', '?hue=aa3355')),
    ).to.include('document by Gladewick');
  });

  it('makes the providers of a list known, and says who answers', async () => {
    const list = join(folder, 'list.json');
    const of = (name: string, schemes: string[]) => ({
      provider_name: name,
      provider_url: `https://${name}.localhost/`,
      endpoints: [{ url: `https://${name}.localhost/oembed`, schemes }],
    });
    writeFileSync(
      list,
      JSON.stringify([of('moorreel', ['https://moorreel.localhost/watch/*']), of('tarncast', ['tarn:*'])]),
    );
    const first = await orbis(`add endpoints ${list}`);
    expect(first.exit).to.equal(1);
    expect(first.out)
      .to.include('not used 2 tarncast: tarn:*: only links with http and https are followed.')
      .and.include('2 providers in the list; 1 endpoint: 1 new. 1 thing in it cannot be used.');
    expect((await orbis(`add endpoints ${list}`)).out).to.include('1 endpoint: 0 new, 1 known already.');
    const answering = await done('list endpoints https://moorreel.localhost/watch/7');
    expect(answering).to.match(/moorreel +https:\/\/moorreel\.localhost\/oembed +json/);
    expect(await done(`remove endpoint ${/^([0-9a-z]{10}) /m.exec(answering)![1]}`)).to.include('Removed.');
    expect(await done('list endpoints')).to.include('Nobody.');
    // Sheets are taken by the same command, one or several.
    const sheet = (id: string) => ({
      id,
      name: id,
      version: 1,
      kind: 'video',
      hosts: [`${id}.localhost`],
      links: [],
      frames: [{ hostname: `${id}.localhost`, pathname: '/e/:id' }],
      code: { address: `https://${id}.localhost/e/{id}`, title: id, allow: [] },
      settings: {},
      needs: {},
    });
    writeFileSync(list, JSON.stringify([sheet('one-reel'), sheet('two-reel')]));
    expect(await done(`add provider ${list}`)).to.equal(
      'Added one-reel, version 1.\nAdded two-reel, version 1.\n',
    );
    writeFileSync(list, '[{"a": 1}]');
    expect((await orbis(`add endpoints ${list}`)).out).to.include(
      'not used 1 (no name): provider_name: it has no name.',
    );
    expect((await orbis(`add provider ${list}`)).err).to.match(
      /is a list, but not of sheets\. .*: orbis add endpoints \S+list\.json\n$/,
    );
    writeFileSync(list, '{"a": 1}');
    expect((await orbis(`add endpoints ${list}`)).exit).to.equal(2);
  });

  it('collects several links at once, from the line and from a file', async () => {
    const at = (host: string, path: string): string => `http://${host}.localhost:${test.world.port}${path}`;
    const { exit, out, err } = await orbis(
      `collect ${at('kinorill', '/films/tS9turning')} ${at('mapmere', '/maps/tarn')} --tag festival`,
    );
    expect([exit, out]).to.satisfy(
      ([status, text]: [number, string]) =>
        status === 0 && /the-tarn-where-the-festival-is +The tarn, where the festival is +http/.test(text),
      out + err,
    );
    expect(err.match(/^Asking /gm)).to.have.length(2);
    const list = join(folder, 'links.txt');
    writeFileSync(list, `${at('mapmere', '/maps/map')}\n${at('mapmere', '/maps/moor-road')}\n`);
    expect(JSON.parse(await done(`collect ${list} --ask-nobody --json`)))
      .to.have.property('taken')
      .with.length(2);
    for (const wrong of [`collect ${list} start=1:52`, `collect ${list} --name x`])
      expect((await orbis(wrong)).exit, wrong).to.equal(2);
    writeFileSync(list, `${at('mapmere', '/maps/map')}\n${at('mapmere', '/maps/nowhere')}\n`);
    expect((await orbis(`collect ${list}`)).err).to.include('One of them cannot be taken in');
    const some = await orbis(`collect ${list} --skip-refused`);
    expect([some.exit, some.out.includes('left out')]).to.deep.equal([1, true]);
    expect(await done(`collect ${at('kinorill', '/films/nB4moorNight')} --ask-nobody`)).to.include(
      'Collected as nb4moornight.',
    );
  });
});
