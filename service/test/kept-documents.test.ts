import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { expect } from 'chai';
import { DatabaseAway } from '../src/database/errors.ts';
import { keepDocuments, type KeptDocument } from '../src/frames/kept-documents.ts';
import type { NotServed } from '../src/frames/served.ts';

type Found = { html: string; policy: string } | NotServed | null;

/* What a database says, which can be away, and a clock that is put on by hand. */
const keeping = (
  says: Record<string, Found>,
  most?: number,
  onDisk = new Map<string, { html: string; policy: string }>(),
) => {
  const at = { now: 0, away: false, broken: false, asked: 0, told: [] as string[] };
  const { get, atHand } = keepDocuments({
    find: async (id) => {
      at.asked++;
      await Promise.resolve();
      if (at.broken) throw new Error('broken');
      if (at.away) throw new DatabaseAway('away');
      return says[id] ?? null;
    },
    disk: {
      keep: (id, document) => void onDisk.set(id, document),
      forget: (id) => void onDisk.delete(id),
      read: (id) => Promise.resolve(onDisk.get(id) ?? null),
    },
    now: () => at.now,
    tell: (state) => at.told.push(state),
    ...(most !== undefined && { most }),
  });
  const text = async (id: string): Promise<string> => {
    const { found } = await get(id);
    return found === null || 'why' in found
      ? String(found?.why ?? found)
      : (await found.body('identity')).toString();
  };
  const document = async (id: string): Promise<KeptDocument> => (await get(id)).found as KeptDocument;
  return {
    at,
    get,
    atHand: (id: string) => atHand(id) !== null,
    left: (id: string) => atHand(id)?.left ?? null,
    text,
    document,
  };
};
const page = (html: string, policy = 'p'): Found => ({ html, policy });

describe('documents that are kept in memory', () => {
  it('are asked for once by however many come, and again a second later', async () => {
    const says = { a: page('1') };
    const { at, text, get } = keeping(says);
    expect(await Promise.all([text('a'), text('a'), text('a')])).to.deep.equal(['1', '1', '1']);
    says.a = page('2');
    at.now = 999;
    expect([await text('a'), at.asked, (await get('a')).from]).to.deep.equal(['1', 1, 'memory']);
    at.now = 1000;
    expect([await text('a'), at.asked]).to.deep.equal(['2', 2]);
  });

  it('are at hand as long as they hold, and while they are being asked for', async () => {
    const { at, get, atHand } = keeping({ a: page('1') });
    expect(atHand('a')).to.equal(false);
    await get('a');
    at.now = 999;
    expect(atHand('a')).to.equal(true);
    at.now = 1000;
    expect(atHand('a')).to.equal(false);
    const asked = get('a');
    expect(atHand('a')).to.equal(true);
    await asked;
    expect([atHand('a'), at.asked]).to.deep.equal([true, 2]);
  });

  it('are compressed as the last ones were before they take their place, so that nobody waits for it', async () => {
    const says = { a: page('1'.repeat(9999)) };
    const { at, document } = keeping(says);
    const first = await document('a');
    await first.body('br');
    says.a = page('2'.repeat(9999));
    at.now = 1000;
    const second = await document('a');
    expect(second).not.to.equal(first);
    expect(brotliDecompressSync(second.ready('br')!).toString()).to.match(/^2+$/);
    expect(second.ready('gzip')).to.equal(null);
  });

  it('are not kept where there are none: what is handed out or comes back is there at once', async () => {
    const over = { why: 'over', content: null } as const;
    const says: Record<string, Found> = { a: over };
    const { at, text } = keeping(says);
    expect([await text('a'), await text('b')]).to.deep.equal(['over', 'null']);
    says['a'] = page('1');
    expect([await text('a'), at.asked]).to.deep.equal(['1', 3]);
    says['a'] = over;
    at.now = 1000;
    expect([await text('a'), await text('a'), at.asked]).to.deep.equal(['over', 'over', 5]);
  });

  it('are shown on while the database is away, which is asked no more often then, and catch up by themselves', async () => {
    const says: Record<string, Found> = { a: page('1') };
    const { at, text, get, left } = keeping(says);
    await text('a');
    Object.assign(at, { now: 5000, away: true });
    expect([await text('a'), (await get('a')).left, left('a'), at.told]).to.deep.equal([
      '1',
      -4000,
      -4000,
      ['away'],
    ]);
    expect(await text('b').catch((error: unknown) => error)).to.be.instanceOf(DatabaseAway);
    const { asked } = at;
    for (at.now = 5001; at.now < 6000; at.now += 111) expect(await text('a')).to.equal('1');
    expect(at.asked).to.equal(asked);
    says['a'] = page('2');
    Object.assign(at, { now: 6000, away: false });
    expect(await text('a'), 'as it was, while it is asked').to.equal('1');
    expect([await text('a'), left('a'), at.asked, at.told]).to.deep.equal([
      '2',
      1000,
      asked + 1,
      ['away', 'back'],
    ]);
  });

  it('are taken from disk by a process that begins while the database is away, and are up to date after it', async () => {
    const onDisk = new Map([['a', { html: 'kept', policy: 'p' }]]);
    const says: Record<string, Found> = { a: page('1'), b: { why: 'over', content: null } };
    const { at, text, get, left } = keeping(says, undefined, onDisk);
    at.away = true;
    expect(await get('a')).to.deep.include({ from: 'disk', left: 0 });
    expect([await text('a'), left('a'), at.asked, at.told]).to.deep.equal(['kept', 0, 1, ['away']]);
    expect(await text('c').catch((error: unknown) => error)).to.be.instanceOf(DatabaseAway);
    Object.assign(at, { now: 1000, away: false });
    await text('a');
    expect([await text('a'), onDisk.get('a')?.html, at.told]).to.deep.equal(['1', '1', ['away', 'back']]);
    onDisk.set('b', { html: 'b', policy: 'p' });
    await text('b');
    expect([...onDisk.keys()]).to.deep.equal(['a']);
  });

  it('are not shown where something else went wrong', async () => {
    const { at, text } = keeping({ a: page('1') });
    await text('a');
    Object.assign(at, { now: 5000, broken: true });
    expect(await text('a').catch((error: Error) => error.message)).to.equal('broken');
    expect(at.told).to.deep.equal([]);
  });

  it('have a tag of their own for each encoding, which changes with body and policy only', async () => {
    const says: Record<string, Found> = { a: page('<p>a</p>'.repeat(50)) };
    const { at, document } = keeping(says);
    const first = await document('a');
    const tags = (['identity', 'gzip', 'br'] as const).map((encoding) => first.tag(encoding));
    expect(new Set(tags).size).to.equal(3);
    for (const tag of tags) expect(tag).to.match(/^"[\w-]+"$/);
    expect(brotliDecompressSync(await first.body('br')).toString()).to.equal('<p>a</p>'.repeat(50));
    expect(gunzipSync(await first.body('gzip')).toString()).to.equal('<p>a</p>'.repeat(50));
    expect((await first.body('br')).length).to.be.lessThan(60);
    at.now = 1000;
    expect(await document('a'), 'what did not change is not made again').to.equal(first);
    says['a'] = page('<p>a</p>'.repeat(50), 'q');
    at.now = 2000;
    expect((await document('a')).tag('br')).to.not.equal(tags[2]);
  });

  it('go when others need the room', async () => {
    const { at, text } = keeping({ a: page('a'.repeat(1000)), b: page('b'.repeat(1000)) }, 3000);
    for (const id of ['a', 'b', 'a']) await text(id);
    expect(at.asked).to.equal(3);
  });
});
