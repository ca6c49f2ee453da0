import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { CannotStart } from './settings.ts';

/**
 * Listens on a port.
 * @param setting the setting that names the port.
 * @returns the port, also where any free one was asked for.
 * @throws CannotStart where it cannot, with what would do.
 */
export async function listen(server: Server, host: string, port: number, setting: string): Promise<number> {
  await new Promise<void>((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const taken = error.code === 'EADDRINUSE';
      reject(
        new CannotStart(
          taken
            ? `Port ${port} on ${host} is taken by another program. Stop that one, or set ${setting} to another port.`
            : `Orbis cannot listen on ${host}:${port}: ${error.message}. See ORBIS_HOST and ${setting}.`,
        ),
      );
    });
    server.listen(port, host, resolve);
  });
  return (server.address() as AddressInfo).port;
}

/* How long requests may take to be answered once Orbis is told to stop, in milliseconds. */
const lastWord = 1000;

/** Takes no new requests, and ends when those that are there have been answered, or soon after. */
export const closeServer = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    server.close(() => resolve());
    server.closeIdleConnections();
    // Streams of events never end by themselves, and slow callers are not waited for.
    setTimeout(() => server.closeAllConnections(), lastWord).unref();
  });
