import { expect } from 'chai';
import fc from 'fast-check';
import { ApiError, type Client, type Change } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import { declareSite, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

const place = 'hollinfell/talks#opening';

describe('taking back what was done', () => {
  let test: TestOrbis;
  const call: Client['call'] = (name, options) => test.client.call(name, options);
  const code = (id: string): string => talkCode(test.world.port, id);

  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['opening', 'second', 'side']);
    await call('sharedSpots.create', { body: { key: 'hollinfell#side', under: 'ta' } });
    await call('pages.create', { body: { key: 'hollinfell/empty', title: 'Empty' } });
    await call('pages.create', { body: { key: 'hollinfell/{foot}', title: 'Foot' } });
    await call('spots.create', { body: { key: 'hollinfell/{foot}#main' } });
    for (const spot of ['a', 'b']) await call('spots.create', { body: { key: `hollinfell/empty#${spot}` } });
    await call('embeds.create', { body: { name: 'Talk', text: code('a1'), tags: ['talks'] } });
    await call('embeds.create', { body: { name: 'Other', text: code('a2'), options: { start: 5 } } });
  });
  after(() => test.stop());

  /* All that owners see of the collection and the register, without numbers and times. */
  async function picture(): Promise<object> {
    const { items } = (await call('embeds.list', { query: { limit: 200 } })).data;
    const embeds = await Promise.all(
      items.map(async ({ key }) => {
        const { name, notes, tags, retired, kind, base, placements, current } = (
          await call('embeds.read', { params: { embed: key } })
        ).data;
        return { key, name, notes, tags, retired, kind, base, placements, options: current.options };
      }),
    );
    const [sites, pages, shared, presets, rules, placements] = await Promise.all([
      call('sites.list', {}),
      call('pages.list', {}),
      call('sharedSpots.list', {}),
      call('presets.list', {}),
      call('rules.read', {}),
      call('placements.list', {}),
    ]);
    return {
      embeds: sorted(embeds),
      sites: sorted(sites.data.items.map(({ createdAt: _, ...site }) => site)),
      pages: sorted(
        pages.data.items.map(({ key, title, block, spots }) => ({ key, title, block, spots: sorted(spots) })),
      ),
      shared: sorted(shared.data.items),
      presets: presets.data.items,
      rules: rules.data,
      placements: sorted(
        placements.data.items.map(({ embed, place: where, options, note, pausedAt }) => ({
          ...{ key: `${embed} ${where}`, options, note, paused: pausedAt !== null },
        })),
      ),
    };
  }
  const sorted = <T extends { key: string }>(items: readonly T[]): T[] =>
    [...items].sort((a, b) => (a.key < b.key ? -1 : 1));

  const last = async (): Promise<Change | undefined> =>
    (await call('changes.list', { query: { limit: 1, standing: 'true' } })).data.items[0];
  const undo = async (id: string) => (await call('changes.undo', { params: { change: id }, body: {} })).data;
  const read = async (embed: string) => (await call('embeds.read', { params: { embed } })).data;
  const change = (embed: string, body: object) =>
    call('embeds.change', { params: { embed }, body, ifMatch: '*' });
  const set = (embed: string, options: object) =>
    call('revisions.create', { params: { embed }, body: { options: options as never }, ifMatch: '*' });
  const renew = (embed: string, id: string) =>
    call('sources.create', { params: { embed }, body: { text: code(id), anyway: true }, ifMatch: '*' });
  const placement = async (): Promise<string> => {
    const { items } = (await call('placements.list', { query: { page: 'hollinfell/talks' } })).data;
    return items[0]?.id ?? '0000000000';
  };
  const site = (body: object) => call('sites.change', { params: { site: 'hollinfell' }, body, ifMatch: '*' });

  let made = 0;
  /* Everything that can be taken back, as it is called in the list of what was done. */
  const acts: Record<string, { kind: Change['kind']; said: RegExp; act: () => Promise<unknown> }> = {
    'collecting': {
      kind: 'collected',
      said: /^Collected new-\d+$/,
      act: () => call('embeds.create', { body: { name: `New ${made++}`, text: code('c1') } }),
    },
    'importing': {
      kind: 'collected',
      said: /^Collected 7 embeds: i-\d+, .* and 2 more$/,
      act: () =>
        call('imports.create', {
          body: { items: Array.from({ length: 7 }, () => ({ name: `i ${made++}`, text: code(`i${made}`) })) },
        }),
    },
    'copying': {
      kind: 'collected',
      said: /^Collected copy-\d+$/,
      act: () => call('embeds.duplicate', { params: { embed: 'talk' }, body: { name: `Copy ${made++}` } }),
    },
    'setting options': {
      kind: 'options',
      said: /^Set options of other: end=1:40 without start$/,
      act: () => set('other', { end: 100 }),
    },
    'setting options of many': {
      kind: 'group',
      said: /^Set options of (?:\d+|one) embeds? \(kind=video\): loop=on$/,
      act: () => call('changes.create', { body: { where: 'kind=video', options: { loop: true } } }),
    },
    'a newer code': {
      kind: 'renewed',
      said: /^Took a newer code for talk$/,
      act: () => renew('talk', `r${made++}`),
    },
    'bringing back': {
      kind: 'brought-back',
      said: /^Brought revision 1 of talk back$/,
      act: () =>
        call('revisions.restore', {
          params: { embed: 'talk', revision: '1' },
          body: {},
          ifMatch: '*',
        }),
    },
    'renaming': {
      kind: 'details',
      said: /^Changed name, notes and tags of talk$/,
      act: () => change('talk', { name: `Talk ${made++}`, notes: `n${made}`, tags: [`t${made}`] }),
    },
    'retiring': {
      kind: 'details',
      said: /^(?:Retired|Restored) other$/,
      act: async () => change('other', { retired: !(await read('other')).retired }),
    },
    'placing': {
      kind: 'placed',
      said: /^Placed talk in hollinfell\/talks#opening$/,
      act: () => call('placements.create', { body: { embed: 'talk', place } }),
    },
    'options at one place': {
      kind: 'placed-options',
      said: /^Set options of talk in hollinfell\/talks#opening: max-width=\d+$/,
      act: async () =>
        call('placements.change', {
          params: { placement: await placement() },
          body: { options: { 'max-width': 300 + made++ } },
          ifMatch: '*',
        }),
    },
    'ending': {
      kind: 'ended',
      said: /^Ended the placement of talk in hollinfell\/talks#opening$/,
      act: async () => call('placements.delete', { params: { placement: await placement() }, ifMatch: '*' }),
    },
    'noting and pausing': {
      kind: 'placed-details',
      said: /^(?:Changed the note of talk in hollinfell\/talks#opening; )?(?:Paused|Let) talk in /,
      act: async () => {
        const id = await placement();
        const { data } = await call('placements.read', { params: { placement: id } });
        return call('placements.change', {
          params: { placement: id },
          body: { note: `n${made++}`, paused: data.pausedAt === null },
          ifMatch: '*',
        });
      },
    },
    'pausing many': {
      kind: 'placements',
      said: /^Paused talk in hollinfell\/talks#opening$/,
      act: async () =>
        call('placements.changeMany', { body: { placements: [await placement()], make: 'paused' } }),
    },
    'ending many': {
      kind: 'placements',
      said: /^Ended talk in hollinfell\/talks#opening$/,
      act: async () =>
        call('placements.changeMany', { body: { placements: [await placement()], make: 'ended' } }),
    },
    'moving': {
      kind: 'moved',
      said: /^Moved talk from hollinfell\/talks#opening to hollinfell\/talks#second$/,
      act: async () =>
        call('placements.move', {
          params: { placement: await placement() },
          body: { place: 'hollinfell/talks#second' },
          ifMatch: '*',
        }),
    },
    'removing a page with what is on it': {
      kind: 'removed',
      said: /^Removed the page hollinfell\/talks$/,
      act: () =>
        call('pages.delete', {
          params: { page: 'hollinfell/talks' },
          query: { placements: 'end' },
          ifMatch: '*',
        }),
    },
    'removing a page with nothing on it': {
      kind: 'removed',
      said: /^Removed the page hollinfell\/empty$/,
      act: () => call('pages.delete', { params: { page: 'hollinfell/empty' }, ifMatch: '*' }),
    },
    'moving a page': {
      kind: 'page-moved',
      said: /^Gave the page hollinfell\/talks the address hollinfell\/talks\/\d+$/,
      act: () =>
        call('pages.change', {
          params: { page: 'hollinfell/talks' },
          body: { path: `talks/${made++}` },
          ifMatch: '*',
        }),
    },
    'removing a site with what is on it': {
      kind: 'removed',
      said: /^Removed the site hollinfell$/,
      act: () =>
        call('sites.delete', {
          params: { site: 'hollinfell' },
          query: { placements: 'end' },
          ifMatch: '*',
        }),
    },
    'adding a site': {
      kind: 'added',
      said: /^Added the site s\d+$/,
      act: () =>
        call('sites.create', { body: { key: `s${made++}`, name: 'S', address: 'http://s.localhost' } }),
    },
    'changing a site': {
      kind: 'changed',
      said: /^Changed the site hollinfell$/,
      act: () =>
        site({ name: `Fell ${made++}`, head: made % 2 === 0, defaults: { any: { 'max-width': made } } }),
    },
    'adding a page': {
      kind: 'added',
      said: /^Added the page hollinfell\/p\d+$/,
      act: () => call('pages.create', { body: { key: `hollinfell/p${made++}`, title: 'P' } }),
    },
    'retitling a page': {
      kind: 'changed',
      said: /^Changed the page hollinfell\/talks$/,
      act: () =>
        call('pages.change', {
          params: { page: 'hollinfell/talks' },
          body: { title: `T${made++}` },
          ifMatch: '*',
        }),
    },
    'adding a spot': {
      kind: 'added',
      said: /^Added the spot hollinfell\/talks#s\d+$/,
      act: () => call('spots.create', { body: { key: `hollinfell/talks#s${made++}` } }),
    },
    'widths of a spot': {
      kind: 'changed',
      said: /^Changed the spot hollinfell\/talks#second$/,
      act: () =>
        call('spots.change', {
          params: { spot: 'hollinfell/talks#second' },
          body: { widths: { phone: 300 + made++, tablet: 700, desktop: 900 } },
          ifMatch: '*',
        }),
    },
    'removing a spot': {
      kind: 'removed',
      said: /^Removed the spot hollinfell\/talks#second$/,
      act: () => call('spots.delete', { params: { spot: 'hollinfell/talks#second' }, ifMatch: '*' }),
    },
    'a block': {
      kind: 'added',
      said: /^Added the block hollinfell\/\{b\d+\}$/,
      act: () => call('pages.create', { body: { key: `hollinfell/{b${made++}}`, title: 'A block' } }),
    },
    'which pages show a block': {
      kind: 'changed',
      said: /^Changed the block hollinfell\/\{foot\}$/,
      act: () =>
        call('pages.change', {
          params: { page: 'hollinfell/{foot}' },
          body: { title: `Foot ${made++}`, block: { under: `t${made}`, stands: 'before' } },
          ifMatch: '*',
        }),
    },
    'removing a block': {
      kind: 'removed',
      said: /^Removed the block hollinfell\/\{foot\}$/,
      act: () => call('pages.delete', { params: { page: 'hollinfell/{foot}' }, ifMatch: '*' }),
    },
    'a spot of many pages': {
      kind: 'added',
      said: /^Added the shared spot hollinfell#m\d+$/,
      act: () => call('sharedSpots.create', { body: { key: `hollinfell#m${made++}`, under: 'ta' } }),
    },
    'taking a spot in': {
      kind: 'added',
      said: /^Added the shared spot hollinfell#second$/,
      act: () =>
        call('sharedSpots.create', {
          body: {
            key: 'hollinfell#second',
            widths: { phone: 200 + made++, tablet: 700, desktop: 900 },
            takesIn: true,
          },
        }),
    },
    'the size of a spot of many pages': {
      kind: 'changed',
      said: /^Changed the shared spot hollinfell#side$/,
      act: () =>
        call('sharedSpots.change', {
          params: { shared: 'hollinfell#side' },
          body: { widths: { phone: 100 + made++, tablet: 700, desktop: 900 } },
          ifMatch: '*',
        }),
    },
    'a spot as on many pages': {
      kind: 'changed',
      said: /^Changed the spot hollinfell\/talks#side$/,
      act: () =>
        call('spots.change', {
          params: { spot: 'hollinfell/talks#side' },
          body: { shared: true },
          ifMatch: '*',
        }),
    },
    'removing a spot of many pages': {
      kind: 'removed',
      said: /^Removed the shared spot hollinfell#side$/,
      act: () => call('sharedSpots.delete', { params: { shared: 'hollinfell#side' }, ifMatch: '*' }),
    },
    'a preset': {
      kind: 'added',
      said: /^Added the preset p\d+$/,
      act: () =>
        call('presets.save', {
          params: { preset: `p${made++}` },
          body: { options: { loop: true } },
          ifNoneMatch: '*',
        }),
    },
    'rules': {
      kind: 'changed',
      said: /^Changed the rules for all embeds$/,
      act: async () =>
        call('rules.change', {
          body: { dropTracking: !(await call('rules.read', {})).data.dropTracking },
          ifMatch: '*',
        }),
    },
  };

  /* What some acts need to have been done before. */
  const first: Record<string, string[]> = {
    'bringing back': ['a newer code'],
    'options at one place': ['placing'],
    'ending': ['placing'],
    'noting and pausing': ['placing'],
    'pausing many': ['placing'],
    'ending many': ['placing'],
    'moving': ['placing'],
    'removing a page with what is on it': ['placing'],
    'removing a site with what is on it': ['placing'],
  };

  for (const [name, { kind, said, act }] of Object.entries(acts))
    it(`undoes ${name}`, async () => {
      const needed = first[name] ?? [];
      const start = await picture();
      for (const earlier of needed) await acts[earlier]!.act();
      const before = needed.length === 0 ? start : await picture();
      await act();
      expect(await picture()).to.not.deep.equal(before);
      const done = await last();
      expect([done!.kind, done!.lasting, done!.undoneAt]).to.deep.equal([kind, false, null]);
      expect(done!.said).to.match(said);
      const undone = await undo(done!.id);
      expect(undone.undoneAt).to.be.a('string');
      expect(await picture()).to.deep.equal(before);
      expect((await refusal(undo(done!.id))).code).to.equal('change-undone');
      if (needed.length === 0) return;
      for (const _ of needed) await undo((await last())!.id);
      expect(await picture()).to.deep.equal(start);
    });

  it('goes back step by step over whatever was done, in any order', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom(...Object.keys(acts)), { minLength: 2, maxLength: 9 }),
        async (names) => {
          const pictures = [await picture()];
          const done: string[] = [];
          let newest = (await last())!.id;
          for (const name of names) {
            // Some are refused behind others, such as placing twice; then nothing was done.
            await acts[name]!.act().catch((error: unknown) => {
              if (!(error instanceof ApiError)) throw error;
            });
            const change = (await last())!;
            if (change.id === newest) continue;
            newest = change.id;
            done.push(change.id);
            pictures.push(await picture());
          }
          for (let top = await last(); top && done.includes(top.id); top = await last()) {
            pictures.pop();
            await undo(top.id);
            expect(await picture()).to.deep.equal(pictures.at(-1));
          }
          expect(pictures.length).to.equal(1);
        },
      ),
      { numRuns: 4 },
    );
  });

  it('says what it does not reach: code on pages', async () => {
    await acts['placing']!.act();
    const placed = (await last())!;
    await call('deliveries.create', { params: { placement: await placement() } });
    await set('talk', { start: 9 });
    expect((await undo((await last())!.id)).remains).to.match(/^One place may carry another code now/);
    expect((await undo(placed.id)).remains).to.equal(
      `Its code was handed out for ${place}: take it out there, if it was pasted.`,
    );
    expect((await read('talk')).placements).to.equal(0);
  });

  it('does not list what left all as it was', async () => {
    const { id } = (await last())!;
    const { data } = await call('sites.read', { params: { site: 'hollinfell' } });
    await site({ name: data.name, head: data.head, defaults: data.defaults });
    await call('rules.change', { body: (await call('rules.read', {})).data, ifMatch: '*' });
    expect((await last())!.id).to.equal(id);
  });

  it('refuses what was changed since, and does nothing', async () => {
    await set('other', { end: 50 });
    const { id } = (await last())!;
    await set('other', { end: 60 });
    const before = await picture();
    const error = await refusal(undo(id));
    expect([error.code, error.message.includes('other')]).to.deep.equal(['changed-since', true]);
    expect(await picture()).to.deep.equal(before);
  });

  it('refuses to take out of the collection what was placed or changed', async () => {
    await acts['collecting']!.act();
    const collected = (await last())!;
    const embed = collected.said.split(' ')[1]!;
    await change(embed, { notes: 'mine' });
    expect((await refusal(undo(collected.id))).code).to.equal('changed-since');
    const { data } = await call('placements.create', { body: { embed, place } });
    await call('deliveries.create', { params: { placement: data.id } });
    await call('placements.delete', { params: { placement: data.id }, ifMatch: '*' });
    expect((await refusal(undo(collected.id))).code).to.equal('in-use');
  });

  it('offers an embed of a page again whose taking was taken back', async () => {
    const { data } = await call('harvests.create', { body: { text: `<p>x</p>${code('h1')}<p>y</p>` } });
    await call('harvests.take', { params: { harvest: data.id }, body: { items: [{ number: 1 }], tags: [] } });
    await undo((await last())!.id);
    const again = (await call('harvests.read', { params: { harvest: data.id } })).data;
    expect(again.items.map(({ state }) => state)).to.deep.equal(['offered']);
  });

  it('names a sheet that was saved, and leaves it', async () => {
    const sheet = { ...builtInSheets().find(({ id }) => id === 'kinorill')!, version: 9 };
    await call('providers.save', {
      params: { provider: 'kinorill' },
      body: { text: JSON.stringify(sheet), accept: true },
      ifMatch: '*',
    });
    const done = (await last())!;
    expect([done.said, done.lasting]).to.deep.equal(['Saved the sheet of kinorill', true]);
    expect((await refusal(undo(done.id))).code).to.equal('change-lasting');
  });

  it('tells one thing that was done, and nothing of what nobody did', async () => {
    const done = (await last())!;
    expect((await call('changes.read', { params: { change: done.id } })).data).to.deep.equal(done);
    expect((await refusal(call('changes.read', { params: { change: '0000000000' } }))).code).to.equal(
      'not-found',
    );
  });

  it('is done once, however many ask at once', async () => {
    await set('talk', { start: 77 });
    const { id } = (await last())!;
    const answers = await Promise.allSettled(Array.from({ length: 5 }, () => undo(id)));
    expect(answers.filter(({ status }) => status === 'fulfilled').length).to.equal(1);
    expect((await read('talk')).current.options).to.not.have.property('start');
  });
});
