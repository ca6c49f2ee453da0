import { expect } from 'chai';
import type { Client } from '@orbis/contract';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const map = (id: string): string =>
  `<iframe src="https://mapmere.localhost/embed/${id}?zoom=13" title="Map" width="640" height="480"></iframe>`;

describe('groups of embeds', () => {
  let test: TestOrbis;
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  const current = async (key: string) => (await call('embeds.read', { params: { embed: key } })).data.current;
  const keys = async (where: string): Promise<string[]> =>
    (await call('embeds.list', { query: { where, limit: 200 } })).data.items.map(({ key }) => key).sort();
  const change = async (where: string, rest: object) =>
    (await call('changes.create', { body: { where, ...rest } })).data;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    for (const [name, text, tags, settings] of [
      ['First talk', talkCode(test.world.port, 'a1'), ['talks', '100%'], { start: 5 }],
      ['Second talk', talkCode(test.world.port, 'a2'), ['talks', 'moor'], {}],
      ['Third talk', talkCode(test.world.port, 'a3'), ['night log'], { privacy: true }],
      ['Way', map('moor-road'), ['visit'], {}],
      ['Nobody’s', '<iframe src="https://nobody.localhost/x"></iframe>', [], {}],
    ] as const)
      await call('embeds.create', {
        body: {
          name,
          text,
          tags: [...tags],
          options: settings,
          notes: name === 'Way' ? 'Up the moor road.' : '',
        },
      });
    await call('placements.create', { body: { embed: 'first-talk', place: 'hollinfell/talks#opening' } });
  });
  after(() => test.stop());

  for (const [where, found] of [
    ['', ['first-talk', 'nobodys', 'second-talk', 'third-talk', 'way']],
    ['kind=video', ['first-talk', 'second-talk', 'third-talk']],
    ['kind=video,map -tag=talks', ['third-talk', 'way']],
    ['moor', ['second-talk', 'way']],
    ['tag="night log" or provider=mapmere', ['third-talk', 'way']],
    ['host=play.kinorill.localhost option=start', ['first-talk']],
    ['-provider=kinorill,mapmere', ['nobodys']],
    ['placed=yes', ['first-talk']],
    ['name=talk placed=no', ['second-talk', 'third-talk']],
    ['level=warning,note', ['nobodys']],
    ['tag="100%"', ['first-talk']],
    ['name="%"', []],
    ['-(kind=video or kind=map) retired=no', ['nobodys']],
    ['key=way', ['way']],
  ] as [string, string[]][])
    it(`finds ${where === '' ? 'everything' : where}`, async () =>
      expect(await keys(where)).to.deep.equal(found));

  it('points at the column of a search that cannot be understood', async () => {
    const error = await refusal(call('embeds.list', { query: { where: 'kind=video colour=red' } }));
    expect([error.problem.status, error.message]).to.deep.include(422);
    expect(error.message).to.match(/^Column 12 of the search: There is no field “colour”\./);
  });

  it('says every edit of every embed before anything is done', async () => {
    const dry = await change('kind=video', { options: { privacy: true }, dryRun: true });
    expect([dry.change, dry.found, dry.same, dry.impossible]).to.deep.equal([null, 3, 1, []]);
    expect(dry.changed.map(({ embed, placements }) => [embed, placements])).to.deep.equal([
      ['first-talk', 1],
      ['second-talk', 0],
    ]);
    expect(dry.changed[0]!.edits!.some(({ reason }) => reason.includes('quieter'))).to.equal(true);
    expect(dry.changed[0]!.after).to.equal(
      dry.changed[0]!.before!.replace('play.kinorill', 'quiet.kinorill'),
    );
    expect((await current('second-talk')).number).to.equal(1);
  });

  it('refuses the whole where one cannot have it, and names it; unless it is skipped', async () => {
    const error = await refusal(change('kind=video,map', { options: { privacy: true } }));
    expect([error.code, error.problem.errors]).to.deep.equal([
      'group-impossible',
      [{ embed: 'way', detail: 'Mapmere does not offer privacy.' }],
    ]);
    expect((await current('first-talk')).number).to.equal(1);
    const done = await change('kind=video,map', { options: { privacy: true }, skipImpossible: true });
    expect([done.changed.length, done.same, done.impossible.map(({ embed }) => embed)]).to.deep.equal([
      2,
      1,
      ['way'],
    ]);
    expect(done.change).to.include({
      kind: 'group',
      said: 'Set options of 2 embeds (kind=video,map): privacy=on',
      embeds: 2,
      lasting: false,
      undoneAt: null,
    });
    expect(await current('first-talk')).to.deep.include({
      number: 2,
      options: { start: 5, privacy: true },
      reason: 'changed with others',
    });
    expect((await current('third-talk')).number).to.equal(1);
  });

  it('is taken back by one undo, once', async () => {
    const [last] = (await call('changes.list', {})).data.items;
    const { data } = await call('changes.undo', { params: { change: last!.id }, body: {} });
    expect(data.undoneAt).to.be.a('string');
    expect(await current('first-talk')).to.deep.include({
      number: 3,
      options: { start: 5 },
      reason: 'revision 1 again',
    });
    expect(await current('second-talk')).to.deep.include({ number: 3, options: {} });
    expect((await refusal(call('changes.undo', { params: { change: last!.id }, body: {} }))).code).to.equal(
      'change-undone',
    );
  });

  it('is not taken back where somebody changed one of them since: nothing is, and it is named', async () => {
    const { change: made } = await change('tag=talks', { options: { loop: true, align: 'centre' } });
    const save = (options: Record<string, string | number | boolean>) =>
      call('revisions.create', { params: { embed: 'second-talk' }, body: { options }, ifMatch: '*' });
    await save({ loop: true, align: 'centre', start: 7 });
    const error = await refusal(call('changes.undo', { params: { change: made!.id }, body: {} }));
    expect([error.code, error.problem.errors!.map(({ embed }) => embed)]).to.deep.equal([
      'changed-since',
      ['second-talk'],
    ]);
    expect((await current('first-talk')).options).to.deep.equal({ start: 5, loop: true, align: 'centre' });
    // Whoever changed it, and changed it back, is in nobody’s way; nor are notes.
    await save({ loop: true, align: 'centre' });
    await call('embeds.change', { params: { embed: 'second-talk' }, body: { notes: 'mine' }, ifMatch: '*' });
    await call('changes.undo', { params: { change: made!.id }, body: {} });
    expect((await current('first-talk')).options).to.deep.equal({ start: 5 });
    await change('tag=talks', { options: { loop: true, align: 'centre' } });
  });

  it('takes options back from many, and keeps the rest', async () => {
    await change('option=loop', { unset: ['loop', 'align'] });
    expect(await current('first-talk')).to.deep.include({ options: { start: 5 } });
    expect((await change('option=loop', { unset: ['loop'] })).found).to.equal(0);
    expect((await refusal(change('', {}))).code).to.equal('nothing-asked');
    const same = await change('tag=talks', { unset: ['loop'] });
    expect([same.change, same.changed]).to.deep.equal([null, []]);
  });
});
