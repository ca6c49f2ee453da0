import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';

/** What answers for a path: a page, or whatever it does. */
export type Answers = string | ((request: IncomingMessage, response: ServerResponse) => void);

/** A site whose pages are what a test says they are. */
export interface SiteOfPages {
  address: string;
  port: number;
  /** By their paths, without the slash before them. */
  pages: Map<string, Answers>;
  stop(): Promise<void>;
}

/** The page of that body, with words that visitors read. */
export const pageOf = (body: string, head = ''): string =>
  `<!doctype html><html lang="en"><head><title>Hollin Fell</title>${head}</head><body><main><h1>Hollin Fell</h1><p>The observatory is open on clear Fridays.</p>${body}</main></body></html>`;

export async function startSiteOfPages(host = 'hollinfell.localhost'): Promise<SiteOfPages> {
  const pages = new Map<string, Answers>();
  const server = createServer((request, response) => {
    const answer = pages.get(new URL(request.url!, 'http://x').pathname.slice(1));
    if (answer === undefined) response.writeHead(404).end();
    else if (typeof answer === 'string')
      response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(answer);
    else answer(request, response);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    address: `http://${host}:${port}`,
    port,
    pages,
    stop: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}
