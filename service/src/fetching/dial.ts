import type { Socket } from 'node:net';
import { TLSSocket } from 'node:tls';
import { Agent, buildConnector } from 'undici';
import { isPublic, type resolveHost } from './addresses.ts';
import { FetchFailure } from './failure.ts';

const onlyDeclared = 'Only pages of the sites that you declared may be elsewhere.';

/**
 * Holds an address against what may be dialled at all.
 * @param anywhere whether it may be on private addresses, with any port.
 * @throws FetchFailure
 */
export function checkAddress(url: URL, anywhere: boolean): void {
  if (url.protocol !== 'http:' && url.protocol !== 'https:')
    throw unasked(`${url.protocol} addresses are not read.`, 'Use an address with https: or http:.');
  if (url.username || url.password)
    throw unasked('addresses with a password in them are not read.', 'Take the password out of the address.');
  if (anywhere) return;
  if (url.port !== '')
    throw unasked(
      `${url.host} has a port of its own, which only declared sites may.`,
      'Declare the site with its port.',
    );
  // A numeric address is never looked up, so it is checked here.
  const literal = url.hostname.replace(/^\[|\]$/g, '');
  if (/^[\d.]+$|:/.test(literal) && !isPublic(literal)) throw notPublic(url.hostname);
}

/** Dials the address that was checked, and no other that a second look at its name would give. */
export const createAgent = ({
  seconds,
  resolve,
  anywhere,
  ca,
  onCertificate,
}: {
  seconds: number;
  resolve: typeof resolveHost;
  anywhere: boolean;
  /** Whom to trust beside those that everybody does: for tests. */
  ca?: string | undefined;
  /** Told of the certificate of each host that is reached by TLS, and when it ends. */
  onCertificate: (host: string, ends: Date) => void;
}): Agent => {
  const connect = buildConnector({
    timeout: seconds * 1000,
    ...(ca !== undefined && { ca }),
    lookup: (hostname, _options, done) => {
      resolve(hostname).then(
        (addresses) => {
          const isRefused = !anywhere && addresses.some(({ address }) => !isPublic(address));
          if (isRefused || addresses.length === 0) done(notPublic(hostname), []);
          else done(null, addresses);
        },
        (error: unknown) => done(error as Error, []),
      );
    },
  });
  return new Agent({
    keepAliveTimeout: 1000,
    maxHeaderSize: 32_768,
    connect: (options, done) =>
      connect(options, (...[error, socket]) => {
        if (error) return done(error, null);
        const ends = endOf(socket);
        if (ends) onCertificate(new URL(`https://${options.host ?? options.hostname}`).host, ends);
        done(null, socket);
      }),
  });
};

/* When the certificate of whoever is at the other end ends; null where none was shown. */
function endOf(socket: Socket): Date | null {
  if (!(socket instanceof TLSSocket)) return null;
  const ends = Date.parse(socket.getPeerCertificate().valid_to);
  return Number.isNaN(ends) ? null : new Date(ends);
}

/* What Orbis asks nobody for. */
const unasked = (why: string, remedy: string): FetchFailure =>
  new FetchFailure(why, remedy, null, { isUnasked: true });

const notPublic = (host: string): FetchFailure =>
  unasked(`${host} is not an address of the public internet.`, onlyDeclared);
