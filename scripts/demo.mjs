// The whole demo with one command: set-up, service, stand-in provider, demo site, demo data, one sweep.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createWriteStream } from 'node:fs';
import { join, relative } from 'node:path';
import { randomBytes } from 'node:crypto';
import { say, setUp, stop as fail, top } from './setup.mjs';

// `npm run dev` has done it, and builds what changes.
if (process.env.SET_UP !== 'done') setUp();
const { pino } = await import('pino');
const { CannotStart, readSettings, startOrbis } = await import('../service/dist/index.js');
const { hosts, inspectDemo, loadDemo, lookAtDemo, loopbackFetch, peopleOfDemo, smallSites, startDemoServer } =
  await import('../demo/dist/index.js');
const { builtInSheets } = await import('../sheets/dist/index.js');
const { createClient } = await import('../contract/dist/index.js');

const owner = 'Hollin Fell';
const demoPort = 7430;
const postPort = 7432;
const fetch = loopbackFetch();
const folder = process.env.ORBIS_DATA ?? join(top, 'var/demo');
if (process.argv.includes('--fresh')) rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true, mode: 0o700 });

let orbis = null;
let world = null;
let stopping = false;
const stop = async (status) => {
  if (stopping) return;
  stopping = true;
  await world?.stop();
  await orbis?.stop();
  process.exit(status);
};
process.on('SIGINT', () => stop(0));
process.on('SIGTERM', () => stop(0));

try {
  const settings = readSettings(
    {
      // The demo has a mail server of its own, whose mail can be read in a browser.
      ORBIS_SMTP_URL: `smtp://127.0.0.1:${postPort}`,
      ORBIS_MAIL_FROM: 'Orbis <orbis@hollinfell.example>',
      ORBIS_MAIL_GATHERS: '5',
      ORBIS_ALLOW_PRIVATE: 'yes',
      ORBIS_COPIES_TO: join(folder, 'copies'),
      ...process.env,
      ORBIS_DATA: folder,
    },
    top,
  );
  say('starting');
  // The providers of the demo answer here, without certificates.
  const sheets = builtInSheets().map((sheet) =>
    sheet.hosts.length > 0 ? { ...sheet, answers: { scheme: 'http', port: demoPort } } : sheet,
  );
  orbis = await startOrbis(settings, {
    sheets,
    log: pino(
      { level: settings.ORBIS_LOG_LEVEL },
      createWriteStream(join(folder, 'orbis.log'), { flags: 'a', mode: 0o600 }),
    ),
  });
  world = await startDemoServer({ port: demoPort, postPort, folder }).catch((error) => {
    throw new CannotStart(
      error.code === 'EADDRINUSE'
        ? `Port ${error.port ?? demoPort} is taken by another program; the demo's sites need it. Stop that one first.`
        : String(error),
    );
  });
  await prepare();
  const link = await orbis.link('sign-in', 60);
  process.stdout.write(`
The demo is running. Ctrl-C stops it.

  Orbis, signed in    ${link}
  The demo site       http://${hosts.hollinfell}:${demoPort}/talks
  Its page editor     http://${hosts.hollinfell}:${demoPort}/edit/talks
  Its friends’ sites  ${smallSites.map(({ host }) => `http://${host}:${demoPort}/`).join('\n                      ')}
  The video provider  http://${hosts.kinorill}:${demoPort}/
  All providers       http://${hosts.index}:${demoPort}/
  Its post            http://${hosts.post}:${demoPort}/

Three commands to try in another terminal:

  npx orbis list placements
  npx orbis code what-a-comet-leaves-behind
  npx orbis sweep

The link signs in once, within an hour. Logs: ${join(relative(top, folder), 'orbis.log')}
`);
} catch (error) {
  process.stderr.write(error instanceof CannotStart ? `${error.message}\n` : `${error.stack}\n`);
  await stop(1);
}

/* The first time: an owner with a password, a token for this checkout's command line, the data. */
async function prepare() {
  const passwordFile = join(folder, 'password');
  const commandLine = join(folder, 'cli.json');
  const { console: url } = orbis.origins;
  if (!(await orbis.hasPassword())) {
    const password = randomBytes(12).toString('base64url');
    const secret = new URL(await orbis.link('password')).hash.slice(1);
    await createClient({ url, fetch }).call('password.set', {
      body: { secret, password, name: owner },
    });
    writeFileSync(passwordFile, `${password}\n`, { mode: 0o600 });
  }
  const kept = existsSync(commandLine) ? JSON.parse(readFileSync(commandLine, 'utf8')) : null;
  if (kept?.url !== url) {
    const password = readFileSync(passwordFile, 'utf8').trim();
    const { data } = await createClient({ url, fetch }).call('tokens.exchange', {
      body: { person: owner, password, name: 'the demo’s command line' },
    });
    writeFileSync(commandLine, `${JSON.stringify({ url, token: data.token, id: data.id }, null, 2)}\n`, {
      mode: 0o600,
    });
  }
  const loaded = join(folder, 'loaded');
  if (existsSync(loaded)) return;
  const { token } = JSON.parse(readFileSync(commandLine, 'utf8'));
  const client = createClient({ url, fetch, headers: { authorization: `Bearer ${token}` } });
  const { data } = await client.call('sites.list', {});
  if (data.items.length > 0)
    fail('The demo’s data was loaded only in part. Start over with: npm run demo -- --fresh');
  say('loading the demo’s data');
  await loadDemo(client, demoPort, { sendsMail: true });
  await peopleOfDemo(client);
  await lookAtDemo(client);
  await inspectDemo(client);
  writeFileSync(loaded, `${new Date().toISOString()}\n`);
}
