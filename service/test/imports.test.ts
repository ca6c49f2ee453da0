import { expect } from 'chai';
import { startTestOrbis, type TestOrbis } from './support/orbis.ts';

describe('codes of many at once', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
  });
  after(() => test.stop());

  it('takes two thousand in, keeps what each one is found by, and changes all of them in one go and back', async () => {
    const many = 2000;
    const items = Array.from({ length: many }, (_, i) => ({
      name: `Talk ${i % 700}`,
      text: `<iframe src="https://play.kinorill.localhost/film/r${i}?knobs=1" title="Talk ${i}" width="640" height="360"></iframe>`,
      tags: [i % 2 === 0 ? 'even' : 'odd'],
    }));
    const { data } = await test.client.call('imports.create', { body: { items } });
    expect([data.taken.length, data.doubled, data.refused]).to.deep.equal([many, [], []]);
    const keys = data.taken.map(({ embed }) => embed!);
    expect(new Set(keys).size).to.equal(many);
    expect(keys[701]).to.equal('talk-1-2');
    const last = (await test.client.call('embeds.read', { params: { embed: keys.at(-1)! } })).data;
    expect(last).to.deep.include({
      base: items.at(-1)!.text,
      provider: 'kinorill',
      kind: 'video',
      tags: ['odd'],
      revision: 1,
    });
    expect(last.current.reason).to.equal('imported');
    const twice = await test.client.call('imports.create', {
      body: { items: items.slice(0, 3), dryRun: true },
    });
    expect(twice.data.doubled.map(({ embed }) => embed)).to.deep.equal(keys.slice(0, 3));

    const changed = (
      await test.client.call('changes.create', {
        body: { where: 'tag=even host=play.kinorill.localhost', options: { start: 7 } },
      })
    ).data;
    expect([changed.found, changed.change!.embeds]).to.deep.equal([many / 2, many / 2]);
    await test.client.call('changes.undo', { params: { change: changed.change!.id }, body: {} });
    expect(
      (await test.client.call('embeds.read', { params: { embed: keys[0]! } })).data.current,
    ).to.deep.include({ number: 3, options: {} });
    expect((await test.client.call('embeds.read', { params: { embed: keys[1]! } })).data.revision).to.equal(
      1,
    );
  });
});
