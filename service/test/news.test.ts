import { spawn } from 'node:child_process';
import { createServer, type AddressInfo, type Socket } from 'node:net';
import { fileURLToPath } from 'node:url';
import { parseFeed } from '@rowanmanning/feed-parser';
import { expect } from 'chai';
import { HTTP, type CloudEvent } from 'cloudevents';
import { sql } from 'drizzle-orm';
import { eventsOf, newsEvent, type Channel, type KeptFinding, type NewsItem } from '@orbis/contract';
import { sweepAll } from '@orbis/demo';
import { inTransaction } from '../src/database/transaction.ts';
import { signedHeaders } from '../src/news/webhook.ts';
import { keepFound, type Found } from '../src/store/findings.ts';
import { get } from './support/get.ts';
import { freePort } from './support/free-port.ts';
import { startHookReceiver, type HookReceiver } from './support/hook-receiver.ts';
import { startMailServer, type MailServer } from './support/mail-server.ts';
import { refusal, startTestOrbis, type TestOrbis } from './support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from './support/site-of-pages.ts';
import { until } from './support/until.ts';

const film = (number: number): string =>
  `<iframe src="https://play.kinorill.localhost/film/${number}?knobs=1" title="Film ${number}"></iframe>`;

describe('news of what sweeps find', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  let mail: MailServer;
  let hook: HookReceiver;
  before(async () => {
    mail = await startMailServer();
    hook = await startHookReceiver();
    test = await startTestOrbis({
      env: {
        ORBIS_SMTP_URL: mail.url,
        ORBIS_MAIL_FROM: 'Orbis <orbis@hollinfell.example>',
        ORBIS_ALLOW_PRIVATE: 'yes',
      },
    });
    site = await startSiteOfPages();
    for (const [key, name] of [
      ['fell', 'Hollin Fell'],
      ['shop', 'Fell Shop'],
    ] as const)
      await test.client.call('sites.create', { body: { key, name, address: site.address } });
    site.pages.set('night', pageOf(film(1)));
    await test.client.call('pages.create', { body: { key: 'fell/night', title: 'Night' } });
  });
  after(async () => {
    await test.stop();
    await Promise.all([site.stop(), mail.stop(), hook.stop()]);
  });
  afterEach(async () => {
    for (const { name } of (await test.client.call('channels.list')).data.items)
      await test.client.call('channels.delete', { params: { channel: name } });
    mail.mails.length = hook.received.length = 0;
    [mail.refuses, hook.answers, hook.says] = [null, 204, {}];
    await db().execute(sql.raw('delete from finding'));
  });

  const db = () => test.orbis.connection.db;
  const channel = async (name: string): Promise<Channel> =>
    (await test.client.call('channels.read', { params: { channel: name } })).data;
  const messages = async (state?: 'sent' | 'dead' | 'waiting') =>
    (await test.client.call('messages.list', { query: { state } })).data.items;
  /* What is found at a place, as a sweep would write it down. */
  const find = (scope: string, rules: string[], level: KeptFinding['level'] = 'error', siteId = 1) =>
    inTransaction(db(), (tx) =>
      keepFound(
        tx,
        scope,
        rules.map((rule): Found => ({
          ...{ rule, level, about: `${scope} ${rule}`, siteId, pageId: null, placementId: null },
          facts: { host: 'play.kinorill.localhost', kind: 'video', name: 'A comet' },
        })),
        new Date(),
      ),
    );
  /* The channel has been left alone for long enough. */
  const lookAgain = (): Promise<unknown> =>
    Promise.all([
      db().execute(sql.raw('update channel set retry_at = null')),
      db().execute(sql.raw("update message set due_at = '2026-01-01' where state = 'waiting'")),
    ]);
  const events = (): CloudEvent<KeptFinding>[] =>
    hook.received.map(
      ({ headers, body }) => HTTP.toEvent<KeptFinding>({ headers, body }) as CloudEvent<KeptFinding>,
    );
  const addHook = async (name = 'Tickets', more = {}) =>
    (
      await test.client.call('channels.create', {
        body: { kind: 'webhook', name, to: hook.address, level: 'note', ...more },
      })
    ).data;

  it('comes by mail, in words that say what to do: found, and solved', async () => {
    await test.client.call('channels.create', {
      body: { kind: 'mail', name: 'To me', to: 'owner@hollinfell.example', level: 'note' },
    });
    await sweepAll(test.client, { page: 'fell/night' });
    await until(() => Promise.resolve(mail.mails.length === 1));
    const [first] = mail.mails;
    expect(first!.subject).to.equal('Not in the register: fell/night');
    expect(first!.from!.text).to.equal('"Orbis" <orbis@hollinfell.example>');
    expect(first!.headers.get('auto-submitted')).to.equal('auto-generated');
    expect(first!.messageId).to.match(/^<[0-9a-z]{10}@orbis\.localhost>$/);
    expect(first!.text).to.equal(
      [
        'Found (1)',
        '',
        '* note: Not in the register, in fell/night',
        '  A video from play.kinorill.localhost is on the page, and the register does not know it: “Film 1”.',
        '  Collect it and place it here; or say that it is not to be told again.',
        `  ${site.address}/night`,
        '',
        `All that wants attention: ${test.url}/attention`,
        '',
        '-- ',
        `You get this by the channel “To me” of Orbis: ${test.url}/news`,
        '',
      ].join('\n'),
    );
    site.pages.set('night', pageOf(''));
    await sweepAll(test.client, { page: 'fell/night' });
    await until(() => Promise.resolve(mail.mails.length === 2));
    expect(mail.mails[1]!.subject).to.equal('Solved: not in the register, fell/night');
    expect((await messages()).map(({ state, news, attempts }) => [state, news, attempts])).to.deep.equal([
      ['sent', 1, 1],
      ['sent', 1, 1],
    ]);
    expect((await channel('To me')).lastAt).to.not.equal(null);
  });

  it('is told together where that is wanted, what is solved again only as that', async () => {
    await test.client.call('channels.create', {
      body: {
        ...{ kind: 'mail', name: 'Weekly', to: 'owner@hollinfell.example', level: 'note' },
        schedule: { every: 'monday', at: '07:00', zone: 'Europe/London' },
      },
    });
    await find('page:901', ['missing', 'altered', 'doubled']);
    await find('page:901', ['missing', 'altered']);
    await until(async () => (await messages())[0]?.news === 4);
    const [gathered] = await messages();
    const next = new Date(gathered!.nextAt!);
    expect([gathered!.state, next.getUTCDay() === 1 && next.getUTCMinutes() === 0]).to.deep.equal([
      'gathering',
      true,
    ]);
    expect(mail.mails).to.have.length(0);
    await db().execute(sql.raw("update message set due_at = '2026-01-01'"));
    await until(() => Promise.resolve(mail.mails.length === 1));
    expect(mail.mails[0]!.subject).to.equal('2 found and 1 solved on fell');
    const [found, solved] = mail.mails[0]!.text!.split('Solved (1)');
    expect(found).to.match(/^Found \(2\)\n/);
    expect(found!.match(/^\* .*$/gm)).to.have.members([
      '* error: Missing, in fell',
      '* error: Altered, in fell',
    ]);
    expect(solved!.match(/^\* .*$/gm)).to.deep.equal(['* There twice, in fell']);
  });

  it('lists the worst first in a mail, how much more there is, and nothing as found that is solved', async () => {
    await test.client.call('channels.create', {
      body: { kind: 'mail', name: 'To me', to: 'owner@hollinfell.example', level: 'note' },
    });
    await test.client.call('channels.change', {
      params: { channel: 'To me' },
      ifMatch: '*',
      body: { schedule: { every: 'monday', at: '07:00', zone: 'Europe/London' } },
    });
    for (let i = 0; i < 60; i++) await find(`page:${800 + i}`, ['missing'], 'note');
    await find('page:901', ['altered']);
    await find('page:800', []);
    await until(async () => (await messages())[0]?.news === 62);
    await db().execute(sql.raw("update message set due_at = '2026-01-01'"));
    await until(() => Promise.resolve(mail.mails.length === 1));
    const { subject, text } = mail.mails[0]!;
    expect(subject).to.equal('60 found and 1 solved on fell');
    expect(text).to.match(/^Found \(50\)\n\n\* error: Altered, in fell\n/);
    expect(text).to.include('11 more are not listed here');
  });

  it('is refused by mail where no mail server is set up, and says what its mail server says', async () => {
    mail.refuses = { code: 451, says: 'try again later', keepsIt: true };
    await test.client.call('channels.create', {
      body: { kind: 'mail', name: 'To me', to: 'owner@hollinfell.example' },
    });
    const { data: trial } = await test.client.call('channels.try', { params: { channel: 'To me' } });
    const read = async () =>
      (await test.client.call('messages.read', { params: { message: trial.id } })).data;
    await until(async () => (await read()).attempts === 1);
    expect((await read()).why).to.match(/^The mail server 127\.0\.0\.1:\d+ refused it: 451 try again later$/);
    expect((await channel('To me')).failing!.why).to.equal((await read()).why);
    mail.refuses = null;
    await lookAgain();
    await until(async () => (await read()).state === 'sent');
    expect((await channel('To me')).failing).to.equal(null);
    // The server had kept it, though it said that it had not: it is the same mail.
    expect(new Set(mail.mails.map(({ messageId }) => messageId)).size).to.equal(1);
    expect(mail.mails.map(({ subject }) => subject)).to.deep.equal([
      'This is a trial of Orbis',
      'This is a trial of Orbis',
    ]);
    const without = await startTestOrbis();
    const error = await refusal(
      without.client.call('channels.create', { body: { kind: 'mail', name: 'x', to: 'a@b.example' } }),
    );
    expect([error.code, error.problem.detail]).to.deep.equal([
      'mail-not-set-up',
      'Orbis has no mail server by which it could send. Set ORBIS_SMTP_URL, and start it again.',
    ]);
    await without.stop();
  });

  it('goes to a webhook as events that others can read, signed, in their order', async () => {
    const { secret } = await addHook();
    await find('page:901', ['missing']);
    await find('page:901', []);
    await until(() => Promise.resolve(hook.received.length === 2));
    for (const each of hook.received) {
      expect(each.headers['content-type']).to.equal('application/cloudevents+json; charset=utf-8');
      expect(each.isSigned(secret!)).to.equal(true);
      expect(each.isSigned(`${secret!}x`)).to.equal(false);
      expect(newsEvent.safeParse(JSON.parse(each.body)).error).to.equal(undefined);
    }
    const [found, solved] = events();
    expect([found!.type, solved!.type]).to.deep.equal(['orbis.finding.found', 'orbis.finding.solved']);
    expect(found!.validate()).to.equal(true);
    expect([found!.source, found!.subject]).to.deep.equal([`${test.url}/api/v1`, 'fell']);
    expect(found!.data!.rule).to.equal('missing');
    expect(found!.id.slice(0, 10)).to.equal(found!.data!.id);
    expect(found!.id).to.not.equal(solved!.id);
    expect(hook.received[0]!.headers['signature-input']).to.match(
      /^orbis=\("@method" "@target-uri" "content-type" "content-digest"\);created=\d+;keyid="orbis";alg="hmac-sha256"$/,
    );
  });

  it('is taken by the receiver of the book, once, and from nobody else', async () => {
    const port = await freePort();
    const to = `http://hooks.localhost:${port}/news`;
    const { secret } = await addHook('Python', { to });
    const script = fileURLToPath(new URL('../../docs/examples/receive_events.py', import.meta.url));
    const receiver = spawn('python3', [script, String(port), to], {
      env: { ...process.env, EVENT_KEY: secret! },
    });
    let said = '';
    receiver.stdout.on('data', (chunk: Buffer) => void (said += chunk.toString()));
    try {
      await until(() => Promise.resolve(said.includes('listening')));
      await find('page:901', ['missing']);
      await until(async () => (await messages('sent')).length === 1);
      await test.client.call('channels.try', { params: { channel: 'Python' } });
      await until(async () => (await messages('sent')).length === 2);
      expect(said.split('\n').slice(1, 3)).to.deep.equal([
        'orbis.finding.found fell It was on this page, and no longer is.',
        'orbis.trial  What you read here was sent by the channel “Python” of Orbis, to see whether it gets through. Nothing is to be done.',
      ]);
      const body = JSON.stringify({ id: 'x', type: 'orbis.trial', data: { message: 'forged' } });
      for (const key of ['another key', secret!]) {
        const headers = await signedHeaders(to, body, key, new Date());
        const forged = key === secret ? body.replace('forged', 'changed') : body;
        const answer = await fetch(`http://127.0.0.1:${port}/news`, {
          method: 'POST',
          headers,
          body: forged,
        });
        expect(answer.status).to.equal(401);
      }
      expect(said).to.not.match(/forged|changed/);
    } finally {
      receiver.kill();
    }
  });

  it('is sent again under the same id where it does not get through, and in order', async () => {
    hook.answers = 500;
    await addHook();
    await find('page:901', ['missing']);
    await until(() => Promise.resolve(hook.received.length === 1));
    await find('page:901', ['missing', 'altered']);
    await until(async () => (await messages('waiting')).length === 2);
    const { failing, waiting } = await channel('Tickets');
    expect([failing!.why, waiting]).to.deep.equal([
      `hooks.localhost:${hook.port} answered 500, and not that it took it.`,
      2,
    ]);
    hook.answers = 0;
    await lookAgain();
    await until(() => Promise.resolve(hook.received.length === 2));
    await until(async () => (await channel('Tickets')).failing!.why.includes('broke the connection off'));
    hook.answers = 204;
    await lookAgain();
    await until(() => Promise.resolve(hook.received.length === 4));
    const ids = events().map(({ id }) => id);
    expect(ids.slice(0, 3)).to.deep.equal([ids[0], ids[0], ids[0]]);
    expect(events()[3]!.data!.rule).to.equal('altered');
    await until(async () => (await channel('Tickets')).waiting === 0);
    expect((await channel('Tickets')).failing).to.equal(null);
  });

  it('does not let one event that is refused hold up the others', async () => {
    hook.answers = 422;
    await addHook();
    await find('page:901', ['missing']);
    await until(async () => (await messages('waiting'))[0]?.attempts === 1);
    hook.answers = 204;
    await find('page:901', ['missing', 'altered']);
    await until(async () => (await messages('sent')).length === 1);
    expect(events()[1]!.data!.rule).to.equal('altered');
    expect((await messages('waiting'))[0]!.nextAt! > new Date().toISOString()).to.equal(true);
  });

  it('is given up after a day, shown, and sent again when somebody wants it', async () => {
    hook.answers = 503;
    await addHook();
    await find('page:901', ['missing', 'altered']);
    await until(async () => (await channel('Tickets')).failing !== null);
    // A day has gone by.
    await db().execute(sql.raw('update message set since = since - interval 25 hour'));
    await db().execute(sql.raw('update channel set failing_since = failing_since - interval 25 hour'));
    await lookAgain();
    await until(async () => (await messages('dead')).length === 2);
    const dead = await messages('dead');
    expect(dead.map(({ why }) => why)).to.satisfy((all: string[]) => all.every((why) => why.includes('503')));
    expect([(await channel('Tickets')).dead, (await today()).undelivered]).to.deep.equal([2, 2]);
    hook.answers = 204;
    const again = { messages: dead.map(({ id }) => id) };
    await test.client.call('messages.resend', { body: again });
    await until(async () => (await messages('sent')).length === 2);
    expect((await today()).undelivered).to.equal(0);
    expect((await refusal(test.client.call('messages.resend', { body: again }))).code).to.equal(
      'message-sent',
    );
    expect(
      (await refusal(test.client.call('messages.resend', { body: { messages: ['0123456789'] } }))).code,
    ).to.equal('not-found');
    const drop = async () => (await test.client.call('messages.drop', { body: again })).data.dropped;
    expect(await drop()).to.equal(0);
    await db().execute(sql.raw("update message set state = 'dead'"));
    expect([await drop(), (await today()).undelivered]).to.deep.equal([2, 0]);
  });
  const today = async () => (await test.client.call('today.read', {})).data;

  it('ends where the other side wants nothing any more, and waits as long as it says', async () => {
    hook.answers = 410;
    await addHook('Gone');
    await find('page:901', ['missing']);
    await until(async () => (await channel('Gone')).paused);
    expect((await messages('dead')).map(({ channel: of }) => of)).to.deep.equal(['Gone']);
    [hook.answers, hook.says] = [429, { 'retry-after': '7200' }];
    await addHook('Busy');
    await find('page:901', ['missing', 'altered']);
    await until(async () => (await channel('Busy')).failing !== null);
    const [waiting] = await messages('waiting');
    const hours = (new Date(waiting!.nextAt!).getTime() - Date.now()) / 3_600_000;
    expect(hours).to.be.within(1.9, 2.01);
  });

  it('is only what a channel is about, and each piece once, though several processes give it out', async () => {
    const other = await test.another();
    await addHook('Errors of the shop', { site: 'shop', level: 'error' });
    await Promise.all([
      ...Array.from({ length: 20 }, (_, i) => find(`shop:${i}`, ['missing'], i % 2 ? 'error' : 'note', 2)),
      ...Array.from({ length: 20 }, (_, i) => find(`fell:${i}`, ['missing'])),
    ]);
    await until(async () => (await messages('sent')).length === 10);
    await other.stop();
    expect(hook.received).to.have.length(10);
    expect(new Set(events().map(({ id }) => id)).size).to.equal(10);
    for (const { data } of events()) expect([data!.site, data!.level]).to.deep.equal(['shop', 'error']);
  });

  it('stands in a feed for whoever has its address, until that is another one', async () => {
    await find('page:901', ['missing']);
    await find('page:902', ['altered'], 'note', 2);
    const { data: made } = await test.client.call('channels.create', {
      body: { kind: 'feed', name: 'Reader', site: 'fell' },
    });
    const read = async (address: string) => {
      const response = await fetch(address);
      return { status: response.status, text: await response.text(), headers: response.headers };
    };
    await until(async () => (await test.client.call('news.list')).data.items.length === 2);
    const { text, headers } = await read(made.secret!);
    expect(headers.get('content-type')).to.match(/^application\/atom\+xml/);
    const feed = parseFeed(text);
    expect([feed.title, feed.items.length, feed.self]).to.deep.equal(['Orbis: Reader', 1, made.secret]);
    const [item] = feed.items;
    expect([item!.title, item!.url]).to.deep.equal(['Missing: fell', `${test.url}/attention?site=fell`]);
    expect(item!.description).to.include('and no longer is');
    const again = await get(made.secret!, { headers: { 'if-none-match': headers.get('etag')! } });
    expect(again.status).to.equal(304);
    const renewed = await test.client.call('channels.renew', { params: { channel: 'Reader' } });
    const old = await read(made.secret!);
    expect([old.status, JSON.parse(old.text)]).to.satisfy(
      ([status, { code }]: [number, { code: string }]) => status === 404 && code === 'feed-unknown',
    );
    expect((await read(renewed.data.secret!)).status).to.equal(200);
    expect(test.log.join('\n')).to.not.include(new URL(renewed.data.secret!).searchParams.get('key'));
  });

  it('is followed as it comes, and taken up again without a gap', async () => {
    const heard: string[] = [];
    let last = '';
    const follow = async (count: number): Promise<void> => {
      const end = new AbortController();
      const response = await test.client.open('news.follow', {
        query: {},
        signal: end.signal,
        ...(last !== '' && { lastEventId: last }),
      });
      try {
        for await (const { id, data } of eventsOf<NewsItem>(response)) {
          last = id!;
          heard.push(`${data.kind} ${data.finding.rule}`);
          if (heard.length === count) break;
        }
      } finally {
        end.abort();
      }
    };
    const first = follow(1);
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await find('page:901', ['missing']);
    await first;
    await find('page:901', ['altered']);
    await follow(3);
    expect(heard).to.have.members(['found missing', 'found altered', 'solved missing']);
  });

  it('is set up and taken back as everything else, and refused where it does not fit', async () => {
    const { client } = test;
    await addHook();
    const changed = await client.call('channels.change', {
      params: { channel: 'Tickets' },
      ifMatch: '*',
      body: { level: 'error', paused: true, site: 'fell' },
    });
    expect(changed.data).to.include({ level: 'error', paused: true, site: 'fell', to: hook.address });
    await client.call('channels.delete', { params: { channel: 'Tickets' } });
    const undo = async (): Promise<void> => {
      const { items } = (await client.call('changes.list', { query: { standing: 'true' } })).data;
      await client.call('changes.undo', { params: { change: items[0]!.id }, body: {} });
    };
    await undo();
    expect(await channel('Tickets')).to.include({ level: 'error', paused: true, site: 'fell' });
    await undo();
    expect(await channel('Tickets')).to.include({ level: 'note', paused: false, site: null });
    const change = (body: object) =>
      refusal(client.call('channels.change', { params: { channel: 'Tickets' }, ifMatch: '*', body }));
    expect((await change({ to: 'me@hollinfell.example' })).problem.detail).to.equal(
      'The channel “Tickets” goes to a whole web address, such as https://example.org/news.',
    );
    expect(
      (await change({ schedule: { every: 'day', at: '07:00', zone: 'Europe/London' } })).problem.detail,
    ).to.equal('Only mail is gathered: the channel “Tickets” gets each piece of news at once.');
    expect((await refusal(addHook())).code).to.equal('key-taken');
    expect((await addHook('At', { to: 'https://a.example/@news?for=a@b' })).to).to.include('@news');
    await undo();
    for (const to of ['ftp://a.example', 'https://a:b@c.example/', 'nowhere'])
      expect((await refusal(addHook('Other', { to }))).code, to).to.equal('bad-request');
    await undo();
    expect((await refusal(channel('Tickets'))).code).to.equal('not-found');
  });

  it('does not keep Orbis from stopping where a mail server takes its time', async () => {
    const silent = createServer();
    await new Promise<void>((resolve) => silent.listen(0, '127.0.0.1', resolve));
    const { port } = silent.address() as AddressInfo;
    const slow = await startTestOrbis({ env: { ORBIS_SMTP_URL: `smtp://127.0.0.1:${port}` } });
    const asked = new Promise<Socket>((resolve) => silent.once('connection', resolve));
    await slow.client.call('channels.create', { body: { kind: 'mail', name: 'x', to: 'a@b.example' } });
    await slow.client.call('channels.try', { params: { channel: 'x' } });
    const connection = await asked;
    const begun = performance.now();
    await slow.stop();
    // Twenty seconds are given to a mail server for its greeting.
    expect(performance.now() - begun).to.be.below(15_000);
    connection.destroy();
    silent.close();
  });

  it('does not go where Orbis may not go, and says so', async () => {
    const guarded = await startTestOrbis();
    await guarded.client.call('channels.create', {
      body: { kind: 'webhook', name: 'Inside', to: `http://127.0.0.1:${hook.port}/` },
    });
    await guarded.client.call('channels.try', { params: { channel: 'Inside' } });
    const read = async () =>
      (await guarded.client.call('channels.read', { params: { channel: 'Inside' } })).data;
    await until(async () => (await read()).failing !== null);
    expect((await read()).failing!.why).to.include('has a port of its own, which only declared sites may');
    expect(hook.received).to.have.length(0);
    await guarded.stop();
  });
});
