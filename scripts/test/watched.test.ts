import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { watched } from '../watched.mjs';

describe('a program that is watched', () => {
  let cwd = '';
  before(() => (cwd = mkdtempSync(join(tmpdir(), 'orbis-watched-'))));
  after(() => rmSync(cwd, { recursive: true }));
  const run = (script: string, still?: number) =>
    watched('bash', ['-c', script], { cwd, progress: join(cwd, 'at'), ...(still && { still }) });

  it('gives its status and what it wrote', async () =>
    expect(await run('echo a; echo b >&2; exit 3')).to.deep.equal({
      status: 3,
      output: 'a\nb\n',
      stoodStill: false,
    }));

  it('is not waited for by what it left running', async () =>
    expect(await run('echo a; setsid sleep 40 & exit 0')).to.include({ status: 0, output: 'a\n' }));

  it('goes on as long as it says where it is', async () =>
    expect(await run('for i in 1 2 3 4 5 6; do echo $i > at; sleep 0.5; done', 2_000)).to.include({
      status: 0,
      stoodStill: false,
    }));

  it('is ended with all that it started where it stands still, also where it will not hear', async () => {
    const script = 'trap "" TERM; (trap "" TERM; sleep 8; touch late) & echo a; while :; do :; done';
    const { status, output, stoodStill } = await run(script, 1_000);
    expect([status, stoodStill]).to.deep.equal([null, true]);
    expect(output).to.match(/^a\n +PID .*\n(?:.*\n)*.* R.* bash\n/);
    await new Promise((resolve) => setTimeout(resolve, 5_000));
    expect(existsSync(join(cwd, 'late'))).to.equal(false);
  });

  it('is said not to be there', async () =>
    expect((await watched('no-such-program', [], { cwd })).output).to.match(/^no-such-program could not/));
});
