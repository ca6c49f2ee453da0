import { expect } from 'chai';
import type { Options } from '@orbis/core';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { loopbackFetch, sweepAll } from '@orbis/demo';
import { eventsIn, type ApiError, type Placement, type Sweep } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const page = 'hollinfell/talks';
const place = `${page}#opening`;

describe('a sweep of the published pages', () => {
  let test: TestOrbis;
  let id: string;
  const fetch = loopbackFetch();
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'north']);
    await test.client.call('embeds.create', {
      body: { name: 'Opening talk', text: talkCode(test.world.port), options: { start: 112 } },
    });
    ({ id } = (await test.client.call('placements.create', { body: { embed: 'opening-talk', place } })).data);
  });
  after(() => test.stop());

  const publish = async (code: string): Promise<void> => {
    const edit = `http://hollinfell.localhost:${test.world.port}/edit/api`;
    const headers = { 'content-type': 'application/json' };
    await fetch(`${edit}/spots`, {
      method: 'PUT',
      headers,
      body: JSON.stringify({ page: 'talks', spot: 'opening', code }),
    });
    await fetch(`${edit}/publish`, { method: 'POST', headers, body: JSON.stringify({ page: 'talks' }) });
  };
  const deliver = async () =>
    (await test.client.call('deliveries.create', { params: { placement: id } })).data;
  const now = async (): Promise<Placement> =>
    (await test.client.call('placements.read', { params: { placement: id } })).data;
  const save = async (options: Options): Promise<void> => {
    const { etag } = await test.client.call('embeds.read', { params: { embed: 'opening-talk' } });
    await test.client.call('revisions.create', {
      params: { embed: 'opening-talk' },
      ifMatch: etag!,
      body: { options },
    });
  };

  it('leaves what was never pasted planned', async () => {
    const sweep = await sweepAll(test.client);
    expect(sweep).to.deep.include({
      state: 'done',
      pages: 1,
      read: 1,
      unreachable: 0,
      counts: { planned: 1 },
    });
    expect(await now()).to.deep.include({ state: 'planned', carries: null, lastSeenAt: null });
  });

  it('sees a pasted code live, and issues the same delivery as long as nothing differs', async () => {
    const first = await deliver();
    expect(first.text).to.include(`data-orbis="${id}.1"`).and.include('from=112');
    expect((await deliver()).number).to.equal(1);
    await publish(first.text);
    await sweepAll(test.client);
    const seen = await now();
    expect(seen).to.deep.include({ state: 'live', carries: { delivery: 1, revision: 1 } });
    expect(seen.lastSeenAt).to.match(/^2\d{3}-.*\.\d{3}Z$/);
  });

  it('is shown as out of date as soon as a setting is changed, before any sweep', async () => {
    await save({ start: 112, end: 184 });
    const seen = await now();
    expect(seen).to.deep.include({
      state: 'out-of-date',
      revision: 2,
      carries: { delivery: 1, revision: 1 },
    });
    expect(seen.findings.map((f) => f.rule)).to.deep.equal(['out-of-date']);
    const { data } = await test.client.call('placements.list', { query: { state: 'out-of-date' } });
    expect(data.items.map((item) => item.id)).to.deep.equal([id]);
    expect((await sweepAll(test.client)).counts).to.deep.equal({ 'out-of-date': 1 });
    expect(
      (await now()).findings.map((f) => f.rule),
      'said once',
    ).to.deep.equal(['out-of-date']);
  });

  it('is current again when the setting is taken back, with no new code to paste', async () => {
    await save({ start: 112 });
    expect(await now()).to.deep.include({
      state: 'live',
      revision: 3,
      carries: { delivery: 1, revision: 1 },
    });
    await save({ start: 112, end: 184 });
  });

  it('knows the next delivery by its number', async () => {
    const next = await deliver();
    expect(next).to.include({ number: 2, revision: 4 });
    await publish(next.text);
    await sweepAll(test.client);
    expect(await now()).to.deep.include({ state: 'live', carries: { delivery: 2, revision: 4 } });
  });

  it('says that the editor altered the code, and shows how', async () => {
    await publish((await deliver()).text.replace('until=184', 'until=18'));
    await sweepAll(test.client);
    const seen = await now();
    expect(seen.state).to.equal('altered');
    expect(seen.findings[0]!.facts['found']).to.include('until=18"');
  });

  it('says that the code is gone, and keeps when it was last seen', async () => {
    const before = (await now()).lastSeenAt;
    await publish('<p>Nothing here today.</p>');
    await sweepAll(test.client);
    expect(await now()).to.deep.include({ state: 'missing', lastSeenAt: before });
  });

  it('reads past the page’s cache, so it sees what was just published', async () => {
    await publish((await deliver()).text);
    await sweepAll(test.client);
    expect((await now()).state).to.equal('live');
  });

  it('is told by events, the last of which is its end', async () => {
    const { data } = await test.client.call('sweeps.create', { body: { page } });
    const events: Sweep[] = [];
    for await (const event of eventsIn<Sweep>(
      await test.client.open('sweeps.events', { params: { sweep: data.id } }),
    ))
      events.push(event);
    expect(events.at(-1)).to.deep.include({ state: 'done', read: 1 });
    const { data: pages } = await test.client.call('sweeps.pages', { params: { sweep: data.id } });
    expect(pages.items[0]!.seen[0]).to.deep.include({ embed: 'opening-talk', state: 'live' });
  });

  it('tells the plan of the page what is there, what is to be replaced, and what is left behind by a placement that ended', async () => {
    const steps = async () =>
      (await test.client.call('plans.read', { params: { page } })).data.steps.map(({ action, place }) => [
        action,
        place,
      ]);
    expect(await steps()).to.deep.equal([['already-there', place]]);
    await save({ start: 60 });
    expect(await steps()).to.deep.equal([['replace', place]]);
    // What the plan shows is what is handed out then, to the number.
    const shown = (await test.client.call('plans.read', { params: { page } })).data.snippets.map(
      ({ text }) => text,
    );
    expect(shown).to.deep.equal([(await deliver()).text]);
    expect(
      (await test.client.call('plans.read', { params: { page } })).data.snippets.map(({ text }) => text),
    ).to.deep.equal(shown);
    await test.client.call('placements.delete', { params: { placement: id }, ifMatch: '*' });
    expect(await steps()).to.deep.equal([['take-out', place]]);
    await sweepAll(test.client);
    expect(await steps(), 'a sweep still finds it').to.deep.equal([['take-out', place]]);
    await publish('<p>Nothing here today.</p>');
    await sweepAll(test.client);
    expect(await steps()).to.deep.equal([]);
    ({ id } = (await test.client.call('placements.create', { body: { embed: 'opening-talk', place } })).data);
    expect(await steps()).to.deep.equal([['paste', place]]);
    await publish((await deliver()).text);
    await sweepAll(test.client);
  });

  it('ends a placement, and keeps what was issued for it', async () => {
    const { data } = await test.client.call('placements.create', {
      body: { embed: 'opening-talk', place: `${page}#north` },
    });
    await test.client.call('deliveries.create', { params: { placement: data.id } });
    await test.client.call('placements.delete', { params: { placement: data.id }, ifMatch: '*' });
    const again = await test.client.call('placements.create', {
      body: { embed: 'opening-talk', place: `${page}#north` },
    });
    expect(again.data.id).not.to.equal(data.id);
    const refused = await test.client
      .call('placements.create', { body: { embed: 'opening-talk', place: `${page}#north` } })
      .catch((error: ApiError) => error);
    expect(refused).to.include({ code: 'already-placed' });
    const inUse = await test.client
      .call('spots.delete', { params: { spot: `${page}#north` }, ifMatch: '*' })
      .catch((error: ApiError) => error);
    expect(inUse).to.include({ code: 'in-use' });
  });

  it('offers the embed that a marked code came from instead of collecting it again', async () => {
    const error = await test.client
      .call('embeds.create', { body: { name: 'Again', text: (await deliver()).text } })
      .catch((reason: ApiError) => reason);
    expect(error)
      .to.include({ code: 'marked-code' })
      .and.have.nested.property('problem.facts.embed', 'opening-talk');
  });

  it('says of what is retired that it is to be taken out, and misses nothing of it once it is', async () => {
    await publish((await deliver()).text);
    const { etag } = await test.client.call('embeds.read', { params: { embed: 'opening-talk' } });
    await test.client.call('embeds.change', {
      params: { embed: 'opening-talk' },
      ifMatch: etag!,
      body: { retired: true },
    });
    await sweepAll(test.client);
    expect((await now()).findings.map(({ rule, remedy }) => [rule, remedy])).to.deep.equal([
      ['retired', 'Take it out of the page, or restore the embed.'],
    ]);
    const { data } = await test.client.call('plans.read', { params: { page } });
    expect(data.steps.map(({ action, place: at }) => [action, at])).to.deep.equal([['take-out', place]]);
    await publish('');
    await sweepAll(test.client);
    expect(await now()).to.deep.include({ state: 'planned', findings: [] });
  });
});

