import { once } from 'node:events';
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/** A way to a server on this machine that can be shut and opened again. */
export interface Gate {
  /** The same address, by this way. */
  url: string;
  shut(): void;
  open(): void;
  close(): Promise<void>;
}

/**
 * A gate before a server on this machine, by its port or its socket: shut, it breaks off what is going on,
 * and lets nobody in.
 */
export async function gateTo(url: string): Promise<Gate> {
  const there = new URL(url);
  const socketPath = there.searchParams.get('socketPath');
  const sockets = new Set<Socket>();
  let isOpen = true;
  const server = createServer((socket) => {
    if (!isOpen) return void socket.destroy();
    const through = socketPath ? connect(socketPath) : connect(Number(there.port), there.hostname);
    for (const [one, other] of [
      [socket, through],
      [through, socket],
    ] as const) {
      sockets.add(one);
      one.on('error', () => other.destroy());
      one.on('close', () => {
        sockets.delete(one);
        other.destroy();
      });
      one.pipe(other);
    }
  }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const here = new URL(url);
  here.searchParams.delete('socketPath');
  here.hostname = '127.0.0.1';
  here.port = String((server.address() as AddressInfo).port);
  const breakOff = (): void => sockets.forEach((socket) => socket.destroy());
  return {
    url: here.href,
    shut: () => {
      isOpen = false;
      breakOff();
    },
    open: () => {
      isOpen = true;
    },
    close: async () => {
      server.close();
      breakOff();
      await once(server, 'close');
    },
  };
}
