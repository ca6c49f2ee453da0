import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parse } from 'parse5';
import { createClient, type Client, type Sweep } from '@orbis/contract';
import { loopbackFetch, sweepAll } from '@orbis/demo';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { alone, told } from './alone.ts';
import { line } from './figures.ts';

const fetch = loopbackFetch();
const sites = ['one', 'two', 'three', 'four'];
const pagesEach = 100;
const pages = sites.length * pagesEach;

/**
 * Sweeps of 400 pages of 30 kB on four hosts of a local server: pages a second, and processor time of the
 * service against parsing the same pages alone.
 */
export async function sweeping(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const service = alone('service-alone.mjs', {
    ORBIS_DATA: join(folder, 'orbis'),
    ORBIS_DATABASE_URL: database.urls.setUp,
    ORBIS_PORT: '0',
    ORBIS_FRAMES_PORT: '0',
  });
  const texts = new Map<string, string>();
  const named = { yes: false };
  const server = createServer((request, response) => {
    const text = texts.get(`${request.headers.host!.split('.')[0]!}${request.url!}`) ?? '';
    const etag = `"${createHash('sha256').update(text).digest('hex')}"`;
    const headers = { 'content-type': 'text/html; charset=utf-8', ...(named.yes && { etag }) };
    const isKnown = named.yes && request.headers['if-none-match'] === etag;
    response.writeHead(isKnown ? 304 : 200, headers).end(isKnown ? undefined : text);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  try {
    const { url, secret } = await told<{ url: string; secret: string }>(service);
    const client = await signedIn(url, secret);
    await publish(client, (server.address() as AddressInfo).port, texts);
    const once = async (): Promise<{ cpu: number; seconds: number; sweep: Sweep }> => {
      const [from, at] = [cpuOf(service.pid!), performance.now()];
      const sweep = await sweepAll(client);
      return { sweep, cpu: cpuOf(service.pid!) - from, seconds: (performance.now() - at) / 1000 };
    };
    // What is seen for the first time is expected from then on, and read once more as if it were new.
    await once();
    const bare = parsed(texts);
    const rows: string[] = [];
    const row = (label: string, { cpu, seconds, sweep }: Awaited<ReturnType<typeof once>>): void => {
      if (sweep.read !== pages || sweep.counts.live !== pages) throw new Error(JSON.stringify(sweep));
      rows.push(
        line(
          label,
          `${(pages / seconds).toFixed(0)}`,
          `${(cpu / pages).toFixed(1)} ms`,
          `${(cpu / bare).toFixed(2)}`,
        ),
      );
    };
    for (const round of ['1', '2', '3']) {
      for (const [key, text] of texts) texts.set(key, text.replace(/<!--\d*-->/, `<!--${round}-->`));
      row('another text, the same codes', await once());
    }
    for (let i = 0; i < 3; i++) row('the same text', await once());
    named.yes = true;
    await once();
    for (let i = 0; i < 3; i++) row('the same, by its tag', await once());
    return [
      `Sweeps of ${pages} pages on ${sites.length} hosts\n`,
      line('what is read', 'pages/s', 'processor', 'to a parse'),
      ...rows,
      line('parse5 alone, of each page', '', `${(bare / pages).toFixed(1)} ms`, '1'),
    ].join('');
  } finally {
    service.kill();
    server.closeAllConnections();
    server.close();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function signedIn(url: string, secret: string): Promise<Client> {
  const password = 'only for this measure';
  const stranger = createClient({ url, fetch });
  await stranger.call('password.set', { body: { secret, password, name: 'Bench' } });
  const { token } = (await stranger.call('tokens.exchange', { body: { password, name: 'bench' } })).data;
  return createClient({ url, fetch, headers: { authorization: `Bearer ${token}` } });
}

/* Declares the sites, and publishes each page with one code in about 30 kB of words and links. */
async function publish(client: Client, port: number, texts: Map<string, string>): Promise<void> {
  const film =
    '<iframe src="https://play.kinorill.localhost/film/nB4?knobs=1" title="Talk" width="640" height="360"></iframe>';
  await client.call('embeds.create', { body: { name: 'Talk', text: film } });
  const words =
    '<section class="part"><h2>Night</h2><p>The fell is <em>dark</em> from nine, <a href="/visit">come</a>.</p></section>\n';
  for (const key of sites) {
    await client.call('sites.create', {
      body: { key, name: key, address: `http://${key}.localhost:${port}` },
    });
    for (let i = 0; i < pagesEach; i++) {
      await client.call('pages.create', { body: { key: `${key}/${i}`, title: `Page ${i}` } });
      const place = `${key}/${i}#main`;
      await client.call('spots.create', { body: { key: place } });
      const { data } = await client.call('placements.create', { body: { embed: 'talk', place } });
      const { text } = (await client.call('deliveries.create', { params: { placement: data.id } })).data;
      texts.set(
        `${key}/${i}`,
        `<!doctype html><title>${i}</title><!----><main>${words.repeat(250)}${text}</main>`,
      );
    }
  }
}

/* Processor time of parsing each page once, in ms; the first round only warms up. */
function parsed(texts: ReadonlyMap<string, string>): number {
  const all = (): void => {
    for (const text of texts.values()) parse(text, { sourceCodeLocationInfo: true });
  };
  all();
  const from = process.cpuUsage();
  all();
  const { user, system } = process.cpuUsage(from);
  return (user + system) / 1000;
}

/* What a process has used so far with all of its threads, in ms (proc(5): fields 14 and 15, in ticks). */
function cpuOf(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) * 10;
}
