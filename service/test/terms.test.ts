import { expect } from 'chai';
import type { Sheet } from '@orbis/core';
import { keepTermsFindings } from '../src/usecases/terms-findings.ts';
import { pino } from 'pino';
import type { TermsValues } from '@orbis/contract';
import { countHits } from '../src/frames/count-hits.ts';
import { codeOf } from './support/calls.ts';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const whole: TermsValues = {
  viewsAMonth: 10,
  price: { amount: 12.5, currency: 'EUR', every: 'month' },
  licence: 'CC BY 4.0',
  ends: '2031-12-31',
  personalData: false,
};

describe('what has been agreed upon with providers', () => {
  let test: TestOrbis;
  let placement = '';
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    const body = { embed: 'talk', place: 'hollinfell/talks#opening' };
    placement = (await test.client.call('placements.create', { body })).data.id;
  });
  after(() => test.stop());

  const ofEmbed = { params: { embed: 'talk' } };
  const ofProvider = { params: { provider: 'kinorill' } };
  const write = (body: Partial<TermsValues>, ifMatch = '*') =>
    test.client.call('terms.writeOfEmbed', { ...ofEmbed, body, ifMatch });
  const read = async () => (await test.client.call('terms.ofEmbed', ofEmbed)).data;
  const costs = async () => (await test.client.call('terms.costs', {})).data.costs;
  const undoLast = async () => {
    const { items } = (await test.client.call('changes.list', { query: { limit: 1, standing: 'true' } }))
      .data;
    return (await test.client.call('changes.undo', { params: { change: items[0]!.id }, body: {} })).data;
  };

  it('is nothing until somebody writes it, and names what is not there', async () => {
    const { data, etag } = await test.client.call('terms.ofEmbed', ofEmbed);
    expect(data).to.deep.include({
      embed: 'talk',
      provider: null,
      name: 'Talk',
      price: null,
      changedAt: null,
    });
    expect([etag, data.findings, data.views.times]).to.deep.equal(['"0"', [], 0]);
    expect(await codeOf(test.client.call('terms.ofEmbed', { params: { embed: 'nobody' } }))).to.equal(
      'not-found',
    );
    expect(await codeOf(test.client.call('terms.ofProvider', { params: { provider: 'nobody' } }))).to.equal(
      'not-found',
    );
    expect((await test.client.call('terms.list', {})).data.items).to.deep.equal([]);
  });

  it('is kept as it is written, listed, added up by currency, and taken back', async () => {
    expect((await write(whole)).data).to.deep.include({ ...whole, embed: 'talk' });
    const price = { amount: 90.1, currency: 'GBP', every: 'year' } as const;
    await test.client.call('terms.writeOfProvider', { ...ofProvider, body: { price }, ifMatch: '*' });
    const { items } = (await test.client.call('terms.list', {})).data;
    expect(items.map(({ embed, provider, name }) => [embed, provider, name])).to.deep.equal([
      ['talk', null, 'Talk'],
      [null, 'kinorill', 'Kinorill'],
    ]);
    expect(await costs()).to.deep.equal([
      { currency: 'EUR', amount: 150 },
      { currency: 'GBP', amount: 90.1 },
    ]);
    expect((await undoLast()).said).to.equal('Wrote down the terms of kinorill');
    expect((await test.client.call('terms.ofProvider', ofProvider)).data.price).to.equal(null);
    await write({ ...whole, licence: 'CC0' });
    await undoLast();
    expect((await read()).licence).to.equal('CC BY 4.0');
  });

  it('counts no price that is paid once, and none of a contract that is over', async () => {
    await write({ price: { amount: 500, currency: 'EUR', every: 'once' } });
    expect(await costs()).to.deep.equal([]);
    await write({ ...whole, ends: '2020-02-29' });
    expect(await costs()).to.deep.equal([]);
    const { findings } = await read();
    expect(findings[0]!.message).to.match(
      /^Its contract is over: 29 February 2020 was its last day, \d+ days ago\.$/,
    );
  });

  it('is not lost where the collecting of its embed is to be taken back', async () => {
    await test.client.call('embeds.create', {
      body: { name: 'Extra', text: talkCode(test.world.port, 'eX7tra') },
    });
    const { items } = (await test.client.call('changes.list', { query: { limit: 1 } })).data;
    const params = { embed: 'extra' };
    await test.client.call('terms.writeOfEmbed', { params, body: { licence: 'CC0' }, ifMatch: '*' });
    const back = () => test.client.call('changes.undo', { params: { change: items[0]!.id }, body: {} });
    expect(await codeOf(back())).to.equal('changed-since');
    await undoLast();
    expect((await back()).data.said).to.equal('Collected extra');
  });

  it('is gone where nothing is said any more', async () => {
    expect((await write({})).data).to.deep.include({ licence: '', changedAt: null });
    expect((await test.client.call('terms.list', {})).data.items).to.deep.equal([]);
    await undoLast();
    expect((await read()).licence).to.equal('CC BY 4.0');
  });

  it('refuses what is no price, no day and no number, and says where', async () => {
    for (const [body, pointer, detail] of [
      [
        { price: { ...whole.price, currency: 'eur' } },
        '/price/currency',
        /three capital letters of ISO 4217/,
      ],
      [{ price: { ...whole.price, amount: 1.005 } }, '/price/amount', /./],
      [{ price: { ...whole.price, amount: -1 } }, '/price/amount', /./],
      [{ ends: '2027-02-30' }, '/ends', /./],
      [{ viewsAMonth: 0 }, '/viewsAMonth', /./],
      [{ licence: 'a\u0007b' }, '/licence', /without control characters/],
    ] as const) {
      const { errors } = (await refusal(write(body as never))).problem;
      expect(errors?.[0]?.pointer, JSON.stringify(body)).to.equal(pointer);
      expect(errors?.[0]?.detail).to.match(detail);
    }
  });

  it('is not written over what somebody else wrote meanwhile, and of two at once one is first', async () => {
    const { etag } = await test.client.call('terms.ofEmbed', ofEmbed);
    await write({ ...whole, licence: 'first' }, etag!);
    expect(await codeOf(write({ ...whole, licence: 'second' }, etag!))).to.equal('if-match-stale');
    const other = await test.another();
    try {
      const fresh = (await test.client.call('terms.ofEmbed', ofEmbed)).etag!;
      const both = await Promise.allSettled(
        [test.client, other.client].map((client, i) =>
          client.call('terms.writeOfEmbed', { ...ofEmbed, ifMatch: fresh, body: { licence: `from ${i}` } }),
        ),
      );
      expect(both.map(({ status }) => status).sort()).to.deep.equal(['fulfilled', 'rejected']);
    } finally {
      await other.stop();
    }
  });

  it('stands beside the views of this month, of the embed and of its provider, and is told of before it is used up', async () => {
    await write({ viewsAMonth: 10 });
    await test.client.call('terms.writeOfProvider', {
      ...ofProvider,
      body: { viewsAMonth: 1000 },
      ifMatch: '*',
    });
    const counter = countHits({
      connection: test.orbis.connection,
      origins: () => ({ console: 'https://orbis.example' }),
      now: () => new Date(),
      log: pino({ level: 'silent' }),
    });
    const show = async (times: number): Promise<void> => {
      for (let i = 0; i < times; i++)
        counter.note(
          { id: placement, sites: [] },
          { 'sec-fetch-dest': 'iframe', 'referer': `https://a.example/${i % 3}` },
        );
      await counter.flush();
    };
    const today = async () => (await test.client.call('today.read', {})).data.terms;
    await show(7);
    expect([(await read()).views.times, (await read()).findings, await today()]).to.deep.equal([7, [], []]);
    await show(1);
    expect((await read()).findings[0]).to.deep.include({
      ...{ rule: 'views-run-short', level: 'warning' },
      message: 'It has had 8 of 10 views this month: not many are left.',
    });
    await show(5);
    expect((await today()).map(({ name, findings }) => [name, findings[0]!.rule])).to.deep.equal([
      ['Talk', 'views-used-up'],
    ]);
    expect((await test.client.call('terms.ofProvider', ofProvider)).data.views.times).to.equal(13);
    await counter.stop();
  });

  it('tells on the start screen of what is worse first', async () => {
    const soon = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10);
    await test.client.call('terms.writeOfProvider', { ...ofProvider, body: { ends: soon }, ifMatch: '*' });
    const { terms } = (await test.client.call('today.read', {})).data;
    expect(terms.map(({ name, findings }) => [name, findings[0]!.level])).to.deep.equal([
      ['Talk', 'error'],
      ['Kinorill', 'warning'],
    ]);
  });

  it('wants attention where a contract ends, of an embed or with a provider, and no more once it goes on', async () => {
    const { client, orbis } = test;
    const now = new Date();
    const inDays = (days: number): string =>
      new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);
    const told = async (): Promise<string[]> => {
      await keepTermsFindings(orbis.connection.db, [{ id: 'kinorill', name: 'Kinorill' } as Sheet], now);
      const { items } = (await client.call('findings.list', { query: {} })).data;
      return items
        .map(({ rule, level, embedName, message }) => `${level} ${rule} ${embedName ?? message}`)
        .sort();
    };
    await write({ ends: inDays(10) });
    await client.call('terms.writeOfProvider', { ...ofProvider, body: { ends: inDays(-1) }, ifMatch: '*' });
    expect(await told()).to.deep.equal([
      `error contract-over The contract with Kinorill is over: ${dayWords(inDays(-1))} was its last day, one day ago.`,
      'warning contract-ends Talk',
    ]);
    await write({ ends: inDays(200) });
    await client.call('terms.writeOfProvider', { ...ofProvider, body: {}, ifMatch: '*' });
    expect(await told()).to.deep.equal([]);
  });
});

const dayWords = (day: string): string =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(day));
