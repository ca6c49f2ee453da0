import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('what has been agreed upon, at the command line', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
  });
  after(() => test.stop());
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);

  it('says how to begin where nothing is written down', async () => {
    const { exit, out } = await orbis('terms');
    expect([exit, out]).to.deep.equal([
      0,
      'Nothing is written down yet: “orbis terms EMBED --price …” begins.\n',
    ]);
  });

  it('writes down what is named, lets the rest stand, and takes it back by “none”', async () => {
    await orbis('terms talk --price 12.50EUR/month --views-a-month 10000 --personal-data no');
    const { exit, out } = await orbis('terms talk --licence CC0 --views-a-month none');
    expect(exit).to.equal(0);
    expect(out)
      .to.match(/^Views this month +0$/m)
      .and.match(/^Price +EUR 12\.50 a month$/m)
      .and.match(/^Licence +CC0$/m)
      .and.match(/^Personal data +no$/m);
    await orbis('terms talk --price none --licence none --personal-data none');
    expect(JSON.parse((await orbis('terms --json')).out)).to.deep.equal({ items: [], costs: [] });
  });

  it('tells a script by its exit status that a contract is over, and “orbis status” as well', async () => {
    const { exit, out } = await orbis('terms kinorill --provider --ends 2020-02-29 --price 90GBP/year');
    expect([exit, out]).to.satisfy(
      ([status, said]: [number, string]) => status === 1 && said.includes('error: Its contract is over'),
    );
    expect((await orbis('terms')).out)
      .to.include('kinorill (provider)')
      .and.include('There are no running costs.');
    const status = await orbis('status');
    expect(status.exit).to.equal(1);
    expect(status.out).to.match(/Kinorill: Its contract is over: .+ \(orbis terms\)/);
  });

  for (const [line, exit, said] of [
    ['terms talk --price twelve', 2, '“twelve” is no price'],
    ['terms talk --views-a-month 0', 2, '“0” is no whole number from 1 on'],
    ['terms talk --views-a-month many', 2, '“many” is no whole number'],
    ['terms talk --ends 2027-02-30', 2, '“ends” is “2027-02-30”, and should be a day'],
    ['terms --price 1EUR/year', 2, 'Say of which embed'],
    ['terms nobody', 2, 'There is no embed “nobody”'],
    ['terms nobody --provider', 2, 'There is no provider “nobody”'],
  ] as const)
    it(`refuses “orbis ${line}”`, async () => {
      const ran = await orbis(line);
      expect(ran.err).to.include(said);
      expect(ran.exit).to.equal(exit);
    });
});
