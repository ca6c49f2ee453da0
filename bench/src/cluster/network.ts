import { execFileSync } from 'node:child_process';

const bridge = 'orbisbench';
const nameOf = (node: number): string => `orbisbench${node}`;

/** Where a node is; the bench itself is at 10.77.0.1. */
export const addressOf = (node: number): string => `10.77.0.${10 + node}`;

/** Networks of their own for some machines, on one wire that can be cut. */
export interface Network {
  /** What runs a program on a machine, to stand before its name. */
  on(node: number): string[];
  cut(node: number): void;
  mend(node: number): void;
  remove(): void;
}

/** Lays the wire, as root; what an earlier run left of it is taken away before. */
export function layNetwork(nodes: readonly number[]): Network {
  const remove = (): void => {
    for (const node of nodes) {
      // Its other end, in the network that goes, would keep the name for a while.
      quietly('link', 'delete', nameOf(node));
      quietly('netns', 'delete', nameOf(node));
    }
    quietly('link', 'delete', bridge);
  };
  remove();
  ip('link', 'add', bridge, 'type', 'bridge');
  ip('address', 'add', '10.77.0.1/24', 'dev', bridge);
  ip('link', 'set', bridge, 'up');
  for (const node of nodes) {
    const name = nameOf(node);
    ip('netns', 'add', name);
    ip('link', 'add', name, 'type', 'veth', 'peer', 'name', 'eth0', 'netns', name);
    ip('link', 'set', name, 'master', bridge, 'up');
    ip('-n', name, 'address', 'add', `${addressOf(node)}/24`, 'dev', 'eth0');
    ip('-n', name, 'link', 'set', 'eth0', 'up');
    ip('-n', name, 'link', 'set', 'lo', 'up');
  }
  return {
    on: (node) => ['ip', 'netns', 'exec', nameOf(node)],
    cut: (node) => ip('link', 'set', nameOf(node), 'down'),
    mend: (node) => ip('link', 'set', nameOf(node), 'up'),
    remove,
  };
}

const ip = (...args: string[]): void =>
  void execFileSync('ip', args, { stdio: ['ignore', 'ignore', 'pipe'] });

function quietly(...args: string[]): void {
  try {
    ip(...args);
  } catch {
    // It was not there.
  }
}
