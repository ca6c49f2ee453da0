import { expect } from 'chai';
import { sweepAll } from '@orbis/demo';
import { startHookReceiver, type HookReceiver } from '../../service/test/support/hook-receiver.ts';
import { startMailServer, type MailServer } from '../../service/test/support/mail-server.ts';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { pageOf, startSiteOfPages, type SiteOfPages } from '../../service/test/support/site-of-pages.ts';
import { until } from '../../service/test/support/until.ts';
import { run, typedAt, type Ran } from './support.ts';

const film = '<iframe src="https://otherside.localhost/v/1" title="Aurora"></iframe>';

describe('the command line, with news', () => {
  let test: TestOrbis;
  let site: SiteOfPages;
  let mail: MailServer;
  let hook: HookReceiver;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    mail = await startMailServer();
    hook = await startHookReceiver();
    test = await startTestOrbis({ env: { ORBIS_SMTP_URL: mail.url, ORBIS_ALLOW_PRIVATE: 'yes' } });
    site = await startSiteOfPages();
    site.pages.set('talks', pageOf(film));
    await test.client.call('sites.create', { body: { key: 'fell', name: 'Fell', address: site.address } });
    await test.client.call('pages.create', { body: { key: 'fell/talks', title: 'Talks' } });
  });
  after(async () => {
    await test.stop();
    await Promise.all([site.stop(), mail.stop(), hook.stop()]);
  });

  it('says where there is nothing, with the way to have something', async () => {
    expect((await orbis('list channels')).out).to.include('orbis add channel NAME --mail');
    expect((await orbis('events')).out).to.include('orbis sweep');
    expect((await orbis('list messages')).out).to.equal('There is none.\n');
  });

  it('sets up mail that comes at a time, tries it, and says how it is', async () => {
    const made = await orbis(
      'add channel "To me" --mail owner@fell.example --every monday@07:30 --time-zone Europe/London',
    );
    expect(made.out)
      .to.match(/^Goes +by mail to owner@fell\.example$/m)
      .and.match(/^Tells of +warnings and errors$/m)
      .and.match(/^When +every Monday at 07:30 \(Europe\/London\)$/m);
    const tried = await orbis('change channel "To me" --try');
    expect([tried.exit, tried.out]).to.deep.equal([0, 'It got through to To me.\n']);
    expect(mail.mails.map(({ subject }) => subject)).to.deep.equal(['This is a trial of Orbis']);
    expect((await orbis('change channel "To me" --every never --site fell')).out)
      .to.match(/^When +at once$/m)
      .and.match(/^Tells of +warnings and errors of fell$/m);
    expect((await orbis('list channels')).out).to.match(
      /^To me +mail +owner@fell\.example +warnings and errors of fell +at once +well$/m,
    );
  });

  it('shows a secret once, what does not get through, and sends it again', async () => {
    const made = await orbis(`add channel Tickets --webhook ${hook.address} --level error`);
    const key = made.out.trim().split('\n').at(-1)!;
    expect(key).to.match(/^[\w-]{43}$/);
    expect((await orbis('show channel Tickets')).out).to.not.include(key);
    hook.answers = 500;
    const tried = await orbis('change channel Tickets --try');
    expect([tried.exit, tried.out]).to.satisfy(
      ([exit, out]: [number, string]) =>
        exit === 1 && /^It has not got through: hooks\..* answered 500/.test(out),
    );
    const shown = await orbis('show channel Tickets');
    expect([shown.exit, shown.out]).to.satisfy(
      ([exit, out]: [number, string]) => exit === 1 && /^Fails since .*\nBecause +hooks\./m.test(out),
    );
    const [waiting] = JSON.parse((await orbis('list messages --state waiting --json')).out) as [
      { id: string },
    ];
    hook.answers = 204;
    expect((await orbis(`change message ${waiting.id} --resend`)).out).to.equal(
      '1 message to be sent again.\n',
    );
    await until(async () => (await orbis(`show message ${waiting.id}`)).out.includes('got through'));
    expect((await orbis(`change message ${waiting.id} --resend`)).exit).to.equal(4);
    expect((await orbis(`change message ${waiting.id} --drop`)).out).to.equal('Let go of 0 messages.\n');
    await test.orbis.connection.db.execute("update message set state = 'dead'");
    expect((await orbis(`change message ${waiting.id} --drop`)).out).to.equal('Let go of 1 message.\n');
    expect((await orbis(`change message ${waiting.id}`)).exit).to.equal(2);
    const renewed = JSON.parse((await orbis('change channel Tickets --renew-secret --json')).out) as {
      secret: string;
    };
    expect(renewed.secret)
      .to.match(/^[\w-]{43}$/)
      .and.not.equal(key);
    expect((await orbis('remove channel Tickets')).out).to.equal('Removed the channel “Tickets”.\n');
    expect((await orbis('undo')).exit).to.equal(0);
    expect((await orbis('show channel Tickets')).exit).to.equal(0);
  });

  it('makes a feed whose address is told once', async () => {
    const made = await orbis('add channel Reader --feed');
    const address = made.out.trim().split('\n').at(-1)!;
    expect((await fetch(address)).status).to.equal(200);
    expect((await orbis('list channels')).out).to.match(
      /^Reader +feed +whoever asks +warnings and errors +when it is asked for/m,
    );
  });

  it('lists what was found, and follows what comes, each as one line of JSON', async () => {
    const stop = new AbortController();
    const following = run(['events', '--follow', '--last', '0', '--json'], {
      env: { ORBIS_URL: test.url, ORBIS_TOKEN: test.token },
      signal: stop.signal,
    });
    await sweepAll(test.client);
    await until(async () => (await orbis('events')).out.includes('Not in the register'));
    site.pages.set('talks', pageOf(''));
    await sweepAll(test.client);
    await until(async () => (await orbis('events')).out.includes('solved'));
    const listed = await orbis('events --site fell');
    expect(listed.out.match(/^\S.*$/gm)!.map((line) => line.replace(/^.*?\d\d:\d\d {2}/, ''))).to.satisfy(
      ([first, second]: [string, string]) =>
        /^note {2}Not in the register: fell\/talks {2}[0-9a-z]{10}$/.test(first) &&
        /^solved {2}Solved: not in the register, fell\/talks {2}/.test(second),
    );
    // The stream looks for news once a second.
    await new Promise((resolve) => setTimeout(resolve, 3000));
    stop.abort();
    const { exit, out } = await following;
    const lines = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { kind: string });
    expect([exit, lines.map(({ kind }) => kind)]).to.deep.equal([0, ['found', 'solved']]);
  });

  it('says what does not go', async () => {
    for (const [line, said] of [
      ['add channel X', '--mail ADDRESS, --webhook ADDRESS or --feed'],
      ['add channel X --feed --every day', 'goes with --mail'],
      ['add channel X --mail nobody', 'a mail address'],
      ['change channel Reader', 'Say what changes'],
      ['change channel Reader --every day', 'Only mail is gathered'],
      ['change channel Nobody --try', '“orbis list channels” shows what there is'],
      ['events --last many', 'is no number of events'],
      ['change message 0123456789', '--resend'],
    ] as const) {
      const ran = await orbis(line);
      expect([ran.exit, ran.err], line).to.satisfy(
        ([exit, err]: [number, string]) => exit === 2 && err.includes(said),
      );
    }
  });
});
