/* What was sweeping, sending and storing is killed in the middle: nothing comes twice in a history, no news
   is lost, and what comes twice has the same id. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { expect } from 'chai';
import { createClient, type Client, type NewsEvent, type Sweep } from '@orbis/contract';
import { pidIn } from '../../src/database/processes.ts';
import { startHookReceiver, type HookReceiver } from '../support/hook-receiver.ts';
import { startMailServer, type MailServer } from '../support/mail-server.ts';
import { runOrbis, type RunningOrbis } from '../support/process.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from '../support/site-of-pages.ts';
import { until } from '../support/until.ts';

const password = 'seven owls over the fell';
const pages = Array.from({ length: 8 }, (_, i) => `night-${i}`);
const film = (at: string): string =>
  `<iframe src="https://play.kinorill.localhost/film/${at}?knobs=1" title="Film ${at}"></iframe>`;

/* When each of them dies, in ms: another time at each run, which its name tells. */
const moments = {
  database: Math.round(Math.random() * 400),
  mail: Math.round(Math.random() * 800),
  orbis: Math.round(Math.random() * 2500),
};

describe(`fault: killed while pages are read and news goes out (${JSON.stringify(moments)})`, () => {
  let root: string;
  let orbis: RunningOrbis;
  let client: Client;
  let token: string;
  let site: SiteOfPages;
  let hook: HookReceiver;
  let mail: MailServer;
  /* All mail that came, to whichever server it was. */
  const mails: MailServer['mails'] = [];
  const env = () => ({
    ORBIS_ALLOW_PRIVATE: 'yes',
    ORBIS_MAIL_GATHERS: '1',
    ORBIS_SMTP_URL: mail.url,
  });
  before(async () => {
    root = mkdtempSync(join(tmpdir(), 'orbis-killed-'));
    [site, hook, mail] = await Promise.all([startSiteOfPages(), startHookReceiver(), startMailServer()]);
    orbis = runOrbis(join(root, 'data'), env());
    await orbis.says('/set-password#');
    const { url, secret } = orbis.link();
    await createClient({ url }).call('password.set', { body: { secret, password } });
    ({ token } = (
      await createClient({ url }).call('tokens.exchange', { body: { name: 'x', password } })
    ).data);
    client = createClient({ url, headers: { authorization: `Bearer ${token}` } });
    await client.call('sites.create', { body: { key: 'fell', name: 'Fell', address: site.address } });
    for (const page of pages)
      await client.call('pages.create', { body: { key: `fell/${page}`, title: page } });
    await client.call('channels.create', {
      body: { kind: 'webhook', name: 'Hook', to: hook.address, level: 'note' },
    });
    await client.call('channels.create', {
      body: { kind: 'mail', name: 'Mail', to: 'owner@fell.example', level: 'note' },
    });
  });
  after(async () => {
    orbis.child.kill('SIGTERM');
    await orbis.ended;
    await Promise.all([site.stop(), hook.stop(), mail.stop()]);
    rmSync(root, { recursive: true, force: true });
  });

  const publish = (body: (page: string) => string): void =>
    pages.forEach((page) => site.pages.set(page, pageOf(body(page))));
  const begin = async (): Promise<string> =>
    (await client.call('sweeps.create', { body: { site: 'fell' } })).data.id;
  /* The answer once there is one: the database may be away. */
  const ended = async (sweep: string): Promise<Sweep> => {
    let last: Sweep | undefined;
    await until(async () => {
      last = (await client.call('sweeps.read', { params: { sweep } }).catch(() => null))?.data;
      return last?.endedAt != null;
    });
    return last!;
  };
  const killDatabase = (): boolean =>
    process.kill(pidIn(join(root, 'data/database/mariadb.pid'))!, 'SIGKILL');
  const killOrbis = async (): Promise<void> => {
    orbis.child.kill('SIGKILL');
    await orbis.ended;
  };
  const restartMail = async (): Promise<void> => {
    const { port } = mail;
    await mail.stop();
    // Behind that: what is under way when it is told to stop still arrives.
    mails.push(...mail.mails);
    await wait(500);
    mail = await startMailServer({ port });
  };
  const startAgain = async (): Promise<void> => {
    orbis = runOrbis(join(root, 'data'), env());
    await orbis.says('http://');
    const [url] = /http:\/\/\S+?:\d+/.exec(orbis.err())!;
    client = createClient({ url, headers: { authorization: `Bearer ${token}` } });
  };

  it('loses nothing, and tells nothing twice as if it were two things', async () => {
    // The database dies while pages are read, or just before or after.
    publish(film);
    const first = await begin();
    await wait(moments.database);
    killDatabase();
    expect(await ended(first)).to.include({ state: 'done', read: pages.length, pages: pages.length });
    // The mail server goes while it is sent to; then all of Orbis dies while pages are read.
    await wait(moments.mail);
    await restartMail();
    publish(() => '');
    const second = await begin();
    await wait(moments.orbis);
    await killOrbis();
    await startAgain();
    expect(await ended(second)).to.include({ state: 'done', read: pages.length });

    const told = async () => (await client.call('news.list', { query: { limit: 200 } })).data.items;
    await until(async () => (await told()).length >= 2 * pages.length);
    await until(async () => {
      const { items } = (await client.call('messages.list', { query: { limit: 200 } })).data;
      return (
        items.every(({ state }) => state === 'sent') &&
        items.reduce((sum, message) => sum + message.news, 0) >= 4 * pages.length
      );
    });
    const news = await told();
    const events = hook.received.map(({ body }) => JSON.parse(body) as NewsEvent);
    expect(new Set(events.map(({ id }) => id))).to.deep.equal(new Set(news.map(({ id }) => id)));
    expect(news.map(({ kind, finding }) => `${kind} ${finding.page}`)).to.have.members(
      pages.flatMap((page) => [`found fell/${page}`, `solved fell/${page}`]),
    );
    mails.push(...mail.mails);
    const sent = (await client.call('messages.list', { query: { channel: 'Mail', limit: 200 } })).data.items;
    expect(new Set(mails.map(({ messageId }) => messageId!.slice(1, 11)))).to.deep.equal(
      new Set(sent.map(({ id }) => id)),
    );
    expect(sent.reduce((sum, message) => sum + message.news, 0)).to.equal(2 * pages.length);
    for (const page of pages) {
      const { items } = (await client.call('sweeps.onPage', { params: { page: `fell/${page}` } })).data;
      expect(
        items.map(({ findings, solved }) => [findings.length, solved.length]),
        page,
      ).to.deep.equal([
        [0, 1],
        [1, 0],
      ]);
    }
  });
});
