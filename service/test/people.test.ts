/* People: invited, given rights, changed and removed; and how each of them signs in. */
import { expect } from 'chai';
import { createClient, type Client } from '@orbis/contract';
import { codeOf } from './support/calls.ts';
import { join } from './support/people.ts';
import { startMailServer, type MailServer } from './support/mail-server.ts';
import { declareSite, password, refusal, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';

describe('people', () => {
  let test: TestOrbis;
  let mail: MailServer;
  let stranger: Client;
  before(async () => {
    mail = await startMailServer();
    test = await startTestOrbis({ env: { ORBIS_SMTP_URL: mail.url } });
    stranger = createClient({ url: test.url });
    await declareSite(test);
  });
  after(async () => {
    await test.stop();
    await mail.stop();
  });

  const person = async (id: string) => test.client.call('people.read', { params: { person: id } });

  it('are one owner at first, who signs in without a name', async () => {
    const { data } = await test.client.call('people.list', {});
    expect(data.items).to.have.length(1);
    expect(data.items[0]).to.include({ name: 'Tester', role: 'owner', state: 'active' });
    const session = await stranger.call('session.create', { body: { password } });
    expect(session.data.needsName).to.equal(false);
    expect(session.data.person).to.deep.equal({
      name: 'Tester',
      role: 'owner',
      sites: [],
      readOnly: false,
      mustSetUp: false,
    });
  });

  it('are invited by a link, which says whom it is for and is used once', async () => {
    const { data: invited } = await test.client.call('people.create', {
      body: { name: 'Ilse Varga', sites: [{ site: 'hollinfell', role: 'placer' }] },
    });
    expect(invited).to.include({ state: 'invited', mailed: 'no-address', role: null, invitedBy: 'Tester' });
    const secret = new URL(invited.link).hash.slice(1);
    const told = (await stranger.call('invitations.read', { body: { secret } })).data;
    expect(told).to.deep.include({
      ...{ name: 'Ilse Varga', isNew: true, by: 'Tester', role: null },
      sites: [{ site: 'hollinfell', role: 'placer' }],
    });
    const { data } = await stranger.call('password.set', { body: { secret, password } });
    expect(data.person).to.deep.include({ name: 'Ilse Varga', role: null });
    expect(data.owners).to.deep.equal(['Tester']);
    expect(await codeOf(stranger.call('password.set', { body: { secret, password } }))).to.equal('link-used');
    expect(await codeOf(stranger.call('invitations.read', { body: { secret } }))).to.equal('link-used');
    expect((await person(invited.id)).data.state).to.equal('active');
  });

  it('sign in by their names from the second one on', async () => {
    expect(await codeOf(stranger.call('session.create', { body: { password } }))).to.equal('name-needed');
    expect((await stranger.call('session.read')).data.needsName).to.equal(true);
    for (const name of ['Ilse Varga', 'ilse varga', 'Tester'])
      expect(
        (await stranger.call('session.create', { body: { person: name, password } })).data.person?.name,
      ).to.equal(name === 'Tester' ? name : 'Ilse Varga');
    const wrong = await refusal(stranger.call('session.create', { body: { person: 'Nobody', password } }));
    const known = await refusal(
      stranger.call('session.create', { body: { person: 'Tester', password: 'no' } }),
    );
    expect([wrong.code, known.code]).to.deep.equal(['wrong-password', 'wrong-password']);
    expect(wrong.message, 'it does not tell which names there are').to.equal(known.message);
  });

  it('are invited by mail where there is a mail server', async () => {
    const { data } = await test.client.call('people.create', {
      body: { name: 'Tam Orrin', email: 'tam@hollinfell.example', role: 'editor' },
    });
    expect(data.mailed).to.equal('sent');
    const sent = mail.mails.at(-1)!;
    expect(JSON.stringify(sent.to)).to.include('tam@hollinfell.example');
    expect(sent.text).to.include(data.link).and.include('editor of everything').and.include('Tester');
  });

  it('have names of their own', async () => {
    const body = { name: 'tam orrin', role: 'reader' as const };
    expect(await codeOf(test.client.call('people.create', { body }))).to.equal('name-taken');
    expect(await codeOf(test.client.call('people.create', { body: { name: 'Nobody' } }))).to.equal(
      'nothing-granted',
    );
    const sites = [{ site: 'elsewhere', role: 'reader' as const }];
    expect(await codeOf(test.client.call('people.create', { body: { name: 'Odd', sites } }))).to.equal(
      'not-found',
    );
    const { data } = await test.client.call('people.list', {});
    expect(data.items.map(({ name }) => name)).to.deep.equal(['Tam Orrin', 'Ilse Varga', 'Tester']);
  });

  it('are given other rights, which hold at once', async () => {
    const { id, client } = await join(test, 'Wren Aldous', { role: 'reader' });
    const body = { text: talkCode(test.world.port), name: 'Opening talk' };
    expect(await codeOf(client.call('embeds.create', { body }))).to.equal('not-allowed');
    const { etag } = await person(id);
    const change = { role: 'editor' as const, sites: [{ site: 'hollinfell', role: 'placer' as const }] };
    await test.client.call('people.change', { params: { person: id }, body: change, ifMatch: etag! });
    await client.call('embeds.create', { body });
    expect((await person(id)).data).to.deep.include(change);
    expect(
      await codeOf(test.client.call('people.change', { params: { person: id }, body: {}, ifMatch: etag! })),
      'somebody else changed them since',
    ).to.equal('if-match-stale');
  });

  it('leave one owner at least', async () => {
    const { data } = await test.client.call('people.list', {});
    const { id } = data.items.find(({ name }) => name === 'Tester')!;
    const { etag } = await person(id);
    const call = { params: { person: id }, ifMatch: etag! };
    expect(await codeOf(test.client.call('people.remove', call))).to.equal('last-owner');
    expect(await codeOf(test.client.call('people.change', { ...call, body: { role: 'editor' } }))).to.equal(
      'last-owner',
    );
    // One who has not set a password yet could not manage anything.
    await test.client.call('people.create', { body: { name: 'Owner to be', role: 'owner' } });
    expect(await codeOf(test.client.call('people.remove', call))).to.equal('last-owner');
  });

  it('leave one owner also where two remove each other at once', async () => {
    const two = await Promise.all(
      ['Left hand', 'Right hand'].map((name) => join(test, name, { role: 'owner' })),
    );
    const all = (await test.client.call('people.list', {})).data.items;
    // Of all other owners with a password none is left.
    for (const { id, role, state, name } of all)
      if (role === 'owner' && state === 'active' && !name.endsWith(' hand'))
        await two[0]!.client.call('people.change', {
          params: { person: id },
          body: { role: 'editor' },
          ifMatch: '*',
        });
    const removed = await Promise.all(
      two.map(({ client }, i) =>
        client.call('people.remove', { params: { person: two[1 - i]!.id }, ifMatch: '*' }).then(
          () => 'removed',
          (error: { code?: string }) => error.code ?? 'failed',
        ),
      ),
    );
    const left = two[removed.indexOf('removed') === 0 ? 0 : 1]!;
    expect(removed.filter((each) => each === 'removed')).to.have.length(1);
    const { id } = all.find(({ name }) => name === 'Tester')!;
    await left.client.call('people.change', {
      params: { person: id },
      body: { role: 'owner' },
      ifMatch: '*',
    });
  });

  it('are removed with what lets them in; what they made keeps their name', async () => {
    const { id, client } = await join(test, 'Piet Lauwers', { role: 'editor' });
    await client.call('embeds.create', {
      body: { text: talkCode(test.world.port, 'aB3c'), name: 'Last talk' },
    });
    const session = await createClient({ url: test.url }).open('session.create', {
      body: { person: 'Piet Lauwers', password },
    });
    const cookie = session.headers.get('set-cookie')!.split(';')[0]!;
    const shared = await client.call('planLinks.create', {
      params: { page: 'hollinfell/talks' },
      body: { name: 'A friend', days: 7 },
    });
    const { data: standing } = await test.client.call('people.standing', { params: { person: id } });
    expect(standing).to.deep.equal({
      ...{ embeds: 1, placements: 0, changes: 1 },
      ...{ sessions: 2, tokens: 1, planLinks: 1 },
    });
    const { etag } = await person(id);
    await test.client.call('people.remove', { params: { person: id }, ifMatch: etag! });
    expect(await codeOf(client.call('embeds.list', {}))).to.equal('token-unknown');
    expect((await fetch(`${test.url}/api/v1/embeds`, { headers: { cookie } })).status).to.equal(401);
    const link = new URL(shared.data.url).hash.slice(1);
    expect(await codeOf(stranger.call('sharedPlans.read', { body: { link } }))).to.equal('link-over');
    expect(
      await codeOf(stranger.call('session.create', { body: { person: 'Piet Lauwers', password } })),
    ).to.equal('wrong-password');
    const { data: changes } = await test.client.call('changes.list', { query: { limit: 5 } });
    expect(changes.items.find(({ said }) => said.includes('last-talk'))?.by).to.equal('Piet Lauwers');
    expect((await person(id)).data.state).to.equal('removed');
    const body = { name: 'Piet Lauwers', role: 'reader' as const };
    const taken = await refusal(test.client.call('people.create', { body }));
    expect(taken.message).to.include('removed');
  });

  it('come back by a new link, with the rights that they had', async () => {
    const { data } = await test.client.call('people.list', {});
    const { id } = data.items.find(({ name }) => name === 'Piet Lauwers')!;
    const again = await test.client.call('people.invite', { params: { person: id }, body: {} });
    expect((await person(id)).data).to.include({ state: 'removed' });
    const secret = new URL(again.data.link).hash.slice(1);
    const back = await stranger.call('password.set', { body: { secret, password } });
    expect(back.data.person).to.include({ name: 'Piet Lauwers', role: 'editor' });
    expect((await person(id)).data).to.include({ state: 'active', invitedUntil: null });
  });

  it('get a new link where they lost their password; the link of before holds no longer', async () => {
    const { id } = await join(test, 'Maud Ferrow', { role: 'reader' });
    const links = [];
    for (let i = 0; i < 2; i++)
      links.push((await test.client.call('people.invite', { params: { person: id }, body: {} })).data.link);
    const [first, second] = links.map((link) => new URL(link).hash.slice(1));
    expect(await codeOf(stranger.call('invitations.read', { body: { secret: first! } }))).to.equal(
      'link-used',
    );
    const told = await stranger.call('invitations.read', { body: { secret: second! } });
    expect(told.data).to.include({ name: 'Maud Ferrow', isNew: false });
  });

  it('confirm by their own password, not by another one’s', async () => {
    const own = 'a heron stands in the reeds';
    const { client } = await join(test, 'Asta Brandt', { role: 'owner' });
    await client.call('password.change', { body: { current: password, password: own } });
    const body = { password, name: 'of another' };
    expect(await codeOf(client.call('tokens.create', { body }))).to.equal('wrong-password');
    await client.call('tokens.create', { body: { ...body, password: own } });
    await test.client.call('tokens.create', { body });
  });
});
