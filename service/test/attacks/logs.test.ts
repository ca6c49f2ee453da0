/* A question that failed was logged with everything that people had typed into it. */
import { DrizzleQueryError } from 'drizzle-orm';
import { expect } from 'chai';
import { isAway } from '../../src/database/errors.ts';
import { errorForLog } from '../../src/http/error-log.ts';

const typed = 'what somebody typed';

describe('attack: the log', () => {
  for (const [label, error, said] of [
    [
      'a question with its values apart',
      new DrizzleQueryError(
        'insert into `embed` (`name`) values (?)',
        [typed],
        Object.assign(new Error(`Duplicate entry '${typed}' for key 'embed'`), {
          code: 'ER_DUP_ENTRY',
          errno: 1062,
          sqlState: '23000',
        }),
      ),
      { name: 'database', code: 'ER_DUP_ENTRY', number: 1062, asked: 'insert embed' },
    ],
    [
      'a question with its values in it',
      new DrizzleQueryError(
        `insert into \`source\` (base) values ('${typed}')`,
        [],
        Object.assign(new Error(`Data too long: ${typed}`), {
          code: 'ER_DATA_TOO_LONG',
          errno: 1406,
          sqlState: '22001',
        }),
      ),
      { name: 'database', code: 'ER_DATA_TOO_LONG', number: 1406, asked: 'insert source' },
    ],
    [
      'the driver’s own error',
      Object.assign(new Error(`near '${typed}'`), {
        code: 'ER_PARSE_ERROR',
        errno: 1064,
        sqlState: '42000',
        sql: typed,
      }),
      { name: 'database', code: 'ER_PARSE_ERROR', number: 1064, asked: null },
    ],
  ] as const)
    it(`has the kind of question and the error’s name, and nothing that was typed: ${label}`, () => {
      const logged = errorForLog(error);
      expect(logged).to.include(said);
      expect(JSON.stringify(logged)).to.not.include(typed);
      expect(logged).to.have.property('stack').that.includes('logs.test.ts');
    });
  it('has it also of what a request failed of, and of a connection that was closed', () => {
    const closed = Object.assign(new Error('closed'), { fatal: true });
    expect(isAway(new DrizzleQueryError('rollback', [], closed))).to.equal(true);
    expect(isAway(Object.assign(new Error('no such file'), { code: 'ENOENT' }))).to.equal(false);
    expect(
      errorForLog({ type: 'Error', raw: new DrizzleQueryError(`select '${typed}'`, [], closed) }),
    ).to.include({ name: 'database', asked: 'select' });
  });
  it('has the message of any other error', () =>
    expect(errorForLog(new TypeError('x is not a function'))).to.include({
      name: 'TypeError',
      message: 'x is not a function',
    }));
  it('has what was thrown that is no error', () =>
    expect(errorForLog('words')).to.deep.equal({ message: 'words' }));
});
