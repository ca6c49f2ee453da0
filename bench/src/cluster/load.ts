import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { Agent, request } from 'undici';
import type { Client } from '@orbis/contract';
import { ports } from './roles.ts';

/** What one kind of work got to hear, since it was last asked. */
export interface Heard {
  good: number;
  bad: number;
  /** The longest that nobody got a good answer, in milliseconds. */
  longest: number;
}

/** Work that goes on until it is ended, and counts what it is answered. */
export interface Load {
  /** What was heard since it was last asked. */
  heard(): Heard;
  end(): Promise<void>;
}

/** Embeds that were said to be kept, by their keys. */
export type Acknowledged = Set<string>;

const [writers, readers] = [4, 8];

/** Collects codes without a pause, each under a name of its own. */
export function collecting(client: Client, acknowledged: Acknowledged): Load {
  let count = 0;
  return goOn(writers, 20, async () => {
    const name = `Load ${++count}`;
    const text = `<iframe src="https://play.kinorill.localhost/film/${count}" title="${name}" width="640" height="360"></iframe>`;
    const { data } = await client.call('embeds.create', { body: { name, text } });
    acknowledged.add(data.key);
  });
}

/** Asks for a served document as visitors do. */
export function visiting(link: string): Load {
  const { host } = new URL(link);
  const dispatcher = new Agent({ connections: readers });
  const load = goOn(readers, 10, async () => {
    const { statusCode, body } = await request(`http://127.0.0.1:${ports.frames}/`, {
      dispatcher,
      headers: { host, 'sec-fetch-dest': 'iframe' },
    });
    const text = await body.text();
    if (statusCode !== 200 || !text.includes('play.kinorill.localhost')) throw new Error(String(statusCode));
  });
  return { ...load, end: () => load.end().then(() => dispatcher.close()) };
}

/** What came of sweeps: which ended, and how often each page was asked for. */
export interface Swept extends Load {
  ended: Set<string>;
  /** How often a page was asked for by one sweep beyond the first time. */
  again(): number;
}

const sites = ['one', 'two'];

/** Sweeps sites of one page each, one sweep behind the other, and reads them to their ends. */
export async function sweeping(client: Client): Promise<Swept> {
  const asked = new Map<string, number>();
  const server: Server = createServer((incoming, response) => {
    const site = incoming.headers.host!.split('.')[0]!;
    if (incoming.url === '/a') asked.set(site, (asked.get(site) ?? 0) + 1);
    response
      .writeHead(200, { 'content-type': 'text/html' })
      .end('<!doctype html><title>Page</title><p>Nothing.');
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  for (const site of sites) {
    const address = `http://${site}.localhost:${port}`;
    await client.call('sites.create', { body: { key: site, name: site, address } });
    await client.call('pages.create', { body: { key: `${site}/a`, title: 'A' } });
    await client.call('spots.create', { body: { key: `${site}/a#a` } });
    await client.call('placements.create', { body: { embed: 'talk', place: `${site}/a#a` } });
  }
  const ended = new Set<string>();
  let extra = 0;
  const load = goOn(sites.length, 20, async (index) => {
    const site = sites[index]!;
    const before = asked.get(site) ?? 0;
    const { data } = await client.call('sweeps.create', { body: { site } });
    for (let state = data.state; state === 'waiting' || state === 'running'; await wait(100))
      state = (await again(() => client.call('sweeps.read', { params: { sweep: data.id } }))).data.state;
    ended.add(data.id);
    extra += Math.max((asked.get(site) ?? 0) - before - 1, 0);
  });
  return { ...load, ended, again: () => extra, end: () => load.end().then(() => void server.close()) };
}

/* Asks until there is an answer. */
async function again<T>(ask: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await ask();
    } catch {
      await wait(50);
    }
  }
}

/* Does something over and over, so many times beside each other, with pauses. */
function goOn(together: number, pause: number, once: (index: number) => Promise<void>): Load {
  let goesOn = true;
  let [good, bad, longest, last] = [0, 0, 0, performance.now()];
  const noteGap = (): void => void (longest = Math.max(longest, performance.now() - last));
  const turn = async (index: number): Promise<void> => {
    while (goesOn) {
      try {
        await once(index);
        noteGap();
        last = performance.now();
        good++;
      } catch {
        bad++;
      }
      await wait(pause);
    }
  };
  const turns = Promise.all(Array.from({ length: together }, (_, index) => turn(index)));
  return {
    heard: () => {
      noteGap();
      const heard = { good, bad, longest };
      [good, bad, longest, last] = [0, 0, 0, performance.now()];
      return heard;
    },
    end: async () => {
      goesOn = false;
      await turns;
    },
  };
}
