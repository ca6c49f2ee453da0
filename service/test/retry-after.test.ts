import { expect } from 'chai';
import { retryAfter } from '../src/fetching/retry-after.ts';

describe('when a busy host may be asked again', () => {
  const now = new Date('2026-11-29T12:00:00Z');
  const rows: [value: string | null, seconds: number | null][] = [
    ['120', 120],
    ['0', 0],
    ['Sun, 29 Nov 2026 12:01:30 GMT', 90],
    // What is over is at once.
    ['Sun, 29 Nov 2026 11:00:00 GMT', 0],
    ['soon', null],
    ['-5 minutes', null],
    [null, null],
  ];
  for (const [value, seconds] of rows)
    it(`${value ?? 'nothing'} is ${seconds === null ? 'nothing that can be understood' : `${seconds} s`}`, () =>
      expect(retryAfter(value, now)).to.equal(seconds));
});
