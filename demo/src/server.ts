import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import express, { type Express, type Handler, type Router } from 'express';
import { Faults } from './faults.ts';
import { hosts } from './hosts.ts';
import { kinorillPlayer, kinorillSite } from './kinorill/app.ts';
import { gladewick, standIns } from './providers/index.ts';
import { openPages } from './editors/published-pages.ts';
import { smallSite } from './editors/small-site.ts';
import { smallSites } from './editors/small-sites.ts';
import { startPostOffice, type PostOffice } from './post.ts';
import { hollinfell } from './site/app.ts';
import { openSite } from './site/store.ts';
import { serveWorld, worldIndex } from './world.ts';

export interface DemoServer {
  port: number;
  stop(): Promise<void>;
}

/** The demo's world as one app: stand-in providers and demo sites, told apart by host name. */
export function createDemoApp(
  folder: string,
  now: () => number = Date.now,
  post: PostOffice | null = null,
): Express {
  const app = express();
  app.disable('x-powered-by');
  const faults = new Faults();
  const worlds = new Map<string, Handler[]>([
    [hosts.hollinfell, [hollinfell(openSite(join(folder, 'site/hollinfell.json')))]],
    ...smallSites.map((site): [string, Handler[]] => [
      site.host,
      [smallSite(site, openPages(join(folder, 'site', `${site.key}.json`), now))],
    ]),
  ]);
  if (post) worlds.set(hosts.post, [post.pages, serveWorld()]);
  const provider = (id: string, routers: Record<string, () => Router>): void => {
    for (const [host, router] of Object.entries(routers)) worlds.set(host, [faults.before(id), router()]);
  };
  provider('kinorill', {
    [hosts.kinorill]: kinorillSite,
    [hosts.kinorillPlayer]: () => kinorillPlayer(true),
    [hosts.kinorillQuiet]: () => kinorillPlayer(false),
  });
  for (const standIn of [...standIns, gladewick]) provider(standIn.id, standIn.hosts);
  const index = worldIndex(faults);
  app.use((request, response, next) => {
    const [before, ...after] = worlds.get(request.hostname) ?? [index];
    void before!(request, response, (error?: unknown) =>
      error !== undefined || after.length === 0 ? next(error) : void after[0]!(request, response, next),
    );
  });
  app.use(
    (_request, response) => void response.status(404).type('text/plain').send('There is nothing here.\n'),
  );
  return app;
}

/**
 * Starts the demo's world on loopback; port 0 means any free one.
 * @throws the system's error when the port is taken.
 */
export async function startDemoServer({
  port,
  folder,
  now,
  postPort,
}: {
  port: number;
  folder: string;
  /** What time it is for what is live only after a while; that of the machine where nothing is said. */
  now?: () => number;
  /** Where mail is taken (SMTP); nowhere where nothing is said. */
  postPort?: number;
}): Promise<DemoServer> {
  const post = postPort === undefined ? null : await startPostOffice(postPort);
  const server = createServer(createDemoApp(folder, now, post));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    port: (server.address() as AddressInfo).port,
    stop: async () => {
      await post?.stop();
      await new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      });
    },
  };
}
