import { createClient, type Client } from '@orbis/contract';
import { loopbackFetch } from '@orbis/demo';

/** What browsers say that show a document in a frame. */
export const asBrowsersAsk = (link: string): Record<string, string> => ({
  'host': new URL(link).host,
  'accept-encoding': 'gzip, deflate, br',
  'sec-fetch-dest': 'iframe',
  'referer': 'https://moor.example/',
});

/** An embed that is placed, and the link of its document, by a service that has just been started. */
export async function placedLink({
  url,
  secret,
  fetch = loopbackFetch(),
}: {
  url: string;
  secret: string;
  fetch?: typeof globalThis.fetch;
}): Promise<{ link: string; client: Client }> {
  const password = 'only for this measure';
  await createClient({ url, fetch }).call('password.set', { body: { secret, password, name: 'Bench' } });
  const { data } = await createClient({ url, fetch }).call('tokens.exchange', {
    body: { password, name: 'bench' },
  });
  const client: Client = createClient({ url, fetch, headers: { authorization: `Bearer ${data.token}` } });
  const text =
    '<iframe src="https://play.kinorill.localhost/film/a" title="Talk" width="640" height="360"></iframe>';
  await client.call('embeds.create', { body: { name: 'Talk', text } });
  await client.call('sites.create', { body: { key: 'moor', name: 'Moor', address: 'https://moor.example' } });
  await client.call('pages.create', { body: { key: 'moor/a', title: 'A' } });
  await client.call('spots.create', { body: { key: 'moor/a#a' } });
  const { id } = (await client.call('placements.create', { body: { embed: 'talk', place: 'moor/a#a' } }))
    .data;
  const { link } = (await client.call('placements.link', { params: { placement: id } })).data;
  return { link, client };
}
