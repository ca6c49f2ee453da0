import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { run, type Ran } from './support.ts';

describe('the command line', () => {
  let test: TestOrbis;
  let folder: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    folder = mkdtempSync(join(tmpdir(), 'orbis-cli-'));
  });
  after(async () => {
    await test.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const ours = (args: string[], stdin?: string): Promise<Ran> =>
    run(args, {
      env: { ORBIS_URL: test.url, ORBIS_TOKEN: test.token },
      ...(stdin === undefined ? {} : { stdin }),
    });

  describe('with sheets that it keeps', () => {
    const write = (name: string, text: string): string => {
      const file = join(folder, name);
      writeFileSync(file, text);
      return file;
    };
    it('says which embeds would come out differently, saves it with --yes, and brings the built-in one back', async () => {
      expect(
        (await ours(['collect', write('clip.html', talkCode(test.world.port)), '--name', 'Sheet clip'])).exit,
      ).to.equal(0);
      const noted = ['--note', 'for the new layout'];
      expect((await ours(['set', 'sheet-clip', 'start=1:52', 'parameter.zest=7', ...noted])).exit).to.equal(
        0,
      );
      expect((await ours(['show', 'revision', 'sheet-clip', '2'])).out).to.match(/Why +for the new layout/);
      expect((await ours(['set', '--where', 'tag=x', 'loop=on', ...noted])).err).to.include('one embed');
      const exported = await ours(['show', 'provider', 'kinorill', '--as-written']);
      const file = write('kinorill.json', exported.out.replace('"name": "from"', '"name": "begin"'));
      const refused = await ours(['add', 'provider', file]);
      expect(refused.exit).to.equal(1);
      expect(refused.out)
        .to.include('sheet-clip')
        .and.include('from=112')
        .and.include('begin=112')
        .and.include('Nothing was saved');
      const saved = await ours(['add', 'provider', file, '--yes']);
      expect([saved.exit, saved.out]).to.deep.include(0);
      expect(saved.out).to.match(
        /Added kinorill, version 3\. It stands before the built-in one\. \d+ embeds? got a new revision\./,
      );
      const lasting = await ours(['undo']);
      expect([lasting.exit, lasting.out]).to.deep.equal([4, '']);
      expect(lasting.err).to.match(
        /^“Saved the sheet of kinorill” is not taken back by itself: .*“orbis list changes” shows what was done before it/,
      );
      expect((await ours(['list', 'providers'])).out).to.match(
        /kinorill +Kinorill +video +3 +your own, before the built-in one/,
      );
      expect((await ours(['explain', 'sheet-clip'])).out).to.include('begin=112&amp;zest=7');
      const kept = await ours(['remove', 'provider', 'kinorill']);
      expect([kept.exit, kept.err.includes('in use')]).to.deep.equal([4, true]);
      expect((await ours(['remove', 'provider', 'kinorill', '--yes'])).out).to.equal(
        'Removed; the built-in sheet of kinorill is used again.\n',
      );
      expect((await ours(['unset', 'sheet-clip', 'parameter.zest'])).exit).to.equal(0);
      expect((await ours(['explain', 'sheet-clip', '--json'])).out)
        .to.include('from=112')
        .and.not.include('zest');
    });
    it('makes a copy, and refuses what is no sheet before anything is done', async () => {
      expect((await ours(['copy', 'provider', 'tonebarn', 'moor-radio'])).out).to.include('Added moor-radio');
      expect((await ours(['show', 'provider', 'moor-radio'])).out).to.include(
        'moor-radio, version 3, your own',
      );
      const wrong = await ours([
        'add',
        'provider',
        write(
          'good.json',
          (await ours(['show', 'provider', 'moor-radio', '--as-written'])).out.replace(
            'moor-radio',
            'second',
          ),
        ),
        write('bad.yaml', 'id: x'),
      ]);
      expect([wrong.exit, wrong.err.includes('bad.yaml:1:1')]).to.deep.equal([2, true]);
      expect((await ours(['show', 'provider', 'second'])).exit).to.equal(2);
      expect((await ours(['remove', 'provider', 'moor-radio'])).exit).to.equal(0);
      expect((await ours(['remove', 'provider', 'mapmere'])).err).to.include('built in and stays');
    });
    it('has rules for all embeds', async () => {
      expect((await ours(['show', 'rules'])).out).to.match(/drop-tracking +off/);
      expect((await ours(['change', 'rules', 'drop-tracking=on'])).out).to.match(/drop-tracking +on/);
      expect((await ours(['change', 'rules', 'drop-tracking=maybe'])).exit).to.equal(2);
      expect(JSON.parse((await ours(['change', 'rules', 'drop-tracking=off', '--json'])).out)).to.deep.equal({
        dropTracking: false,
      });
    });
  });

  describe('with many embeds at once', () => {
    before(async () => {
      for (const id of ['g1', 'g2'])
        await ours([
          'collect',
          `http://kinorill.localhost:${test.world.port}/films/${id}`,
          '--ask-nobody',
          '--name',
          `Group ${id}`,
          '--tag',
          'group',
        ]);
      await ours(['collect', 'mapmere:tarn', '--name', 'Group map', '--tag', 'group']);
    });
    it('tries, refuses, changes and takes back', async () => {
      expect((await ours(['list', 'embeds', '--where', 'tag=group kind=video'])).out)
        .to.include('group-g1')
        .and.include('group-g2')
        .and.not.include('group-map');
      const wrong = await ours(['list', 'embeds', '--where', 'tag=group (kind=video']);
      expect([wrong.exit, wrong.err]).to.deep.equal([
        2,
        'Column 11 of the search: The bracket that opens here is never closed.\n',
      ]);
      const dry = await ours(['set', '--where', 'tag=group', 'privacy=on', '--dry-run']);
      expect(
        [
          dry.exit,
          dry.out.includes('2 embeds of 3 would be changed. Nothing was done. 1 embed cannot have it.'),
        ],
        dry.out,
      ).to.deep.equal([1, true]);
      expect(dry.out).to.include('group-map cannot have it\n  Mapmere does not offer privacy.');
      const refusedAll = await ours(['set', '--where', 'tag=group', 'privacy=on']);
      expect([refusedAll.exit, refusedAll.err.includes('group-map')]).to.deep.equal([4, true]);
      const done = await ours(['set', '--where', 'tag=group', 'privacy=on', '--skip-impossible']);
      expect(done.out).to.match(
        /2 embeds of 3 changed, as one change \([0-9a-z]{10}\)\. “orbis undo” takes it back\./,
      );
      expect((await ours(['list', 'changes'])).out).to.match(
        /Set options of 2 embeds \(tag=group\): privacy=on/,
      );
      const before = await ours(['undo', '--dry-run']);
      expect(before.out).to.equal('Would be taken back: Set options of 2 embeds (tag=group): privacy=on.\n');
      const undone = await ours(['undo']);
      expect([undone.exit, undone.err, undone.out]).to.deep.equal([
        0,
        'Taking back: Set options of 2 embeds (tag=group): privacy=on.\n',
        'Taken back.\n',
      ]);
      expect((await ours(['explain', 'group-g1'])).out).to.include('No edit');
      const [id] = /[0-9a-z]{10}(?=\))/.exec(done.out)!;
      expect((await ours(['undo', id])).err).to.match(/^This was taken back already, on /);
    });
    it('keeps options under a name, and puts them on one or on many', async () => {
      expect(
        (await ours(['add', 'preset', 'night', 'theme=dark', 'max-width=640', '--meaning', 'For dark pages']))
          .out,
      ).to.include('Added night.');
      expect((await ours(['list', 'presets'])).out)
        .to.match(/night +theme=dark max-width=640 +For dark pages\n/)
        .and.match(/silent-loop +autoplay=on muted=on loop=on controls=off fit=shape/);
      expect((await ours(['set', 'group-g1', '--preset', 'silent-loop', 'start=0:12'])).exit).to.equal(0);
      const { out } = await ours(['show', 'embed', 'group-g1', '--json']);
      expect((JSON.parse(out) as { current: unknown }).current).to.deep.include({
        options: { autoplay: true, muted: true, loop: true, controls: false, start: 12, fit: 'shape' },
      });
      expect(
        (await ours(['set', '--where', 'tag=group', '--preset', 'fills-its-place', '--dry-run'])).out,
      ).to.include('3 embeds of 3 would be changed');
      expect((await ours(['set', '--where', 'tag=group', '--preset', 'night', '--dry-run'])).exit).to.equal(
        1,
      );
      expect((await ours(['remove', 'preset', 'night'])).exit).to.equal(0);
      expect((await ours(['set', 'group-g1', '--preset', 'night'])).exit).to.equal(2);
    });
  });

  describe('with codes of many', () => {
    const count = async (): Promise<number> =>
      (JSON.parse((await ours(['list', 'embeds', '--where', 'tag=import', '--json'])).out) as unknown[])
        .length;
    it('takes them in from a folder, from CSV and from NDJSON, all or none', async () => {
      const codes = join(folder, 'codes');
      mkdirSync(codes);
      writeFileSync(
        join(codes, 'moor_road.html'),
        '<iframe src="https://mapmere.localhost/embed/map?zoom=3" title="Map"></iframe>',
      );
      writeFileSync(join(codes, 'second-talk.txt'), 'https://kinorill.localhost/films/a9');
      writeFileSync(join(codes, 'picture.bin'), 'x');
      const dry = await ours(['import', codes, '--tag', 'import', '--dry-run']);
      expect(dry.exit).to.equal(0);
      expect(dry.out)
        .to.match(/\n1 +moor road +taken in\n2 +second talk +taken in\n/)
        .and.include('2 codes would be taken in. Nothing was done.\n');
      expect(await count()).to.equal(0);
      expect((await ours(['import', codes, '--tag', 'import'])).out).to.equal('2 codes taken in.\n');
      expect((await ours(['list', 'embeds', '--where', 'tag=import'])).out)
        .to.include('moor-road')
        .and.include('second-talk');

      const csv = join(folder, 'codes.csv');
      writeFileSync(
        csv,
        '\ufeffName,Code,Tags,Note\r\n"A ""quoted"" name","<iframe src=""https://mapmere.localhost/embed/map?zoom=3"" title=""Map""></iframe>",import;moor,"two\r\nlines"\r\nNothing,hello there,import,\r\n',
      );
      const refused = await ours(['import', csv]);
      expect([refused.exit, refused.err]).to.deep.include(2);
      expect(refused.err)
        .to.include('One of them cannot be taken in: 2 (Nothing). Nothing was collected')
        .and.include('text without any code');
      expect(await count()).to.equal(2);
      const skipped = await ours(['import', csv, '--skip-refused']);
      expect([skipped.exit, skipped.out.includes('the same code as moor-road')], skipped.out).to.deep.equal([
        1,
        true,
      ]);
      expect(skipped.out).to.include(
        '1 code taken in, 1 of them with a code that is there already, 1 refused.',
      );
      const { out } = await ours(['show', 'embed', 'a-quoted-name', '--json']);
      expect(JSON.parse(out)).to.deep.include({
        name: 'A "quoted" name',
        tags: ['import', 'moor'],
        notes: 'two\r\nlines',
        provider: 'mapmere',
      });

      const lines = ['stallmere:9', '<video src="https://hollinfell.localhost/a.mp4" controls></video>']
        .map((code, n) => JSON.stringify({ name: 'Line', code, tags: ['import', String(n)] }))
        .join('\n');
      expect((await ours(['import', '-'], lines)).out).to.equal('2 codes taken in.\n');
      expect((await ours(['list', 'embeds', '--where', 'key=line,line-2'])).out)
        .to.include('shop')
        .and.include('video');
      const broken = await ours(['import', '-'], '{"name":"x"');
      expect([broken.exit, broken.err.includes('line 1 is no JSON')]).to.deep.equal([2, true]);
    });
  });
});
