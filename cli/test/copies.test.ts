/* Safety copies on the command line: whether they are made, and one made now. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { startTestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { typedAt } from './support.ts';

describe('the command line, of safety copies', () => {
  it('says that none are made, and what does', async () => {
    const test = await startTestOrbis();
    const told = await typedAt(test)('copies');
    expect([told.exit, told.err]).to.deep.equal([
      1,
      'No safety copies are made: nobody has said where to. Whoever runs this Orbis says so with ORBIS_COPIES_TO.\n\n',
    ]);
    expect((await typedAt(test)('copies --make')).exit).to.equal(4);
    await test.stop();
  });

  it('tells those that there are, and has one made', async () => {
    const to = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    const test = await startTestOrbis({ env: { ORBIS_COPIES_TO: to } });
    const orbis = typedAt(test);
    await until(async () => (await test.client.call('copies.standing')).data.standing === 'good');
    const told = await orbis('copies');
    expect(told.exit).to.equal(0);
    expect(told.err).to.include(`Each day at 03:30 one goes to ${to}; the next is due`);
    expect(told.err).to.include(
      'The newest of each of the last 7 days, 4 weeks and 12 months are kept. Each one is read back at once.',
    );
    expect(told.out).to.match(/good: it was read back +[\d,]+ rows and \d+ files? +\d+ kB +\S+\.tar\.gz/);
    const made = await orbis('copies --make');
    expect(made.out).to.equal('A safety copy is being made. “orbis copies” says how it went.\n');
    await until(async () => (await test.client.call('copies.list', {})).data.items[0]!.state === 'good');
    const json = JSON.parse((await orbis('copies --json')).out) as { standing: string; items: unknown[] };
    // Of one day the newest is kept.
    expect([json.standing, json.items.length]).to.deep.equal(['good', 1]);
    await test.stop();
    rmSync(to, { recursive: true });
  });
});
