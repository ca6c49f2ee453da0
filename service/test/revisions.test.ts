import { expect } from 'chai';
import type { ApiError } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('the revisions of an embed', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    const { client, world } = test;
    await client.call('embeds.create', {
      body: { name: 'Talk', text: talkCode(world.port), tags: ['talks'], notes: 'n', options: { start: 12 } },
    });
    await client.call('revisions.create', {
      params: { embed: 'talk' },
      ifMatch: await state(),
      body: { options: { start: 12, end: 90, align: 'centre' } },
    });
    await client.call('sources.create', {
      params: { embed: 'talk' },
      ifMatch: await state(),
      body: { text: talkCode(world.port, 'rG5rings'), anyway: true },
    });
  });
  after(() => test.stop());
  const state = async (): Promise<string> =>
    (await test.client.call('embeds.read', { params: { embed: 'talk' } })).etag!;
  const restore = async (revision: number) =>
    test.client.call('revisions.restore', {
      params: { embed: 'talk', revision },
      ifMatch: await state(),
      body: {},
    });

  it('are compared: the options that differ, and the code word by word', async () => {
    const { data } = await test.client.call('revisions.compare', {
      params: { embed: 'talk' },
      query: { from: 1, to: 3 },
    });
    expect(data.options).to.deep.equal([
      { option: 'end', from: null, to: '1:30' },
      { option: 'align', from: null, to: 'centre' },
    ]);
    expect(data.sourceDiffers).to.equal(true);
    const text = (without: string): string =>
      data.runs
        .filter((run) => run.kind !== without)
        .map((run) => run.text)
        .join('');
    expect(text('new')).to.include('nB4moorNight?knobs=1&amp;from=12"').and.not.include('until');
    expect(text('gone')).to.include('rG5rings?knobs=1&amp;from=12&amp;until=90"');
    expect(data.runs.some((run) => run.kind === 'same' && run.text.includes('<iframe'))).to.equal(true);
    expect(
      (await test.client.call('revisions.compare', { params: { embed: 'talk' }, query: { from: 2, to: 2 } }))
        .data,
    ).to.deep.include({ options: [], sourceDiffers: false });
    const missing = await test.client
      .call('revisions.compare', { params: { embed: 'talk' }, query: { from: 1, to: 9 } })
      .catch((error: ApiError) => error.message);
    expect(missing).to.equal('There is no revision “9”. “talk” has revisions 1 to 3.');
  });

  it('are brought back as new ones, with the code of their time; then the newest code can come again', async () => {
    const { data, status } = await restore(1);
    expect([status, data.revision, data.source, data.current.reason]).to.deep.equal([
      201,
      4,
      1,
      'revision 1 again',
    ]);
    expect(data.base).to.include('nB4moorNight');
    expect(data.current.options).to.deep.equal({ start: 12 });
    expect((await restore(1)).status).to.equal(200);
    expect((await restore(3)).data).to.deep.include({ revision: 5, source: 2 });
    const newer = await test.client.call('sources.create', {
      params: { embed: 'talk' },
      ifMatch: await state(),
      body: { text: talkCode(test.world.port, 'cM7comet'), anyway: true },
    });
    expect(newer.data).to.deep.include({ revision: 6, source: 3 });
  });

  it('refuse to be brought back onto a state that somebody changed', async () => {
    const old = await state();
    await restore(2);
    const error = await test.client
      .call('revisions.restore', { params: { embed: 'talk', revision: 1 }, ifMatch: old, body: {} })
      .catch((e: ApiError) => e.code);
    expect(error).to.equal('if-match-stale');
  });

  it('count anew in a duplicate, which has the code, options, notes and tags, and is placed nowhere', async () => {
    await test.client.call('placements.create', {
      body: { embed: 'talk', place: 'hollinfell/talks#opening' },
    });
    const { data: original } = await test.client.call('embeds.read', { params: { embed: 'talk' } });
    const { data, status } = await test.client.call('embeds.duplicate', {
      params: { embed: 'talk' },
      body: { name: 'Talk, shorter' },
    });
    expect([status, data.key, data.revision, data.placements, data.current.reason]).to.deep.equal([
      201,
      'talk-shorter',
      1,
      0,
      'copy of talk',
    ]);
    for (const same of ['pasted', 'base', 'notes', 'tags', 'kind'] as const)
      expect(data[same], same).to.deep.equal(original[same]);
    expect(data.current.options).to.deep.equal(original.current.options);
    expect(original.placements).to.equal(1);
  });
});
