import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import type { ApiError } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { codeOf } from './support/calls.ts';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { publishedWith, type Published } from './support/published.ts';

/* Words that stand nowhere else, one for each place where an owner can write. */
const words = [
  'Wolfsbane',
  'Quillwort',
  'Marestail',
  'Sundew',
  'Bogbean',
  'Asphodel',
  'Butterbur',
  'Sedge',
] as const;
const [inCode, inNotes, inTag, inOption, inPlace, inNote, inRevision, inTerms] = words;

describe('an embed that is purged', () => {
  let test: TestOrbis;
  let talks: Published;
  const params = { embed: 'opening' };
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    talks = publishedWith(test);
    const { client } = test;
    const text = talkCode(test.world.port).replace('<iframe', `<iframe data-of="${inCode}"`);
    await client.call('embeds.create', {
      body: { name: 'Opening', text, notes: inNotes, tags: [inTag], options: { heading: inOption } },
    });
    await client.call('embeds.create', { body: { name: 'Other', text: talkCode(test.world.port) } });
    const opening = await talks.place('opening', 'opening', { caption: inPlace });
    await client.call('placements.change', {
      params: { placement: opening },
      ifMatch: '*',
      body: { note: inNote },
    });
    await client.call('revisions.create', {
      params,
      ifMatch: '*',
      body: { options: { heading: `${inOption} again` }, note: inRevision },
    });
    await client.call('terms.writeOfEmbed', { params, ifMatch: '*', body: { licence: inTerms } });
    const code = (await talks.delivered(opening)).text;
    await talks.publish(code);
    await sweepAll(client);
    // What a sweep says of a changed code quotes it.
    await talks.publish(code.replace(' allow="fullscreen"', ''));
    await sweepAll(client);
    await talks.publish(code);
    await sweepAll(client);
  });
  after(() => test.stop());
  const purge = (reason = 'The speaker took her leave back.') =>
    test.client.call('embeds.purge', { params, ifMatch: '*', body: { reason } });
  const retire = (retired: boolean) =>
    test.client.call('embeds.change', { params, ifMatch: '*', body: { retired } });

  /* Every text of every table of the database, but for pages that were read whole. */
  const tablesWith = async (word: string): Promise<string[]> => {
    const { db } = test.orbis.connection;
    const [columns] = (await db.execute(sql`
      select table_name as t, column_name as c from information_schema.columns
      where table_schema = database() and data_type in ('varchar', 'longtext', 'mediumtext')`)) as unknown as [
      { t: string; c: string }[],
    ];
    const found: string[] = [];
    for (const { t, c } of columns) {
      const [rows] = (await db.execute(
        sql`select 1 from ${sql.identifier(t)} where ${sql.identifier(c)} like ${`%${word}%`} limit 1`,
      )) as unknown as [unknown[]];
      if (rows.length > 0) found.push(`${t}.${c}`);
    }
    return found;
  };

  it('was retired and ended before, so that nobody purges what is in use', async () => {
    expect(await codeOf(purge())).to.equal('not-retired');
    await retire(true);
    expect(await codeOf(purge())).to.equal('still-placed');
    for (const word of words) expect(await tablesWith(word), word).not.to.deep.equal([]);
  });

  it('leaves no word of its owner or its provider behind, in no table', async () => {
    await talks.endAll();
    const { data } = await purge();
    expect(data.purged).to.deep.include({ by: 'Tester', reason: 'The speaker took her leave back.' });
    expect([data.pasted, data.notes, data.tags, data.current.options]).to.deep.equal(['', '', [], {}]);
    for (const word of words) expect(await tablesWith(word), word).to.deep.equal([]);
  });

  it('is known all the same: where it stood, in which revisions, and who did what', async () => {
    const { client } = test;
    const { data: revisions } = await client.call('revisions.list', { params });
    expect(revisions.items.map(({ number }) => number)).to.deep.equal([2, 1]);
    const { data: changes } = await client.call('changes.list', {});
    expect(changes.items.map(({ said }) => said)).to.include.members([
      'Purged opening: The speaker took her leave back.',
      'Retired opening',
      'Set options of opening: …',
      'Placed opening in hollinfell/talks#opening',
    ]);
    const { data: plan } = await client.call('plans.read', { params: { page: 'hollinfell/talks' } });
    expect(plan.steps.map(({ action, place }) => [action, place])).to.deep.equal([
      ['take-out', 'hollinfell/talks#opening'],
    ]);
  });

  it('is not brought back, by whatever way', async () => {
    const { client } = test;
    const { data: changes } = await client.call('changes.list', {});
    for (const [what, call] of Object.entries({
      purge: purge(),
      restore: retire(false),
      place: client.call('placements.create', {
        body: { embed: 'opening', place: 'hollinfell/talks#north' },
      }),
      revise: client.call('revisions.create', { params, ifMatch: '*', body: { options: {} } }),
      renew: client.call('sources.create', {
        params,
        ifMatch: '*',
        body: { text: talkCode(test.world.port) },
      }),
      again: client.call('revisions.restore', { params: { ...params, revision: 1 }, ifMatch: '*', body: {} }),
      agree: client.call('terms.writeOfEmbed', { params, ifMatch: '*', body: { licence: 'free' } }),
      duplicate: client.call('embeds.duplicate', { params, body: { name: 'Copy' } }),
    }))
      expect(await codeOf(call), what).to.equal('embed-purged');
    // The spot of that name is another thing, and goes as any spot does.
    const ofEmbed = changes.items.filter(
      ({ said }) => /opening/.test(said) && !said.startsWith('Added the spot'),
    );
    for (const { id, said } of ofEmbed) {
      const error: ApiError = await client
        .call('changes.undo', { params: { change: id }, body: {} })
        .then(() => expect.fail(said))
        .catch((reason: ApiError) => reason);
      expect(error.code, said).to.be.oneOf(['embed-purged', 'change-lasting', 'in-use']);
    }
    const [last] = changes.items;
    expect(
      (await refusal(client.call('changes.undo', { params: { change: last!.id }, body: {} }))).message,
    ).to.equal(
      '“Purged opening: The speaker took her leave back.” is not taken back by itself: what was purged is gone for good.',
    );
    const { data: group } = await client.call('changes.create', {
      body: { where: 'kind=video', options: { start: 7 } },
    });
    expect(group.change?.embeds).to.equal(1);
  });

  it('goes out and in with the whole register as the fact that it is', async () => {
    const file = await (await test.client.open('register.read')).text();
    for (const word of words) expect(file).not.to.include(word);
    const empty = await startTestOrbis();
    try {
      const taken = await fetch(`${empty.url}/api/v1/register`, {
        method: 'POST',
        headers: { 'authorization': `Bearer ${empty.token}`, 'content-type': 'application/x-ndjson' },
        body: file,
      });
      expect(taken.status, await taken.text()).to.equal(201);
      const { data } = await empty.client.call('embeds.read', { params });
      expect([data.pasted, data.purged?.reason]).to.deep.equal(['', 'The speaker took her leave back.']);
    } finally {
      await empty.stop();
    }
  });
});
