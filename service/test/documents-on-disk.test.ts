import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { documentsOnDisk } from '../src/frames/documents-on-disk.ts';

describe('documents on disk', () => {
  let folder: string;
  const told: string[] = [];
  const log = { warn: (_: unknown, message?: string) => void told.push(message ?? '') };
  beforeEach(() => {
    told.splice(0);
    folder = join(mkdtempSync(join(tmpdir(), 'orbis-test-')), 'frames');
  });
  afterEach(() => rmSync(join(folder, '..'), { recursive: true, force: true }));

  const page = (html: string) => ({
    html,
    policy: "default-src 'none'",
    features: ['camera'],
    sites: ['https://a.example'],
  });
  const fileOf = (id: string): string => join(folder, id.slice(0, 2), `${id}.json`);

  it('are there for the next process, as they were, and for nobody else of the machine', async () => {
    const first = documentsOnDisk(folder, { log });
    expect([await first.isEmpty(), await first.read('abcdefghij')]).to.deep.equal([true, null]);
    for (let at = 0; at < 50; at++) first.keep('abcdefghij', page(`<p>One ${at}`));
    first.keep('abcdefghij', page('<p>Two'));
    first.keep('abzzzzzzzz', { html: '<p>Plain', policy: 'p' });
    await first.settled();
    const next = documentsOnDisk(folder, { log });
    expect([await next.isEmpty(), await next.read('abcdefghij')]).to.deep.equal([false, page('<p>Two')]);
    expect(await next.read('abzzzzzzzz')).to.deep.include({ features: [], sites: [] });
    expect(statSync(fileOf('abcdefghij')).mode & 0o077).to.equal(0);
    expect(readdirSync(join(folder, 'ab')).sort()).to.deep.equal(['abcdefghij.json', 'abzzzzzzzz.json']);
    next.forget('abcdefghij');
    next.forget('never-there');
    await next.settled();
    expect([await next.read('abcdefghij'), told]).to.deep.equal([null, []]);
  });

  for (const [what, text] of [
    ['cut', '{"html":"<p>'],
    ['empty', ''],
    ['of something else', '{"html":1,"policy":"p","features":[],"site":null}'],
    ['no object', '[]'],
  ] as const)
    it(`are not there where the file is ${what}`, async () => {
      const disk = documentsOnDisk(folder, { log });
      disk.keep('abcdefghij', page('x'));
      await disk.settled();
      writeFileSync(fileOf('abcdefghij'), text);
      expect(await disk.read('abcdefghij')).to.equal(null);
    });

  it('go, the oldest first, where others need the room', async () => {
    const disk = documentsOnDisk(folder, { log, most: 20_000 });
    for (let at = 0; at < 40; at++) {
      disk.keep(`id${String(at).padStart(8, '0')}`, page('x'.repeat(900)));
      await disk.settled();
    }
    const left = readdirSync(join(folder, 'id'));
    expect(left.length).to.be.within(14, 24);
    expect(left).to.include('id00000039.json').and.not.include('id00000000.json');
  });

  it('are done without where the folder cannot be written, which is said once', async () => {
    writeFileSync(folder, 'a file in its place');
    const disk = documentsOnDisk(folder, { log });
    for (const id of ['aaaaaaaaaa', 'bbbbbbbbbb', 'cccccccccc']) disk.keep(id, page('x'));
    await disk.settled();
    disk.keep('dddddddddd', page('x'));
    await disk.settled();
    expect(told).to.have.length(1);
    expect([await disk.read('aaaaaaaaaa'), await disk.isEmpty()]).to.deep.equal([null, true]);
  });
});
