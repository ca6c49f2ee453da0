/*
 * Foreign text stopped the service while it was read a second time, waited itself to death in a queue behind
 * others, and left a gigabyte in the process.
 */
import { expect } from 'chai';
import { isMainThread } from 'node:worker_threads';
import { createReader, type Reader } from '../../src/reading/reader.ts';
import { openSource, compositionOf } from '../../src/usecases/codes.ts';

const slow = (kilobytes: number): string =>
  '<div class="a b c">'.repeat(200) + '<iframe src="https://a.localhost/x">'.repeat((kilobytes * 1024) / 36);

describe('attack: foreign bytes', () => {
  const readers: Reader[] = [];
  const reader = (options?: Parameters<typeof createReader>[0]): Reader => {
    const made = createReader(options);
    readers.push(made);
    return made;
  };
  afterEach(async () => {
    for (const made of readers.splice(0)) await made.close();
  });

  it('wait for their turn without losing their time: the deadline begins with the work', async () => {
    const text = slow(500);
    const first = reader({ threads: 1 });
    await first.readTexts(['warm'], { sheets: [] });
    const took: number[] = [];
    for (let i = 0; i < 6; i++) {
      const start = performance.now();
      await first.readTexts([text], { sheets: [] });
      took.push((performance.now() - start) / 1000);
    }
    // The slowest, which is the first of a young thread, has eight times as long as it needs, and a thread is
    // started within it, too; of the fastest there are as many as take twice that.
    const seconds = Math.max(8 * Math.max(...took), 0.5);
    const count = Math.ceil((2 * seconds) / Math.min(...took));
    const one = reader({ threads: 1, seconds });
    await one.readTexts(['warm'], { sheets: [] }).catch(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 3000));
    await one.readTexts(['warm'], { sheets: [] }).catch(() => undefined);
    const begun = performance.now();
    const read = await Promise.all(
      Array.from({ length: count }, () => one.readTexts([text], { sheets: [] })),
    );
    expect(read).to.have.length(count);
    expect(performance.now() - begun).to.be.greaterThan(1000 * seconds);
  });

  it('that are too many at once are refused, and not kept in memory', async () => {
    const one = reader({ threads: 1, waiting: 3 });
    const all = await Promise.allSettled(
      Array.from({ length: 12 }, () => one.readTexts([slow(50)], { sheets: [] })),
    );
    const refused = all.filter((result) => result.status === 'rejected');
    expect(refused.length).to.be.within(7, 9);
    for (const { reason } of refused) expect(reason as object).to.include({ code: 'too-busy' });
  });

  it('that need more memory than there is end their thread, and nothing else', async () => {
    const one = reader({ threads: 1, megabytes: 48, seconds: 60 });
    const page = `<table>${'<tr><td><b><i><a href=x>'.repeat(200_000)}`;
    const error = await one.reconcilePage(page, []).then(
      () => null,
      (reason: unknown) => reason,
    );
    expect(error).to.include({ code: 'reading-too-large' });
    expect(await one.readTexts(['words'], { sheets: [] })).to.have.length(1);
  });

  it('leave no grown thread behind: another one takes its place', async () => {
    const one = reader({ threads: 1, seconds: 60 });
    const page = '<p class=x>night</p>'.repeat(250_000);
    expect(page.length).to.equal(5_000_000);
    const { rss: before } = process.memoryUsage();
    await one.reconcilePage(page, []);
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect((await one.readTexts(['words'], { sheets: [] }))[0]!.input).to.equal('text');
    const grown = (process.memoryUsage().rss - before) / 1024 / 1024;
    // A gigabyte stayed before; what the allocator keeps for itself differs from machine to machine.
    expect(grown).to.be.below(500);
  });

  it('are worked out in the worker where they are long, and here only where they are short', async () => {
    expect(isMainThread).to.equal(true);
    let asked = 0;
    const one = reader();
    const renderContext = {
      sheets: [],
      rules: { dropTracking: false },
      workOut: (task: Parameters<Reader['workOut']>[0]) => {
        asked++;
        return one.workOut(task);
      },
      workOutPage: one.workOutPage,
      servedAt: () => '',
      sharesHost: () => false,
    };
    const levels = { embed: { 'max-width': 300 } };
    const short = await compositionOf(
      { base: '<iframe src="https://a.localhost/x" title="x"></iframe>', asked: levels },
      renderContext,
    );
    expect(asked).to.equal(0);
    const base = `<iframe src="https://a.localhost/x" title="x"></iframe>${' '.repeat(20_000)}`;
    const long = await compositionOf({ base, asked: levels }, renderContext);
    expect(asked).to.equal(1);
    expect(long.composition.edits).to.deep.equal(short.composition.edits);
    expect(long.code.title).to.equal('x');
    expect((await openSource({ base }, renderContext)).reading.kind).to.equal('frame');
    expect(asked).to.equal(2);
  });
});
