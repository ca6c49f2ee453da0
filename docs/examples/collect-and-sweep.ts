// The whole way through the interface, with a client that a generator made of its description:
//
//   npx openapi-typescript http://orbis.localhost:7420/api/openapi.json -o orbis.ts
//   npm install openapi-fetch
import createClient from 'openapi-fetch';
import type { paths } from './orbis.ts';

/** Collects a code, sets an option, places it, takes the code to paste, and reads the published pages. */
export async function collectAndSweep(
  orbis: { url: string; token: string },
  { name, text, place }: { name: string; text: string; place: string },
): Promise<{ code: string; state: string }> {
  const client = createClient<paths>({
    baseUrl: orbis.url,
    headers: { authorization: `Bearer ${orbis.token}` },
  });

  const collected = await client.POST('/api/v1/embeds', { body: { name, text } });
  if (!collected.data) throw new Error(collected.error.detail);
  const embed = collected.data.key;

  const set = await client.POST('/api/v1/embeds/{embed}/revisions', {
    params: { path: { embed }, header: { 'If-Match': collected.response.headers.get('etag') ?? '*' } },
    body: { options: { start: 112 } },
  });
  if (!set.data) throw new Error(set.error.detail);

  const placed = await client.POST('/api/v1/placements', { body: { embed, place } });
  if (!placed.data) throw new Error(placed.error.detail);
  const placement = placed.data.id;

  const delivered = await client.POST('/api/v1/placements/{placement}/deliveries', {
    params: { path: { placement } },
  });
  if (!delivered.data) throw new Error(delivered.error.detail);

  const begun = await client.POST('/api/v1/sweeps', { body: { page: placed.data.page } });
  if (!begun.data) throw new Error(begun.error.detail);
  let sweep = begun.data;
  while (sweep.endedAt === null) {
    await new Promise((resolve) => setTimeout(resolve, 200));
    const now = await client.GET('/api/v1/sweeps/{sweep}', { params: { path: { sweep: sweep.id } } });
    if (!now.data) throw new Error(now.error.detail);
    sweep = now.data;
  }

  const seen = await client.GET('/api/v1/placements/{placement}', { params: { path: { placement } } });
  if (!seen.data) throw new Error(seen.error.detail);
  return { code: delivered.data.text, state: seen.data.state };
}
