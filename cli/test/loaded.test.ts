import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { runProgram } from '@orbis/cli';
import { run, typedAt, type Ran } from './support.ts';

const sky = fileURLToPath(new URL('../../demo/assets/sky.webm', import.meta.url));

describe('the command line, with what embeds load', () => {
  let test: TestOrbis;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  const fault = (name: string | null) =>
    fetch(`http://127.0.0.1:${test.world.port}/faults/kinorill`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ fault: name }),
    });
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
  });
  after(() => test.stop());

  it('says where there is nothing, with the way to have something', async () => {
    expect((await orbis('list hosts')).out).to.include('“orbis ask” does.');
    expect((await orbis('list resources')).out).to.include('orbis ask');
    expect(await orbis('ask')).to.deep.include({
      exit: 0,
      out: 'Nothing that is placed loads anything from elsewhere.\n',
    });
  });

  it('asks, says what is wrong and where, and by which command to see it', async () => {
    const { client, world } = test;
    await client.call('embeds.create', { body: { name: 'Talk', text: talkCode(world.port) } });
    await client.call('placements.create', { body: { embed: 'talk', place: 'hollinfell/talks#opening' } });
    expect(await orbis('ask')).to.deep.include({ exit: 0, out: 'Asked for 1 address. All is well.\n' });
    const host = `play.kinorill.localhost:${world.port}`;
    expect((await orbis('list hosts')).out).to.match(
      new RegExp(`^${host} +1 address +– +\\d+ ms +100 % +\\d+ \\w+ \\d{4}, \\d\\d:\\d\\d$`, 'm'),
    );
    await fault('refuses-frames');
    const asked = await orbis(`ask ${host}`);
    expect([asked.exit, asked.out]).to.deep.equal([
      1,
      'Asked for 1 address. Something is wrong with one of them: “orbis attention” says what, “orbis list resources --state faulty” where.\n',
    ]);
    const attention = await orbis('attention');
    expect(attention.out)
      .to.match(new RegExp(`^error Refuses to be framed from ${host} \\w{10} new$`, 'm'))
      .and.include(`orbis list resources --host ${host}`);
    const listed = await orbis(`list resources --host ${host}`);
    expect(listed.exit).to.equal(1);
    expect(listed.out).to.match(/^page in a frame +http:\S+ +talk +something is wrong /m);
    expect(JSON.parse((await orbis('list resources --state faulty --json')).out)).to.have.length(1);
    await fault(null);
    expect((await orbis('ask --embed talk')).exit).to.equal(0);
    expect((await orbis('list resources --state faulty')).out).to.equal('There is none that is so.\n');
  });

  it('names what it does not know', async () => {
    expect(await orbis('ask nobody.localhost')).to.deep.include({ exit: 2, out: '' });
    expect((await orbis('ask nobody.localhost')).err).to.include('There is no host “nobody.localhost”.');
    expect((await orbis('ask play.localhost --embed talk')).exit).to.equal(2);
  });
});

const program = (name: string, args: readonly string[]) =>
  runProgram(name, args, new AbortController().signal);

describe('orbis shrink', () => {
  let folder: string;
  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'orbis-shrink-'));
  });
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('makes a smaller film for a spot, which plays to its end, and leaves the other as it is', async () => {
    const [film, out] = [join(folder, 'film.mov'), join(folder, 'small.mp4')];
    await program('ffmpeg', [
      ...['-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=size=1280x720:rate=25:duration=4'],
      ...['-c:v', 'libx264', '-crf', '12', film],
    ]);
    const before = statSync(film);
    const { exit, out: said } = await run(['shrink', film, '--wide', '160', '--out', out]);
    expect(said).to.match(/small\.mp4: 240 × 136 px, \d+(?:\.\d)? kB instead of \d+(?:\.\d)? MB\.\n$/);
    expect(exit).to.equal(0);
    expect(statSync(film)).to.deep.include({ size: before.size, mtimeMs: before.mtimeMs });
    const probed = await program('ffprobe', [
      ...['-v', 'error', '-show_entries', 'format=duration:stream=codec_name,pix_fmt', '-of', 'json', out],
    ]);
    const { format, streams } = JSON.parse(probed.out) as {
      format: { duration: string };
      streams: { codec_name: string; pix_fmt?: string }[];
    };
    expect(Number(format.duration)).to.be.closeTo(4, 0.2);
    expect(streams[0]).to.deep.include({ codec_name: 'h264', pix_fmt: 'yuv420p' });
  });

  it('says where the film that comes of it is no smaller', async () => {
    const { exit, out } = await run(['shrink', sky, '--wide', '160', '--out', join(folder, 'sky.mp4')]);
    expect([exit, out.includes('which is no less than before: keep the one that you have.')]).to.deep.equal([
      ...[1, true],
    ]);
  });

  it('says what is no film, and does not write over the film that it reads', async () => {
    const text = join(folder, '-i.txt');
    writeFileSync(text, 'no film');
    const none = await run(['shrink', text]);
    expect([none.exit, none.out]).to.deep.equal([2, '']);
    expect(none.err).to.include('ffprobe could not do it');
    expect((await run(['shrink', sky, '--out', sky])).err).to.include('another name');
    writeFileSync(join(folder, 'there.mp4'), 'something of mine');
    const refused = await run(['shrink', sky, '--out', join(folder, 'there.mp4')]);
    expect([refused.exit, refused.err.includes('exists')]).to.deep.equal([2, true]);
    expect(readFileSync(join(folder, 'there.mp4'), 'utf8')).to.equal('something of mine');
  });
});
