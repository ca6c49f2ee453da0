import { chmodSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { ApiError, createClient, personRoles, siteRoles, type Client, type Rights } from '@orbis/contract';
import type { Io } from './io.ts';

const rights = z.object({
  role: z.enum(personRoles).nullable(),
  sites: z.array(z.object({ site: z.string(), role: z.enum(siteRoles) })),
});
const stored = z.object({
  url: z.string(),
  token: z.string(),
  id: z.string().optional(),
  /** What whoever signed in may do, as it was when that was last asked. */
  rights: rights.optional(),
});
export type StoredSignIn = z.infer<typeof stored>;

const checkout = fileURLToPath(new URL('../../', import.meta.url));

/** Where `orbis login` keeps what it was given. */
export const signInFile = (io: Pick<Io, 'env'>): string =>
  join(io.env['XDG_CONFIG_HOME'] || join(io.env['HOME'] || homedir(), '.config'), 'orbis', 'login.json');
const demoFile = join(checkout, 'var/demo/cli.json');

/** Reads a stored sign-in; null where there is none. */
export function readSignIn(path: string): StoredSignIn | null {
  try {
    return stored.parse(JSON.parse(readFileSync(path, 'utf8')));
  } catch {
    return null;
  }
}

export function writeSignIn(path: string, value: StoredSignIn): void {
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
  writeFileSync(path, `${JSON.stringify(value, null, 2)}\n`, { mode: 0o600 });
  chmodSync(path, 0o600);
}

/** Keeps what whoever signed in may do, for help that shows no more than that. */
export function keepRights(io: Io, may: Rights<string> | null): void {
  const file = signInFile(io);
  const found = readSignIn(file);
  if (found && !io.env['ORBIS_TOKEN'] && may)
    writeSignIn(file, { ...found, rights: { role: may.role, sites: may.sites } });
}

/** What whoever is signed in here may do, as far as that is known. */
export const keptRights = (io: Pick<Io, 'env'>): Rights<string> | null =>
  io.env['ORBIS_TOKEN'] ? null : (readSignIn(signInFile(io))?.rights ?? null);

export const forgetSignIn = (path: string): void => rmSync(path, { force: true });

/**
 * Which service, and as whom: the environment, else what was signed in to, else the demo of this checkout.
 */
function signIn(io: Io): StoredSignIn | null {
  const { ORBIS_URL: url, ORBIS_TOKEN: token } = io.env;
  if (url && token) return { url: url.replace(/\/$/, ''), token };
  const found = readSignIn(signInFile(io)) ?? readSignIn(demoFile);
  return found && { ...found, ...(url ? { url: url.replace(/\/$/, '') } : {}), ...(token ? { token } : {}) };
}

/** Where the service is, as the client would ask it; null where nothing says which. */
export const serviceAddress = (io: Io): string | null => signIn(io)?.url ?? null;

/** The client of the service. @throws ApiError `not-signed-in` where nothing says which service. */
export function connect(io: Io): Client {
  const found = signIn(io);
  if (!found) {
    throw new ApiError({
      type: 'about:blank',
      title: 'Not signed in',
      status: 401,
      code: 'not-signed-in',
      detail:
        'No service is known yet. Sign in with “orbis login http://orbis.localhost:7420”, or start the demo with “npm run demo”.',
    });
  }
  return clientFor(found.url, found.token, io);
}

export function clientFor(url: string, token: string | null, io: Io): Client {
  return createClient({ url, headers: token ? { authorization: `Bearer ${token}` } : {}, fetch: io.fetch });
}
