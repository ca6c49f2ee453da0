import { expect } from 'chai';
import { OrbisError } from '@orbis/contract';
import { deadlineIn, type Deadline } from '../src/reading/deadline.ts';
import { createReader } from '../src/reading/reader.ts';

describe('the reader of foreign text', () => {
  // A slow machine is no fault of the reader's.

  it('gives a text up at the deadline, and goes on with the next one', async () => {
    const reader = createReader({ seconds: 0.05, threads: 1 });
    const patient = createReader({ threads: 1, seconds: 120 });
    try {
      const slow = Array.from({ length: 40 }, () => '<p>'.repeat(349_000));
      const error = await reader.readTexts(slow, { sheets: [] }).then(
        () => null,
        (refusal: unknown) => refusal,
      );
      expect(error).to.be.instanceOf(OrbisError);
      expect((error as OrbisError).code).to.equal('reading-too-slow');
      expect(
        (await patient.readTexts(['<video controls></video>'], { sheets: [] })).map(({ kind }) => kind),
      ).to.deep.equal(['video']);
    } finally {
      await Promise.all([reader.close(), patient.close()]);
    }
  });

  it('waits longer for a text that had no processor, but not for ever', async () => {
    let spent = 0;
    const over: string[] = [];
    const watch = (name: string, { signal }: Deadline): Promise<void> =>
      new Promise((resolve) =>
        signal.addEventListener('abort', () => {
          over.push(name);
          resolve();
        }),
      );
    await Promise.all([
      watch(
        'had none',
        deadlineIn(0.1, () => 0),
      ),
      watch(
        'had it all',
        deadlineIn(0.1, () => (spent += 100)),
      ),
    ]);
    expect(over).to.deep.equal(['had it all', 'had none']);
  });

  it('keeps the process free while it reads', async () => {
    const reader = createReader({ threads: 1, seconds: 120 });
    try {
      let ticks = 0;
      const timer = setInterval(() => ticks++, 5);
      await reader.readTexts(['<p>'.repeat(349_000), '<p>'.repeat(349_000)], { sheets: [] });
      clearInterval(timer);
      expect(ticks).to.be.greaterThan(5);
    } finally {
      await reader.close();
    }
  });
});
