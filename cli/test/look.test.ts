import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import sharp from 'sharp';
import type { Look } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { publishedWith } from '../../service/test/support/published.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with a browser that looks at a page', () => {
  let test: TestOrbis;
  const folder = mkdtempSync(join(tmpdir(), 'orbis-looks-'));
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
  });
  after(async () => {
    rmSync(folder, { recursive: true, force: true });
    await test.stop();
  });

  it('says what is placed, what shows, plays and loads, and writes the pictures', async () => {
    expect(await orbis('look hollinfell/talks --last')).to.deep.include({
      exit: 2,
      err: 'Nobody has looked at hollinfell/talks yet: leave --last out.\n',
    });
    const work = publishedWith(test);
    await work.collect('Talk', talkCode(test.world.port), { start: 112, fit: 'shape' });
    const id = await work.place('talk', 'opening');
    await work.publish((await work.delivered(id)).text);
    const ran = await orbis(`look hollinfell/talks --pictures ${folder}`);
    expect(ran.out).to.match(/^hollinfell\/talks as visitors saw it, /);
    expect(ran.out).to.match(
      /^Talk in hollinfell\/talks#opening\n {2}on +size +while it loads\n {2}phone +shows /m,
    );
    expect(ran.out).to.match(/^ {2}It played when it was pressed at 1:5\d\.$/m);
    expect(ran.out).to.match(/^play\.kinorill\.localhost:\d+ +\d+ +[\d.]+ \wB/m);
    expect(ran.exit, ran.out).to.equal(0);
    expect(readdirSync(folder).sort()).to.deep.equal(
      ['1280', '390', '768'].map((width) => `hollinfell-talks-${width}.webp`),
    );
    expect((await sharp(join(folder, 'hollinfell-talks-768.webp')).metadata()).width).to.equal(768);
    const last = JSON.parse((await orbis('look hollinfell/talks --last --json')).out) as Look;
    expect(last.placed[0]).to.deep.include({ placement: id, isThere: true, findings: [] });
  });

  it('ends with 1 where something is wrong, which wants attention with this command', async () => {
    const work = publishedWith(test);
    await work.collect(
      'Wide map',
      '<iframe src="about:blank" width="900" height="200" title="Map"></iframe>',
    );
    const id = await work.place('wide-map', 'opening');
    await work.publish((await work.delivered(id)).text);
    const ran = await orbis('look hollinfell/talks');
    expect(ran.exit).to.equal(1);
    expect(ran.out).to.include('It is not on the page.').and.include('error Visitors see nothing of it');
    const attention = await orbis('attention --rule shows-nothing');
    expect(attention.out).to.match(/^error Wide map in hollinfell\/talks#opening /m);
    expect(attention.out).to.include('orbis look hollinfell/talks');
  });

  it('refuses what goes not together, and a folder that is not there', async () => {
    expect((await orbis('look hollinfell/talks --last --send-forms')).exit).to.equal(2);
    const ran = await orbis('look hollinfell/talks --last --pictures /nowhere/at/all');
    expect([ran.exit, ran.err]).to.deep.equal([
      2,
      '/nowhere/at/all/hollinfell-talks-390.webp cannot be written (ENOENT). Name a folder that is there and is yours.\n',
    ]);
    expect((await orbis('look hollinfell/nothing')).exit).to.equal(2);
  });
});
