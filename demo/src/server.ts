import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import express, { type Express, type Router } from 'express';
import { hosts } from './hosts.ts';
import { escapeHtml } from './html.ts';
import { kinorillPlayer, kinorillShort, kinorillSite } from './kinorill/app.ts';
import { hollinfell } from './site/app.ts';
import { openSite } from './site/store.ts';

export interface DemoServer {
  port: number;
  stop(): Promise<void>;
}

/** The demo's world as one app: stand-in providers and demo sites, told apart by host name. */
export function createDemoApp(folder: string): Express {
  const app = express();
  app.disable('x-powered-by');
  const worlds = new Map<string, Router>([
    [hosts.kinorill, kinorillSite()],
    [hosts.kinorillPlayer, kinorillPlayer()],
    [hosts.kinorillShort, kinorillShort()],
    [hosts.hollinfell, hollinfell(openSite(join(folder, 'site/hollinfell.json')))],
  ]);
  app.use((request, response, next) => {
    const world = worlds.get(request.hostname);
    if (world) return world(request, response, next);
    const port = request.get('host')?.split(':')[1] ?? '80';
    const links = [hosts.hollinfell, hosts.kinorill].map((host) => `<li><a href="http://${host}:${port}/">${escapeHtml(host)}</a></li>`);
    response.send(`<!doctype html><html lang="en"><title>The demo’s world</title><h1>The demo’s world</h1><ul>${links.join('')}</ul>`);
  });
  app.use((_request, response) => void response.status(404).type('text/plain').send('There is nothing here.\n'));
  return app;
}

/**
 * Starts the demo's world on loopback; port 0 means any free one.
 * @throws the system's error when the port is taken.
 */
export async function startDemoServer({ port, folder }: { port: number; folder: string }): Promise<DemoServer> {
  const server = createServer(createDemoApp(folder));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    port: (server.address() as AddressInfo).port,
    stop: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
