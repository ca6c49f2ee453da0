import { expect } from 'chai';
import type { Options } from '@orbis/core';
import { sweepAll } from '@orbis/demo';
import { get } from './support/get.ts';
import { declareSite, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { publishedWith } from './support/published.ts';
import { until } from './support/until.ts';

const form = (script = ''): string =>
  `<form id="signup" action="https://formwold.localhost/x"><input name="mail"></form>${script}`;
const storing =
  "<script>document.getElementById('signup').hidden = localStorage.getItem('sent') === '1';</script>";

describe('embeds of a page that claim the same', () => {
  let test: TestOrbis;
  const ids: Record<string, string> = {};
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    const { client } = test;
    for (const [name, text] of Object.entries({ plain: form(), storing: form(storing) }))
      await client.call('embeds.create', { body: { name, text } });
    for (const spot of ['a', 'b', 'c'])
      await client.call('spots.create', {
        body: { key: `hollinfell/talks#${spot}`, widths: { phone: 358, tablet: 704, desktop: 760 } },
      });
  });
  after(() => test.stop());
  const place = async (embed: string, spot: string): Promise<void> => {
    const body = { embed, place: `hollinfell/talks#${spot}` };
    ids[spot] = (await test.client.call('placements.create', { body })).data.id;
  };
  const handedOut = async (spot: string): Promise<string> =>
    (await test.client.call('deliveries.create', { params: { placement: ids[spot]! } })).data.text;
  const findings = async () => {
    const { data } = await test.client.call('plans.read', { params: { page: 'hollinfell/talks' } });
    return data.findings.map(({ rule, level, message }) => ({ rule, level, message }));
  };
  const askAt = (spot: string, options: Options) =>
    test.client.call('placements.change', {
      params: { placement: ids[spot]! },
      ifMatch: '*',
      body: { options },
    });

  it('stand side by side as soon as there are two: the later one in a frame, which is said', async () => {
    await place('plain', 'b');
    expect(await handedOut('b')).not.to.include('<iframe');
    await place('plain', 'c');
    expect(await handedOut('b')).not.to.include('<iframe');
    expect(await handedOut('c')).to.match(/<iframe [^]* srcdoc="[^]*signup/);
    const [first, ...others] = await findings();
    expect(others).to.deep.equal([]);
    expect([first!.rule, first!.level]).to.deep.equal(['kept-apart', 'note']);
    expect(first!.message).to.equal(
      'At hollinfell/talks#c, it is handed out in a frame of its own (frame=enclosed): it claims the same id “signup” as what stands at hollinfell/talks#b, and side by side one of the two would not work.',
    );
  });

  it('make those behind them out of date when one more comes before them, and are themselves again when it goes', async () => {
    await publishedWith(test).publish(await handedOut('b'), await handedOut('c'));
    await sweepAll(test.client);
    const states = async () => {
      const { data: list } = await test.client.call('placements.list', {
        query: { page: 'hollinfell/talks' },
      });
      return Object.fromEntries(list.items.map(({ place: at, state }) => [at.split('#')[1], state]));
    };
    expect(await states()).to.deep.equal({ b: 'live', c: 'live' });
    await place('plain', 'a');
    await until(async () => (await states())['b'] === 'out-of-date');
    await test.client.call('placements.delete', { params: { placement: ids['a']! }, ifMatch: '*' });
    await until(async () => (await states())['b'] === 'live');
  });

  it('are handed out as their owner says, where that is said', async () => {
    await askAt('c', { frame: 'none' });
    expect(await handedOut('c')).not.to.include('<iframe');
    expect((await findings()).map(({ rule, message }) => [rule, message.slice(0, 25)])).to.deep.equal([
      ['kept-apart', 'At hollinfell/talks#b, it'],
    ]);
    await askAt('b', { frame: 'none' });
    expect((await findings()).map(({ rule, level }) => [rule, level])).to.deep.equal([
      ['claims-collide', 'error'],
    ]);
    await askAt('b', { frame: 'enclosed' });
    expect(await findings()).to.deep.equal([]);
    await askAt('b', {});
    await askAt('c', {});
  });

  it('are served where they cannot be enclosed, and what is served is the document of that frame', async () => {
    await test.client.call('placements.delete', { params: { placement: ids['c']! }, ifMatch: '*' });
    await place('storing', 'c');
    const text = await handedOut('c');
    const address = /src="(http[^"]+)"/.exec(text)?.[1];
    expect(address, text).to.include(`${ids['c']}.frames.localhost`);
    await until(async () => (await get(address!)).status === 200);
    const { body, headers } = await get(address!);
    expect(body).to.include('signup').and.include('localStorage');
    expect(String(headers['content-security-policy'])).to.include('sandbox');
    // Served for its own sake it says by itself how high it is, as every document of ours in a frame.
    expect(body).to.include('orbis');
  });
});
