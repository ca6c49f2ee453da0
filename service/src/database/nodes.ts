import { connect, type Socket } from 'node:net';

/** The addresses of one database, of which a process uses one at a time: the nodes of a cluster. */
export interface Nodes {
  /** How many there are. */
  readonly count: number;
  /** Which one is used now, from 0. */
  readonly current: number;
  /** The host and port of each. */
  readonly hosts: readonly string[];
  /** How often one was left since the process began, and which one last; null for none. */
  readonly left: { times: number; last: { host: string; at: Date } | null };
  /**
   * Goes over to the next one, unless that has happened since: what goes on with the one that is left is
   * broken off.
   */
  leave(node: number): void;
  /** For the driver: opens a connection to the node that is used now; null where there is only one. */
  readonly open: (() => Socket) | null;
}

/* The database’s own port. */
const usualPort = '3306';

/** Told that a node was left for another one, by their hosts. */
export type TellLeft = (left: string, next: string) => void;

/**
 * The nodes that an address names, in their order: every process uses the first one as long as it answers, so
 * that they do not get into each other’s way.
 * @param url see `urlsOf`.
 */
export function nodesOf(url: string, tellLeft: TellLeft = () => undefined): Nodes {
  const places = urlsOf(url).map((each) => new URL(each));
  const sockets = new Map<Socket, number>();
  const hosts = places.map(({ hostname, port }) => `${hostname}:${port || usualPort}`);
  const left: Nodes['left'] = { times: 0, last: null };
  let current = 0;
  const open = (): Socket => {
    const { hostname, port } = places[current]!;
    const socket = connect(Number(port || usualPort), hostname.replace(/^\[|\]$/g, ''));
    sockets.set(socket, current);
    socket.once('close', () => sockets.delete(socket));
    return socket.setNoDelay(true).setKeepAlive(true);
  };
  return {
    count: places.length,
    get current() {
      return current;
    },
    ...{ hosts, left },
    leave: (node) => {
      if (node !== current || places.length === 1) return;
      current = (current + 1) % places.length;
      Object.assign(left, { times: left.times + 1, last: { host: hosts[node]!, at: new Date() } });
      tellLeft(hosts[node]!, hosts[current]!);
      for (const [socket, at] of sockets) if (at === node) socket.destroy(lostNode());
    },
    open: places.length === 1 ? null : open,
  };
}

/* As the driver and its users know a connection that was lost. */
const lostNode = (): Error =>
  Object.assign(new Error('the node of the database was left'), { code: 'ECONNRESET' });

/**
 * The addresses that stand in one, each with one host.
 * @example urlsOf('mysql://u:p@a:1,b/orbis') // ['mysql://u:p@a:1/orbis', 'mysql://u:p@b/orbis']
 */
export function urlsOf(url: string): string[] {
  const start = url.indexOf('//') + 2;
  const end = start + Math.max(url.slice(start).search(/[/?#]/), 0);
  const hosts = url.slice(url.lastIndexOf('@', end) + 1 || start, end);
  const [before, behind] = [url.slice(0, end - hosts.length), url.slice(end)];
  return hosts.split(',').map((host) => `${before}${host}${behind}`);
}
