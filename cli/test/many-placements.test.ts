import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with many placements at once', () => {
  let test: TestOrbis;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'north']);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await orbis('place talk hollinfell/talks#opening');
  });
  after(() => test.stop());

  it('pauses all that a search finds, lets them go on, and takes it back', async () => {
    const none = await orbis('change placements --site hollinfell');
    expect([none.exit, none.err]).to.deep.equal([
      2,
      'Say what is to become of them: --pause, --resume or --end, one of these.\n',
    ]);
    expect((await orbis('change placements --pause')).err).to.match(/^Say which of them: --where,/);
    await orbis('place talk hollinfell/talks#north');
    expect((await orbis('change placements --where site=hollinfell --pause')).out).to.equal(
      'Paused in 2 places. “orbis plan PAGE” says what to take out there.\n',
    );
    expect((await orbis('change placements --site hollinfell --pause')).out).to.equal(
      'They were so already.\n',
    );
    expect((await orbis('change placements --state paused --resume --json')).out).to.match(
      /"placements": \[\n\s+"[0-9a-z]{10}",/,
    );
    expect((await orbis('change placements --page hollinfell/talks --end')).out).to.match(
      /^Ended in 2 places\./,
    );
    expect((await orbis('change placements --state live --end')).out).to.equal(
      'There is no such placement.\n',
    );
    await orbis('undo');
    expect((await orbis('list placements --site hollinfell')).out)
      .to.include('hollinfell/talks#opening')
      .and.include('hollinfell/talks#north');
  });
});
