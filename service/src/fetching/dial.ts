import { Agent } from 'undici';
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
    throw new FetchFailure(`${url.protocol} addresses are not read.`, 'Use an address with https: or http:.');
  if (url.username || url.password)
    throw new FetchFailure(
      'addresses with a password in them are not read.',
      'Take the password out of the address.',
    );
  if (anywhere) return;
  if (url.port !== '')
    throw new FetchFailure(
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
}: {
  seconds: number;
  resolve: typeof resolveHost;
  anywhere: boolean;
}): Agent =>
  new Agent({
    keepAliveTimeout: 1000,
    maxHeaderSize: 32_768,
    connect: {
      timeout: seconds * 1000,
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
    },
  });

const notPublic = (host: string): FetchFailure =>
  new FetchFailure(`${host} is not an address of the public internet.`, onlyDeclared);
