import { randomBytes } from 'node:crypto';
import { TOTP } from 'otpauth';
import { createClient, type Client } from '@orbis/contract';
import { loopbackFetch } from './loopback.ts';

const fetch = loopbackFetch();

/**
 * The observatory's people, as an owner invites them: one who has been here, has an app for codes and has
 * written something down, one for a single site and one who only looks, both of whom have not come yet.
 */
export async function peopleOfDemo(client: Client): Promise<void> {
  const { data: ilse } = await client.call('people.create', {
    body: { name: 'Ilse Varga', email: 'ilse@hollinfell.example', role: 'editor' },
  });
  const { client: hers, password } = await accept(ilse.link, ilse.name);
  const { data: begun } = await hers.call('codes.begin', { body: { password } });
  await hers.call('codes.confirm', { body: { code: new TOTP({ secret: begun.secret }).generate() } });
  const params = { embed: 'what-visitors-say' };
  await hers.call('embeds.change', {
    params,
    body: { notes: 'Ask the visitors’ desk before it moves to another page.' },
    ifMatch: (await hers.call('embeds.read', { params })).etag ?? '*',
  });
  await client.call('people.create', {
    body: { name: 'Tam Orrin', sites: [{ site: 'hollinfell', role: 'placer' }], days: 30 },
  });
  await client.call('people.create', {
    body: { name: 'Wren Aldous', email: 'wren@hollinfell.example', role: 'reader', days: 30 },
  });
}

/* Sets a password that nobody knows, and signs in with it for a day. */
async function accept(link: string, person: string): Promise<{ client: Client; password: string }> {
  const { origin: url, hash } = new URL(link);
  const stranger = createClient({ url, fetch });
  const password = randomBytes(24).toString('base64url');
  await stranger.call('password.set', { body: { secret: hash.slice(1), password } });
  const { data } = await stranger.call('tokens.exchange', {
    body: { person, password, name: 'the demo’s data', days: 1 },
  });
  return {
    client: createClient({ url, fetch, headers: { authorization: `Bearer ${data.token}` } }),
    password,
  };
}
