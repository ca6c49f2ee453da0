import { expect } from 'chai';
import { spoken } from '@orbis/contract';

describe('what came of the check of a site', () => {
  const well = { state: 'done', well: 3, lost: 0, pages: { of: 10, done: 10 } };
  const rows: [string, object, string][] = [
    ['all is as it was', {}, 'Nothing was lost: 3 placements are as before.'],
    [
      'not all pages were read',
      { pages: { of: 10, done: 4 } },
      'Only 4 of 10 pages were read. Nothing was lost: 3 placements are as before.',
    ],
    [
      'it was stopped, and something is lost',
      { state: 'stopped', well: 1, lost: 2 },
      'It was stopped. 2 things work no longer; 1 placement is on its page as before.',
    ],
    ['nothing had been there', { well: 0 }, 'Nothing has been seen on these pages yet.'],
  ];
  for (const [what, otherwise, said] of rows)
    it(`is said where ${what}`, () => {
      expect(spoken.inspections.result({ ...well, ...otherwise })).to.equal(said);
    });
});
