import type { lookup, LookupAddress, LookupOptions } from 'node:dns';
import { setTimeout as wait } from 'node:timers/promises';
import { RequestError, Server } from 'proxy-chain';
import { isPublic, type resolveHost } from '../fetching/addresses.ts';
import { checkAddress } from '../fetching/dial.ts';

/** The one way out for a browser that runs foreign code: a proxy on loopback, for one browser only. */
export interface Gate {
  /** Where it is, as an address. */
  url: string;
  /** Lets a host through from now on, as the page that is looked at asks for it. */
  expect(address: string): void;
  /** Lets nothing through any more, nor what is open already, until it is opened again. */
  shut(): void;
  open(): void;
  /** How many bytes have come in from outside since it was opened. */
  received(): number;
  close(): Promise<void>;
}

export interface GateRules {
  /** Addresses of the owner's own sites: they may be anywhere and have any port. */
  declared: readonly string[];
  /** Lets undeclared private addresses and other ports pass: for demos and tests only. */
  allowPrivate: boolean;
  resolve: typeof resolveHost;
}

/* The browser may dial before it tells that the page asked; its own errands are never told, nor let out. */
const [patience, step] = [2000, 20];

/**
 * Opens a gate with the rules of the guarded client: only the public internet and declared sites, held
 * against the address that is dialled, and nothing that the page did not ask for.
 */
export async function openGate({ declared, allowPrivate, resolve }: GateRules): Promise<Gate> {
  const own = new Set(declared.map((site) => new URL(site).host));
  const expected = new Set<string>();
  const closed = { bytes: 0 };
  let isShut = false;
  const server = new Server({
    host: '127.0.0.1',
    port: 0,
    prepareRequestFunction: async ({ hostname, port, isHttp }) => {
      const url = addressOf(hostname, port, isHttp);
      const anywhere = allowPrivate || own.has(url.host);
      try {
        checkAddress(url, anywhere);
      } catch {
        throw new RequestError('This address is not let through.', 403);
      }
      for (let waited = 0; !expected.has(hostname.toLowerCase()) && waited < patience; waited += step)
        await wait(step);
      if (!expected.has(hostname.toLowerCase())) throw new RequestError('Nobody asked for this.', 403);
      if (isShut) throw new RequestError('Nothing is let through now.', 403);
      return { dnsLookup: guarded(resolve, anywhere) };
    },
  });
  server.on('connectionClosed', ({ stats }: { stats?: { trgRxBytes: number | null } }) => {
    closed.bytes += stats?.trgRxBytes ?? 0;
  });
  await server.listen();
  return {
    url: `http://127.0.0.1:${server.port}`,
    expect: (address) => {
      if (URL.canParse(address))
        expected.add(new URL(address).hostname.replace(/^\[|\]$/g, '').toLowerCase());
    },
    shut: () => {
      isShut = true;
      server.closeConnections();
    },
    open: () => {
      isShut = false;
    },
    received: () =>
      server
        .getConnectionIds()
        .reduce((sum, id) => sum + (server.getConnectionStats(id)?.trgRxBytes ?? 0), closed.bytes),
    close: () => server.close(true),
  };
}

/* What is tunnelled is https or a socket; both have their ports as https has. */
function addressOf(hostname: string, port: number, isHttp: boolean): URL {
  const host = hostname.includes(':') ? `[${hostname}]` : hostname;
  const scheme = isHttp || port === 80 ? 'http' : 'https';
  const url = `${scheme}://${host}:${port}/`;
  if (!URL.canParse(url)) throw new RequestError('This is no address.', 400);
  return new URL(url);
}

/* Dials what was checked, and no other address that a second look at the name would give. */
function guarded(resolve: typeof resolveHost, anywhere: boolean): typeof lookup {
  const look = (hostname: string, { all = false }: LookupOptions, done: LookedUp): void => {
    resolve(hostname).then(
      (addresses) => {
        const isRefused = !anywhere && addresses.some(({ address }) => !isPublic(address));
        const [first] = addresses;
        if (isRefused || !first) done(new Error(`${hostname} is not an address of the public internet.`), []);
        else if (all) done(null, addresses);
        else done(null, first.address, first.family);
      },
      (error: unknown) => done(error as Error, []),
    );
  };
  return look as typeof lookup;
}

type LookedUp = (error: Error | null, found: string | LookupAddress[], family?: number) => void;
