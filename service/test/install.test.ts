import { expect } from 'chai';
import { reasonIn } from '../src/database/install.ts';

describe('why a database could not be installed', () => {
  for (const [label, printed, reason] of [
    [
      'its errors, without the last word',
      'Installing tables…\n2026-11-27  5:37:42 0 [ERROR] InnoDB: no room\n2026-11-27  5:37:42 0 [ERROR] Aborting\n',
      '2026-11-27  5:37:42 0 [ERROR] InnoDB: no room',
    ],
    ['its last line, where it names none', 'FATAL ERROR: no such file\n\n', 'FATAL ERROR: no such file'],
    ['that it says nothing', '\n', 'no reason given'],
  ] as const)
    it(`is ${label}`, () => expect(reasonIn(printed)).to.equal(reason));
});
