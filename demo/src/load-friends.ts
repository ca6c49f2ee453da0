import type { Client } from '@orbis/contract';
import { loopbackFetch } from './loopback.ts';
import { smallSites, spotOfAll, type SmallSite } from './editors/small-sites.ts';
import { markerLine } from './editors/tempers.ts';

const fetch = loopbackFetch();

/* What is on the page of each of them. */
const embeds: Readonly<Record<string, string>> = {
  darkskyweek: 'book-a-night-at-the-telescope',
  moorhostel: 'book-a-night-at-the-telescope',
  nightwalkers: 'the-way-to-the-dome',
  skyletter: 'star-chart-for-autumn',
};

/* What the owner says of an editor that no specimen shows. */
const said: Readonly<Record<string, object>> = {
  darkskyweek: { showsUnpublished: true, notes: 'Click on the plus between two paragraphs, then on Frame.' },
  nightwalkers: { firstLine: markerLine, showsUnpublished: false, delay: 2 },
};

/**
 * Loads the sites of the observatory’s friends as an owner would: each is declared, its editor is learned by
 * a specimen, and one embed is placed, pasted and published there.
 */
export async function loadFriends(client: Client, port: number): Promise<void> {
  for (const site of smallSites) {
    await declare(client, port, site);
    await learn(client, port, site);
    await place(client, port, site);
  }
}

async function declare(client: Client, port: number, { key, host, name, page }: SmallSite): Promise<void> {
  await client.call('sites.create', { body: { key, name, address: `http://${host}:${port}` } });
  for (const [path, title] of [
    ['', 'Home'],
    [page.path, page.title],
  ] as const)
    await client.call('pages.create', { body: { key: `${key}/${path}`, title } });
  // All its pages are made of one template.
  await client.call('sharedSpots.create', { body: { key: `${key}#${spotOfAll}` } });
}

async function learn(client: Client, port: number, site: SmallSite): Promise<void> {
  const params = { site: site.key };
  const change = async (editor: object): Promise<void> => {
    const { etag } = await client.call('sites.read', { params });
    await client.call('sites.change', { params, ifMatch: etag ?? '*', body: { editor } });
  };
  if (said[site.key]) await change(said[site.key]!);
  // What is live only after a while would have to be waited for.
  if (site.temper.delay > 0) return;
  const { data } = await client.call('sites.specimen', { params });
  await publish(port, site, data.text);
  const { data: learned } = await client.call('sites.learn', { params, body: { path: site.page.path } });
  if (learned.rules) await change(learned.rules);
}

async function place(client: Client, port: number, site: SmallSite): Promise<void> {
  const { data: placement } = await client.call('placements.create', {
    body: { embed: embeds[site.key]!, place: `${site.key}/${site.page.path}#${spotOfAll}` },
  });
  const { data } = await client.call('deliveries.create', { params: { placement: placement.id } });
  await publish(port, site, data.text);
}

/* As whoever works with the editor does it. */
async function publish(port: number, { host, page }: SmallSite, code: string): Promise<void> {
  const edit = async (method: string, what: string, body: object): Promise<void> => {
    const answer = await fetch(`http://${host}:${port}/edit/api/${what}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(`the editor of ${host} answered ${answer.status}`);
  };
  await edit('PUT', 'spots', { page: page.path, code });
  await edit('POST', 'publish', { page: page.path });
}
