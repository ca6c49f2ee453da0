/* Who may do what: every operation for every role, and for those who have to do with single sites. */
import { expect } from 'chai';
import { eq } from 'drizzle-orm';
import {
  apiBase,
  personRoles,
  routes,
  siteRoles,
  type At,
  type OrbisError,
  type PersonRole,
  type Route,
  type SiteRole,
} from '@orbis/contract';
import { person, sitePerson } from '../src/store/schema.ts';
import { refuseUnlessAllowed, type Asker, type Sent } from '../src/usecases/may.ts';
import { codeOf } from './support/calls.ts';
import { join, type Joined } from './support/people.ts';
import { refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

/* What each role may do beside what the one before it may, written down here once more: whoever changes the
   table of operations says so here as well. `x.*` is all operations of that name. */
const mayDo: Record<PersonRole, string> = {
  reader: `
    changeLists.list changeLists.read changeListPages.list changeListPages.read changes.feed changes.follow
    changes.list changes.read compositions.create contacts.blocked contacts.create deliveries.list embeds.list
    embeds.picture embeds.read endpoints.list findings.count findings.list findings.read harvests.list
    harvests.read headDeliveries.list heads.read history.* hosts.list inquiries.create inspections.events
    inspections.list inspections.losses inspections.read looks.heaviest looks.list looks.picture looks.read
    measurements.create news.follow news.list pageSurveys.create pages.list pages.read pages.standing
    pictures.create placementDays.read placements.hits placements.list placements.read plans.read presets.list
    presets.read previews.create providers.compare providers.list providers.read reach.read readings.create
    register.read register.table resources.list revisions.compare revisions.list revisions.read rules.read
    savedSearches.list savedSearches.read sharedSpots.list sharedSpots.read sites.list sites.read
    sites.specimen sites.standing spots.read spots.standing stills.create sweeps.events sweeps.list
    sweeps.onPage sweeps.pages sweeps.read terms.costs terms.list terms.ofEmbed terms.ofProvider
    thirdParties.read today.read weighings.create`,
  placer: `
    changeListPages.tick changeListPages.untick deliveries.create headDeliveries.create inspections.create
    inspections.stop looks.take placements.link planLinks.create planLinks.delete planLinks.list plans.tick
    resources.ask sweeps.create sweeps.pause sweeps.resume sweeps.stop`,
  editor: `
    changeLists.create changeLists.delete changeLists.fill changes.create changes.undo contacts.clear
    embeds.change embeds.create embeds.duplicate embeds.photograph endpoints.import endpoints.remove
    findings.decide findings.register findings.renew harvests.create harvests.take heads.change imports.*
    links.* pageImports.create pageSearches.create pages.change pages.create pages.delete placements.change
    placements.changeMany placements.create placements.delete placements.move presets.remove presets.save
    providers.learn providers.remove providers.save revisions.create revisions.restore rules.change
    savedSearches.remove savedSearches.save sharedSpots.change sharedSpots.create sharedSpots.delete
    sites.change sites.colours sites.create sites.delete sites.learn sources.create spots.change spots.create
    spots.delete terms.writeOfEmbed terms.writeOfProvider`,
  owner:
    'audit.* channels.* copies.* doctor.read embeds.purge messages.* people.* register.create security.demand',
};
const self =
  'codes.* passkeys.* password.change recoveryCodes.* security.read session.delete sessions.* tokens.create tokens.delete tokens.list';
const open =
  'invitations.read news.feed password.set session.ask session.create session.link session.passkey session.read sharedPlans.* tokens.exchange';

const all = Object.keys(routes);
const named = (text: string): string[] =>
  text
    .trim()
    .split(/\s+/)
    .flatMap((word) =>
      word.endsWith('.*') ? all.filter((name) => name.startsWith(word.slice(0, -1))) : [word],
    );

describe('rights', () => {
  let test: TestOrbis;
  const of: Partial<Record<PersonRole, Joined>> = {};
  before(async () => {
    test = await startTestOrbis();
    for (const role of personRoles) of[role] = await join(test, `The ${role}`, { role });
  });
  after(() => test.stop());

  it('know every operation', () => {
    const probes = all.filter((name) => name.startsWith('health.'));
    const told = [...Object.values(mayDo), self, open].flatMap(named);
    expect([...told, ...probes].sort()).to.deep.equal([...all].sort());
  });

  /* The code of an answer to a call that names nothing that there is. */
  const answered = async (name: string, token: string): Promise<string> => {
    const { method, path, takes } = routes[name as keyof typeof routes] as Route;
    const gone = new AbortController();
    const answer = await fetch(test.url + apiBase + path.replace(/:[a-z]+/g, 'x'), {
      method: method.toUpperCase(),
      headers: {
        'authorization': `Bearer ${token}`,
        'content-type': takes ?? 'application/json',
        'if-match': '"0"',
      },
      ...(method === 'get' || method === 'delete' ? {} : { body: '{}' }),
      signal: gone.signal,
    });
    const code = answer.ok ? 'done' : ((await answer.json()) as { code: string }).code;
    gone.abort();
    return code;
  };

  for (const role of personRoles)
    it(`let a ${role} do what is theirs, and nothing else`, async () => {
      const theirs = rightsOfRole(role);
      const wrong: string[] = [];
      for (const name of Object.values(mayDo).flatMap(named)) {
        const isRefused = (await answered(name, of[role]!.token)) === 'not-allowed';
        if (isRefused === theirs.has(name)) wrong.push(name);
      }
      expect(wrong).to.deep.equal([]);
    });

  it('are said, with whom to ask', async () => {
    const refused = await refusal(
      of.placer!.client.call('embeds.create', { body: { text: talkCode(test.world.port), name: 'Talk' } }),
    );
    expect(refused.problem.status).to.equal(403);
    expect(refused.message).to.equal(
      'It takes an editor or an owner to collect embeds; you are a placer of everything. Ask Tester, The editor or The owner.',
    );
  });

  it('of a token are those of its person, also when they change', async () => {
    const { client, id } = await join(test, 'Somebody', { role: 'editor' });
    await client.call('presets.save', {
      params: { preset: 'plain' },
      body: { meaning: 'Plain', options: {} },
      ifNoneMatch: '*',
    });
    const { etag } = await test.client.call('people.read', { params: { person: id } });
    await test.client.call('people.change', {
      params: { person: id },
      body: { role: 'reader' },
      ifMatch: etag!,
    });
    expect(
      await codeOf(client.call('presets.remove', { params: { preset: 'plain' }, ifMatch: '*' })),
    ).to.equal('not-allowed');
  });

  describe('on single sites', () => {
    /* Things of two sites, by what an operation calls them; of each an embed that is placed on it alone. */
    type Things = Record<Exclude<keyof Extract<At, object>, 'otherwise'>, string>;
    const things: Record<'fell' | 'moor', Things> = { fell: {} as Things, moor: {} as Things };
    const askers = {} as Record<SiteRole, Asker>;
    const joined = {} as Record<SiteRole, Joined>;

    before(async () => {
      for (const key of ['fell', 'moor'] as const) things[key] = await thingsOf(key);
      for (const role of siteRoles) {
        joined[role] = await join(test, `A ${role} of fell`, { sites: [{ site: 'fell', role }] });
        askers[role] = await askerOf(`A ${role} of fell`);
      }
    });

    const db = () => test.orbis.connection.db;
    const askerOf = async (name: string): Promise<Asker> => {
      const [row] = await db().select().from(person).where(eq(person.name, name));
      const sites = await db()
        .select({ site: sitePerson.siteId, role: sitePerson.role })
        .from(sitePerson)
        .where(eq(sitePerson.personId, row!.id));
      return { person: row!, rights: { role: null, sites } };
    };

    async function thingsOf(key: string): Promise<Things> {
      const { client, world } = test;
      const body = { key, name: key, address: `http://hollinfell.localhost:${world.port}/${key}` };
      await client.call('sites.create', { body });
      await client.call('pages.create', { body: { key: `${key}/talks`, title: 'Talks' } });
      await client.call('spots.create', { body: { key: `${key}/talks#main` } });
      await client.call('sharedSpots.create', { body: { key: `${key}#aside` } });
      const code = { text: talkCode(world.port, `nB4${key}`), name: `Talk of ${key}` };
      const { data: made } = await client.call('embeds.create', { body: code });
      const placed = await client.call('placements.create', {
        body: { embed: made.key, place: `${key}/talks#main` },
      });
      const { data: changes } = await client.call('changes.list', { query: { limit: 1 } });
      const { data: sweep } = await client.call('sweeps.create', { body: { page: `${key}/talks` } });
      return {
        ...{ site: key, page: `${key}/talks`, spot: `${key}/talks#main`, sharedSpot: `${key}#aside` },
        ...{ placement: placed.data.id, embed: made.key, change: changes.items[0]!.id, sweep: sweep.id },
        ...(await rowsOf(key)),
      };
    }

    /* What only sweeps and browsers make. */
    async function rowsOf(key: string): Promise<Pick<Things, 'look' | 'inspection' | 'finding'>> {
      const [looked, found] = [`0k00000${key.slice(0, 3)}`, `0f00000${key.slice(0, 3)}`].map((id) =>
        id.replace(/[ilou]/g, 'x'),
      );
      const of = `from page join site on site.id = page.site_id where site.key = '${key}'`;
      await db().execute(
        `insert into look (public_id, page_id, site_id, foreign_bytes, taken_at, seen)
         select '${looked}', page.id, site.id, 0, now(3), '{}' ${of}`,
      );
      await db().execute(
        `insert into finding (public_id, same, rule, ${'`rank`'}, site_id, page_id, facts, details, first_seen_at, last_seen_at)
         select '${found}', '${key}', 'missing', 2, site.id, page.id, '{}', '[]', now(3), now(3) ${of}`,
      );
      const { data } = await test.client.call('inspections.create', { body: { site: key, looks: 0 } });
      return { look: looked!, finding: found!, inspection: data.id };
    }

    /* A call that names these, where an operation says that it names things. */
    const sentWith = (at: Extract<At, object>, named: Things, but?: { thing: string; key: string }) => {
      const sent: Record<'params' | 'query' | 'body', Record<string, unknown>> = {
        params: {},
        query: {},
        body: {},
      };
      for (const [thing, where] of Object.entries(at)) {
        if (thing === 'otherwise') continue;
        const [place, ...steps] = where.split('.') as ['params', ...string[]];
        const key = but?.thing === thing ? but.key : named[thing as keyof Things];
        const last = steps.pop()!;
        let into = sent[place];
        for (const step of steps) into = into[step] = {};
        into[last] = last.endsWith('s') && place !== ('params' as string) ? [key] : key;
      }
      return sent;
    };
    const atThings = Object.entries(routes).flatMap(([name, { needs, at }]: [string, Route]) =>
      typeof at === 'object' ? [{ name, needs, at }] : [],
    );
    const outcome = (role: SiteRole, route: Pick<Route, 'needs' | 'at'>, sent: Sent): Promise<string> =>
      refuseUnlessAllowed(db(), askers[role], route, sent).then(
        () => 'allowed',
        (error: OrbisError) => error.code,
      );
    /* What was done to a thing is told to whoever did it alone. */
    const isAbout = ({ at }: { at: object }): boolean => !('change' in at);

    it('hold for the things of those sites', async () => {
      const wrong: string[] = [];
      for (const role of siteRoles)
        for (const route of atThings.filter(isAbout)) {
          const got = await outcome(role, route, sentWith(route.at, things.fell));
          const wanted = rightsOfRole(role).has(route.name) ? 'allowed' : 'not-allowed';
          if (got !== wanted) wrong.push(`${role} ${route.name}: ${got}`);
        }
      expect(wrong).to.deep.equal([]);
    });

    it('do not hold for any other thing: that is not there for them', async () => {
      const wrong: string[] = [];
      for (const role of siteRoles)
        for (const route of atThings)
          for (const thing of Object.keys(route.at).filter((each) => each !== 'otherwise')) {
            const but = { thing, key: things.moor[thing as keyof Things] };
            const got = await outcome(role, route, sentWith(route.at, things.fell, but));
            const wanted = rightsOfRole(role).has(route.name) ? 'not-found' : 'not-allowed';
            if (got !== wanted) wrong.push(`${role} ${route.name} ${thing}: ${got}`);
          }
      expect(wrong).to.deep.equal([]);
    });

    it('are no rights for everything', async () => {
      const wrong: string[] = [];
      for (const [name, route] of Object.entries(routes) as [string, Route][]) {
        if (route.at !== undefined || ['self', 'open', 'probe'].includes(route.needs)) continue;
        const got = await outcome('editor', route, { params: {}, query: {}, body: {} });
        if (got !== 'not-allowed') wrong.push(`${name}: ${got}`);
      }
      expect(wrong).to.deep.equal([]);
    });

    it('narrow lists to what is theirs', async () => {
      const { client } = joined.reader;
      const { data: sites } = await client.call('sites.list', {});
      expect(sites.items.map(({ key }) => key)).to.deep.equal(['fell']);
      for (const query of [{}, { kind: 'video' as const }, { where: 'kind=video' }]) {
        const { data: embeds } = await client.call('embeds.list', { query });
        expect(
          embeds.items.map(({ key }) => key),
          JSON.stringify(query),
        ).to.deep.equal(['talk-of-fell']);
      }
      const { data: placements } = await client.call('placements.list', {});
      expect(placements.items.map(({ place }) => place)).to.deep.equal(['fell/talks#main']);
      expect((await client.call('changes.list', {})).data.items).to.deep.equal([]);
    });

    it('ask for which site, where there are several', async () => {
      const { client } = await join(test, 'A reader of both', {
        sites: [
          { site: 'fell', role: 'reader' },
          { site: 'moor', role: 'editor' },
        ],
      });
      const asked = await refusal(client.call('placements.list', {}));
      expect(asked.code).to.equal('site-needed');
      expect(asked.message).to.include('fell and moor');
      const { data } = await client.call('placements.list', { query: { site: 'moor' } });
      expect(data.items).to.have.length(1);
      const title = { title: 'Changed' };
      const change = (page: string): Promise<unknown> =>
        client.call('pages.change', { params: { page }, body: title, ifMatch: '*' });
      expect(await codeOf(change('fell/talks'))).to.equal('not-allowed');
      await change('moor/talks');
    });

    it('let an embed be changed only where it is placed on those sites alone', async () => {
      const { client } = joined.editor;
      const change = (): Promise<unknown> =>
        client.call('embeds.change', {
          params: { embed: 'talk-of-fell' },
          body: { notes: 'x' },
          ifMatch: '*',
        });
      await change();
      await test.client.call('spots.create', { body: { key: 'moor/talks#second' } });
      await test.client.call('placements.create', {
        body: { embed: 'talk-of-fell', place: 'moor/talks#second' },
      });
      expect(await codeOf(change())).to.equal('not-allowed');
      expect((await client.call('embeds.read', { params: { embed: 'talk-of-fell' } })).data.notes).to.equal(
        'x',
      );
    });

    it('let whoever reads everything place on their site what they see, and say what they may not do', async () => {
      const { client } = await join(test, 'Reads all', {
        role: 'reader',
        sites: [{ site: 'fell', role: 'editor' }],
      });
      await client.call('spots.create', { body: { key: 'fell/talks#seen' } });
      await client.call('placements.create', { body: { embed: 'talk-of-moor', place: 'fell/talks#seen' } });
      const page = { params: { page: 'moor/talks' }, body: { title: 'Theirs' }, ifMatch: '*' };
      expect(await codeOf(client.call('pages.change', page))).to.equal('not-allowed');
      const notes = { params: { embed: 'talk-of-moor' }, body: { notes: 'x' }, ifMatch: '*' };
      expect(await codeOf(client.call('embeds.change', notes))).to.equal('not-allowed');
    });

    it('let people work with what they collected, and take back what they did', async () => {
      const { client } = joined.editor;
      const body = { text: talkCode(test.world.port, 'nB4own'), name: 'Own talk' };
      const { data: own } = await client.call('embeds.create', { body });
      await client.call('spots.create', { body: { key: 'fell/talks#own' } });
      await client.call('placements.create', { body: { embed: own.key, place: 'fell/talks#own' } });
      const { data } = await client.call('changes.list', {});
      expect(data.items[0]).to.include({ kind: 'placed', by: 'A editor of fell' });
      await client.call('changes.undo', { params: { change: data.items[0]!.id }, body: {} });
      const theirs = (await test.client.call('changes.list', { query: { limit: 20 } })).data.items;
      const { id } = theirs.find(({ by }) => by === 'Tester')!;
      expect(await codeOf(client.call('changes.undo', { params: { change: id }, body: {} }))).to.equal(
        'not-found',
      );
      expect(theirs[0]).to.include({ undoneBy: 'A editor of fell' });
    });

    it('do not say where a site is: its address is read without asking anybody', async () => {
      const call = { params: { site: 'fell' }, ifMatch: '*' };
      const { client } = joined.editor;
      await client.call('sites.change', { ...call, body: { name: 'The fell' } });
      const address = 'http://127.0.0.1:9';
      expect(await codeOf(client.call('sites.change', { ...call, body: { address } }))).to.equal(
        'not-allowed',
      );
      const furtherAddresses = [address];
      expect(await codeOf(client.call('sites.change', { ...call, body: { furtherAddresses } }))).to.equal(
        'not-allowed',
      );
    });

    it('end a link that somebody shared, once they may not do themselves what it lets others do', async () => {
      const { client, id } = await join(test, 'Passes it on', { sites: [{ site: 'fell', role: 'placer' }] });
      const { data } = await client.call('planLinks.create', {
        params: { page: 'fell/talks' },
        body: { name: 'A friend', days: 7 },
      });
      const read = (): Promise<unknown> =>
        client.call('sharedPlans.read', { body: { link: new URL(data.url).hash.slice(1) } });
      await read();
      const { etag } = await test.client.call('people.read', { params: { person: id } });
      const sites = [{ site: 'fell', role: 'reader' as const }];
      await test.client.call('people.change', { params: { person: id }, body: { sites }, ifMatch: etag! });
      expect(await codeOf(read())).to.equal('link-over');
    });
  });
});

/* The names of all that a role may do. */
const rightsOfRole = (role: PersonRole): Set<string> =>
  new Set(personRoles.slice(0, personRoles.indexOf(role) + 1).flatMap((each) => named(mayDo[each])));