describe('a sweep of a slow site', () => {
  let test: TestOrbis;
  let site: Server;
  let asked = 0;
  let open: () => void = () => {};
  before(async () => {
    test = await startTestOrbis();
    // Each page is held back until the test lets it go.
    site = createServer((_request, response) => {
      asked++;
      open = () => response.writeHead(200, { 'content-type': 'text/html' }).end('<p>x</p>');
      if (asked > 2) open();
    });
    await new Promise<void>((resolve) => site.listen(0, '127.0.0.1', resolve));
    await test.client.call('sites.create', {
      body: {
        key: 'slow',
        name: 'Slow',
        address: `http://slow.localhost:${(site.address() as AddressInfo).port}`,
      },
    });
    for (const path of ['a', 'b', 'c', 'd'])
      await test.client.call('pages.create', { body: { key: `slow/${path}`, title: path } });
  });
  after(async () => {
    await test.stop();
    site.closeAllConnections();
    await new Promise((resolve) => site.close(resolve));
  });
  const until = async (what: () => boolean): Promise<void> => {
    while (!what()) await new Promise((resolve) => setTimeout(resolve, 10));
  };

  it('stops at a page when the service stops, and goes on at the next start', async () => {
    // The thread that reads is there already: what is to be seen is how a page comes to its end.
    await test.client.call('readings.create', { body: { text: 'words' } });
    const { data } = await test.client.call('sweeps.create', { body: {} });
    await until(() => asked === 1);
    const stopped = test.restart();
    open();
    await stopped;
    const { data: after } = await test.client.call('sweeps.read', { params: { sweep: data.id } });
    expect(after.read).to.be.at.least(1).and.below(4);
    await until(() => asked === 2);
    open();
    for (;;) {
      const { data: now } = await test.client.call('sweeps.read', { params: { sweep: data.id } });
      if (now.endedAt === null) continue;
      expect(now).to.include({ state: 'done', read: 4 });
      break;
    }
    expect(asked, 'no page is read twice').to.equal(4);
  });

  it('says why a page cannot be read, and that this says nothing of the embed', async () => {
    const closed = createServer();
    await new Promise<void>((resolve) => closed.listen(0, '127.0.0.1', resolve));
    const { port } = closed.address() as AddressInfo;
    await new Promise((resolve) => closed.close(resolve));
    await test.client.call('sites.create', {
      body: { key: 'gone', name: 'Gone', address: `http://gone.localhost:${port}` },
    });
    await test.client.call('pages.create', { body: { key: 'gone/', title: 'Home' } });
    await test.client.call('spots.create', { body: { key: 'gone/#main' } });
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(1) } });
    const { data: placement } = await test.client.call('placements.create', {
      body: { embed: 'talk', place: 'gone/#main' },
    });
    const { data } = await test.client.call('sweeps.create', { body: { site: 'gone' } });
    await (await test.client.open('sweeps.events', { params: { sweep: data.id } })).text();
    const { data: now } = await test.client.call('placements.read', { params: { placement: placement.id } });
    expect(now).to.deep.include({ state: 'unreachable', checkedAt: null });
    expect(now.findings[0]!.message).to.equal(
      `The page could not be read: nothing answers at gone.localhost:${port}.`,
    );
  });
});
