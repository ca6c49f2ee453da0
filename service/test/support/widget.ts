import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

/** A widget that no sheet knows: its script loads another one, from elsewhere, which is sent on. */
export interface Widget {
  code: string;
  /** Everybody whom it contacts, by their names; the first one only at a click. */
  hosts: readonly [atClick: string, sentOn: string, second: string, first: string];
  /** What it was asked for so far, as host and path. */
  asked: string[];
  stop(): void;
}

const hosts = [
  'clicks.widget.localhost',
  'far.widget.localhost',
  'more.widget.localhost',
  'widget.localhost',
] as const;

export async function startWidget(): Promise<Widget> {
  const asked: string[] = [];
  let port = 0;
  const server: Server = createServer(({ headers, url = '' }, response) => {
    asked.push(`${(headers.host ?? '').split(':')[0]}${url}`);
    response.setHeader('Access-Control-Allow-Origin', '*');
    if (url === '/first.js')
      response.setHeader('Content-Type', 'text/javascript').end(
        `const hidden = ['http:', '', 'more.widget' + '.localhost:${port}', 'second.js'].join('/');
           document.head.append(Object.assign(document.createElement('script'), { src: hidden }));
           document.querySelector('#widget').textContent = 'First';
           addEventListener('click', () => fetch('http://' + 'clicks.widget' + '.localhost:${port}/clicked'));`,
      );
    else if (url === '/second.js')
      response.writeHead(302, { Location: `http://far.widget.localhost:${port}/third.js` }).end();
    else if (url === '/third.js')
      response
        .setHeader('Content-Type', 'text/javascript')
        .end(`document.querySelector('#widget').textContent = 'All of it';`);
    else response.end();
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  ({ port } = server.address() as AddressInfo);
  return {
    code: `<div id="widget"></div>\n<script src="http://widget.localhost:${port}/first.js"></script>`,
    hosts,
    asked,
    stop: () => {
      server.close();
      server.closeAllConnections();
    },
  };
}
