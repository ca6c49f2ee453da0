import { join } from 'node:path';
import { createClient, type Client } from '@orbis/contract';
import { loopbackFetch } from '@orbis/demo';
import { openDataFolder, startPrivateDatabase } from '@orbis/service';
import { alone, told } from './alone.ts';

/** A service in a process of its own, so that its memory is its own, with a database of its own. */
export interface Started {
  url: string;
  token: string;
  pid: number;
  /** The address of its database, for hand-written SQL. */
  database: string;
  /** Signed in. */
  client: Client;
  /** Stops the service, and tells how much memory it took at most, in bytes. */
  stop(): Promise<number>;
  /** Ends both, whether the service was stopped or not. */
  end(): Promise<void>;
}

/** Starts a service with an owner, below a folder. */
export async function started(folder: string): Promise<Started> {
  const fetch = loopbackFetch();
  const database = await startPrivateDatabase(openDataFolder(join(folder, 'database')), { durable: false });
  const service = alone('service-alone.mjs', {
    ORBIS_DATA: join(folder, 'orbis'),
    ORBIS_DATABASE_URL: database.urls.setUp,
    ORBIS_PORT: '0',
    ORBIS_FRAMES_PORT: '0',
  });
  const { url, secret } = await told<{ url: string; secret: string }>(service);
  const nobody = createClient({ url, fetch });
  const password = 'only for this measure';
  await nobody.call('password.set', { body: { secret, password, name: 'Bench' } });
  const { token } = (await nobody.call('tokens.exchange', { body: { password, name: 'bench' } })).data;
  return {
    ...{ url, token, pid: service.pid!, database: database.urls.setUp },
    client: createClient({ url, fetch, headers: { authorization: `Bearer ${token}` } }),
    stop: async () => {
      service.send('stop');
      return (await told<{ most: number }>(service)).most;
    },
    end: async () => {
      service.kill();
      await database.stop();
    },
  };
}

/** How long something takes, in ms. */
export async function timed(work: () => unknown): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}
