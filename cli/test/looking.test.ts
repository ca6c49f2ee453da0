import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import sharp from 'sharp';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('looking at an embed from the command line', () => {
  let test: TestOrbis;
  let folder: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    folder = mkdtempSync(join(tmpdir(), 'orbis-looking-'));
    await declareSite(test);
    await orbis('collect - --name Talk', talkCode(test.world.port));
    await orbis(
      'collect - --name Form',
      `<form action="http://formwold.localhost:${test.world.port}/in"><p>${'Stars. '.repeat(200)}</p><input name="mail"></form>`,
    );
    await orbis('place talk hollinfell/talks#opening');
  });
  after(async () => {
    await test.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);
  const at = (name: string): string => join(folder, name);

  it('writes a picture of it, and of one of its places', async () => {
    const { exit, out } = await orbis(`preview talk --width 390 --out ${at('phone.png')}`);
    expect(exit).to.equal(0);
    // Below a frame in a line is a gap, which an option takes away.
    expect(out).to.match(/phone\.png: talk in a window of 390 px, 3[12]\d px high\.\n$/);
    expect((await sharp(at('phone.png')).metadata()).width).to.equal(390);
    await orbis('set talk@hollinfell/talks#opening fit=shape');
    const placed = await orbis(`preview talk@hollinfell/talks#opening --width 320 --out ${at('talks.png')}`);
    expect(placed.out).to.include('180 px high');
  });

  it('writes a picture of it in a page of the site, and as it was pasted', async () => {
    const there = await orbis(
      `preview talk --on hollinfell/talks --after "How to find north" --out ${at('there.png')} --json`,
    );
    expect(JSON.parse(there.out)).to.deep.include({ width: 1280, troubles: [] });
    await orbis('set talk heading=Tonight');
    const heights = [];
    for (const pasted of ['--pasted', '']) {
      const { out } = await orbis(`preview talk ${pasted} --width 390 --out ${at('a.png')} --json`);
      heights.push((JSON.parse(out) as { height: number }).height);
    }
    expect(heights[0]).to.be.lessThan(heights[1]!);
    await orbis('unset talk heading');
  });

  it('writes a still in one type by its ending, in all without one', async () => {
    const one = await orbis(`still talk --at 0:04 --width 320 --out ${at('moor.webp')}`);
    expect(one.out).to.match(
      /moor\.webp \(\d+ kB\): 640 × 360 pixels, at 0:04\.\nPut it on your site, then: orbis set talk still=ADDRESS\/moor\.webp\n/,
    );
    const all = await orbis(`still talk --at 4 --width 320 --out ${at('moor')} --json`);
    const { files } = JSON.parse(all.out) as { files: { file: string }[] };
    expect(files.map(({ file }) => file)).to.deep.equal(
      ['.avif', '.webp', '.jpg'].map((ending) => at(`moor${ending}`)),
    );
    for (const name of ['moor.avif', 'moor.webp', 'moor.jpg'])
      expect((await sharp(readFileSync(at(name))).metadata()).width).to.equal(640);
  });

  it('puts a small one into the code, which waits then', async () => {
    const { exit, out, err } = await orbis('still talk --inside');
    expect([exit, err]).to.deep.equal([0, '']);
    expect(out).to.match(
      /^It stands in the code now, small and blurred\. Revision \d+ of talk\. 1 placement/,
    );
    const bare = await orbis('code talk --bare');
    expect(bare.out).to.include("background:url('data:image/webp;base64,").and.include('loading="lazy"');
  });

  it('keeps the room free that it measured, and says where nothing can be measured', async () => {
    const { exit, out } = await orbis('measure form');
    expect(exit).to.equal(0);
    expect(out).to.match(/^width +height\n320 px +\d+ px\n/);
    expect(out).to.match(/\nRevision 2 of form\. So much room/);
    const bare = await orbis('code form --bare --explain');
    expect(bare.out).to.match(/padding-bottom:max\(\d+px,calc\(\d+px - /);
    expect(bare.err.replace(/\s+/g, ' ')).to.match(
      /as high as it was measured at 5 widths, on \d{4}-\d{2}-\d{2}/,
    );
    const film = await orbis('measure talk --dry-run');
    expect([film.exit, film.out.replace(/\s+/g, ' ')]).to.satisfy(
      ([status, text]: [number, string]) => status === 1 && text.includes('no height of its own'),
    );
  });

  it('says what a visitor’s browser does for it, beside the code as it was pasted', async () => {
    await orbis('set talk load=click');
    const { out } = await orbis('weigh talk');
    // How long a page stood still differs, and with it where a line is folded.
    const lines = out
      .replace(/\n(?=[a-z\d])/g, ' ')
      .trim()
      .split('\n');
    expect(lines).to.have.length(3);
    expect(lines[0]).to.match(
      /^This embed: nobody else is asked for anything; after a click \d+ requests to 1 host, [\d.]+ [kM]B, .*no cookies\.$/,
    );
    expect(lines[1]).to.match(/^As it was pasted: \d+ requests to 1 host/);
    expect(lines[2]).to.equal(`Hosts: play.kinorill.localhost:${test.world.port}.`);
  });

  it('prints a code inline, or what goes into the head apart', async () => {
    await orbis('set talk max-width=700 max-width.phone=300');
    const apart = await orbis('code talk --bare --form apart');
    expect(apart.err).to.include('For the head of the page, once:\n<style>').and.include('max-width:300px');
    expect(apart.out).not.to.include('<style>');
    expect((await orbis('code talk --bare --form inline')).err).to.equal('');
  });

  it('takes the pictures of those that have none', async () => {
    expect((await orbis('picture talk')).out).to.equal('Took 1 picture.\n');
    const rest = await orbis('picture --missing --json');
    expect(JSON.parse(rest.out)).to.deep.equal({ taken: ['form'], refused: [] });
    expect((await orbis('picture --missing')).out).to.equal('Every embed has its picture.\n');
    const none = await orbis('collect - --name Nothing', '<div id="nothing"></div>');
    expect(none.exit).to.be.lessThan(2);
    const refused = await orbis('picture nothing');
    expect([refused.exit, refused.err]).to.satisfy(
      ([exit, err]: [number, string]) => exit === 1 && err.startsWith('nothing: The embed showed nothing'),
    );
    expect((await orbis('picture')).exit).to.equal(2);
  });

  for (const [line, why] of [
    ['preview talk --width 320 --out nowhere/a.png', /nowhere\/a\.png cannot be written \(ENOENT\)/],
    ['still talk', /Say where it goes: --out FILE, or --inside/],
    ['still talk --out moor.gif', /written as \.jpg, \.webp or \.avif, not as \.gif/],
    ['still talk --at noon --out moor.jpg', /“noon” is no time/],
    ['preview talk', /--out <file>/],
    ['preview talk --after x --out a.png', /name the page with --on/],
    ['preview talk --on hollinfell/talks --after x --before y --out a.png', /not both/],
    [
      'preview talk --on hollinfell/talks --after Nowhere --out a.png',
      /No heading or paragraph that begins with “Nowhere” is on hollinfell\/talks\. It has: “/,
    ],
    ['preview talk --on hollinfell/none --out a.png', /hollinfell\/none/],
    ['preview talk --width wide --out a.png', /should be a whole number/],
    ['preview talk --width 100 --out a.png', /“width”.*160/],
    ['code talk hollinfell/talks#opening --form apart', /--form is for --bare/],
  ] as const)
    it(`says what is wrong with “${line}”`, async () => {
      const { exit, err } = await orbis(line);
      expect(exit).to.equal(2);
      expect(err).to.match(why);
      expect(existsSync('a.png') || existsSync('moor.jpg')).to.equal(false);
    });
});
