import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

const page = 'hollinfell/talks';

describe('the steps of a page on a sheet to print', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    const { client } = test;
    await declareSite(test, ['opening', 'north']);
    const text = talkCode(test.world.port).replace('Opening talk', 'A &amp; <b>“bold”</b> title');
    await client.call('embeds.create', { body: { name: 'Talk', text } });
    await client.call('embeds.create', {
      body: { name: 'Other', text: talkCode(test.world.port, 'oT1her') },
    });
    await client.call('sites.change', {
      params: { site: 'hollinfell' },
      ifMatch: '*',
      body: { editor: { notes: 'Click on <HTML>.', asksFor: [{ label: 'Title & all', value: 'title' }] } },
    });
    for (const [embed, spot] of [
      ['talk', 'opening'],
      ['other', 'north'],
    ] as const)
      await client.call('placements.create', { body: { embed, place: `${page}#${spot}` } });
  });
  after(() => test.stop());
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);

  it('has each step with its code, handed out under its number, as text and nothing else', async () => {
    const { exit, out } = await orbis(`plan ${page} --sheet`);
    expect(exit).to.equal(0);
    expect(out).to.match(/^<!doctype html>\n<html lang="en">/);
    expect(out.match(/<li>/g)).to.have.length(2);
    expect(out)
      .to.include(`Paste – ${page}#opening`)
      .and.include('Click on &lt;HTML&gt;.')
      .and.include('<dt>Title &amp; all</dt>')
      .and.include('A &amp;amp; &lt;b&gt;');
    expect(out).not.to.match(/<(?:iframe|b|script|HTML)\b/);
    const { items } = (await test.client.call('placements.list', { query: { page } })).data;
    for (const { id, issued } of items) {
      expect(issued?.delivery).to.equal(1);
      expect(out).to.include(`data-orbis="${id}.1"`);
    }
  });

  it('leaves out what is ticked, and says where nothing is left to do', async () => {
    await orbis(`plan ${page} --tick 1`);
    expect((await orbis(`plan ${page} --sheet`)).out.match(/<li>/g)).to.have.length(1);
    await orbis(`plan ${page} --tick 2`);
    expect((await orbis(`plan ${page} --sheet`)).out).to.include('Nothing is to be done on this page.');
  });

  for (const line of [`plan ${page} --sheet --tick 1`, 'plan hollinfell --sheet'])
    it(`refuses “orbis ${line}”`, async () => expect((await orbis(line)).exit).to.equal(2));
});
