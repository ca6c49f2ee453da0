import { createClient, type BodyInput, type Client, type Routes } from '@orbis/contract';
import { password, type TestOrbis } from './orbis.ts';

/** Somebody who was invited, has set a password, and is signed in. */
export interface Joined {
  id: string;
  client: Client;
  token: string;
}

/** What is granted to somebody. */
export type Granted = Omit<BodyInput<Routes['people.create']>, 'name'>;

/** Invites somebody, who sets the password of all tests and signs in. */
export async function join(
  { client, url }: Pick<TestOrbis, 'client' | 'url'>,
  name: string,
  granted: Granted,
): Promise<Joined> {
  const { data } = await client.call('people.create', { body: { name, ...granted } });
  const stranger = createClient({ url });
  const secret = new URL(data.link).hash.slice(1);
  await stranger.call('password.set', { body: { secret, password } });
  const signedIn = await stranger.call('tokens.exchange', {
    body: { person: name, password, name: 'tests' },
  });
  const { token } = signedIn.data;
  return { id: data.id, token, client: createClient({ url, headers: { authorization: `Bearer ${token}` } }) };
}
