import { expect } from 'chai';
import { createClient, type ApiError, type Client, type PagePlan } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { codeOf } from './support/calls.ts';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { publishedWith, type Published } from './support/published.ts';

const page = 'hollinfell/talks';

describe('the steps of a plan', () => {
  let test: TestOrbis;
  let talks: Published;
  let id: string;
  /** Somebody who is not signed in. */
  let stranger: Client;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    talks = publishedWith(test);
    await talks.collect('Opening', talkCode(test.world.port));
    id = await talks.place('opening', 'opening');
    stranger = createClient({ url: test.url });
  });
  after(() => test.stop());
  const plan = async (): Promise<PagePlan> =>
    (await test.client.call('plans.read', { params: { page } })).data;
  const tick = async (step: string, done = true): Promise<PagePlan> =>
    (await test.client.call('plans.tick', { params: { page }, body: { step, done } })).data;
  const link = async (name = 'The web desk', days = 14): Promise<{ id: string; link: string }> => {
    const { data } = await test.client.call('planLinks.create', { params: { page }, body: { name, days } });
    expect(data.url).to.match(/\/steps#[\w-]{43}$/);
    return { id: data.id, link: data.url.split('#')[1]! };
  };
  const change = async (start: number): Promise<void> => {
    await test.client.call('revisions.create', {
      params: { embed: 'opening' },
      ifMatch: '*',
      body: { options: { start } },
    });
  };

  it('are ticked for what is to be done: another code is another step', async () => {
    const [step] = (await plan()).steps;
    expect([step!.action, step!.ticked]).to.deep.equal(['paste', null]);
    expect((await tick(step!.id)).steps[0]!.ticked).to.deep.include({ by: 'Tester' });
    const refused = await tick(step!.id).catch((error: ApiError) => error);
    expect((refused as ApiError).code).to.equal('already-ticked');
    expect((refused as ApiError).message).to.include('by Tester');
    await change(7);
    const [other] = (await plan()).steps;
    expect([other!.id === step!.id, other!.ticked]).to.deep.equal([false, null]);
    expect(await codeOf(tick(step!.id))).to.equal('work-changed');
    await tick(other!.id);
    expect((await tick(other!.id, false)).steps[0]!.ticked).to.equal(null);
  });

  it('are seen, copied and ticked by a link, by whoever has it', async () => {
    const { link: secret } = await link();
    const seen = async () => (await stranger.call('sharedPlans.read', { body: { link: secret } })).data;
    const { title, name, embeds, steps, ...rest } = await seen();
    expect([title, name, embeds]).to.deep.equal([
      'Talks',
      'The web desk',
      [{ placement: id, name: 'Opening' }],
    ]);
    expect(rest).not.to.have.property('findings');
    const step = steps[0]!.id;
    const { data } = await stranger.call('sharedPlans.handOut', { body: { link: secret, step } });
    expect(data.text).to.equal((await talks.delivered(id)).text);
    const { data: after } = await stranger.call('sharedPlans.tick', { body: { link: secret, step } });
    expect(after.steps[0]!.ticked?.by).to.equal('The web desk');
    expect((await plan()).steps[0]!.ticked?.by).to.equal('The web desk');
    await talks.publish(data.text);
    await sweepAll(test.client);
    expect((await seen()).steps.map(({ action, ticked }) => [action, ticked])).to.deep.equal([
      ['already-there', null],
    ]);
    await change(9);
    expect((await seen()).steps.map(({ action, ticked }) => [action, ticked])).to.deep.equal([
      ['replace', null],
    ]);
  });

  it('are all that a link opens', async () => {
    const { link: secret } = await link();
    const withLink = createClient({ url: test.url, headers: { authorization: `Bearer ${secret}` } });
    for (const call of [
      withLink.call('plans.read', { params: { page } }),
      withLink.call('embeds.list'),
      stranger.call('planLinks.list', { params: { page } }),
      stranger.call('plans.tick', { params: { page }, body: { step: '0'.repeat(16) } }),
    ])
      expect(await codeOf(call)).to.be.oneOf(['token-unknown', 'not-signed-in']);
    expect(
      await codeOf(stranger.call('sharedPlans.handOut', { body: { link: secret, step: '0'.repeat(16) } })),
    ).to.equal('work-changed');
  });

  it('are seen no more when the link has ended, or its days are over, or the page goes', async () => {
    const { link: secret, id: known } = await link('The printer', 1);
    const list = async () =>
      (await test.client.call('planLinks.list', { params: { page } })).data.items.map(({ name }) => name);
    expect((await list())[0]).to.equal('The printer');
    const read = (by: string) => stranger.call('sharedPlans.read', { body: { link: by } });
    expect((await read(secret)).data.expiresAt).to.be.a('string');
    await test.client.call('planLinks.delete', { params: { page, link: known } });
    expect(await codeOf(read(secret))).to.equal('link-over');
    expect(await list()).not.to.include('The printer');
    expect(await codeOf(test.client.call('planLinks.delete', { params: { page, link: known } }))).to.equal(
      'not-found',
    );
    const { link: another } = await link();
    await test.client.call('pages.delete', { params: { page }, query: { placements: 'end' }, ifMatch: '*' });
    expect(await codeOf(read(another))).to.equal('link-over');
  });
});

describe('a step that several tick at once', () => {
  it('is ticked once, in whichever process', async () => {
    const test = await startTestOrbis();
    const other = await test.another();
    try {
      await declareSite(test);
      const talks = publishedWith(test);
      await talks.collect('Opening', talkCode(test.world.port));
      await talks.place('opening', 'opening');
      const { data } = await test.client.call('plans.read', { params: { page } });
      const body = { step: data.steps[0]!.id };
      const answers = await Promise.all(
        [test.client, other.client, test.client, other.client].map((client) =>
          client.call('plans.tick', { params: { page }, body }).then(
            () => 'ticked',
            (error: ApiError) => error.code,
          ),
        ),
      );
      expect(answers.sort()).to.deep.equal(['already-ticked', 'already-ticked', 'already-ticked', 'ticked']);
    } finally {
      await other.stop();
      await test.stop();
    }
  });
});
