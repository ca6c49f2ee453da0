import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { closeBrowser, newWindow } from './support/browser.ts';

describe('a sweep that is watched in the console', () => {
  let test: TestOrbis;
  let site: Server;
  let letGo: () => void = () => undefined;
  before(async () => {
    const held = new Promise<void>((resolve) => (letGo = resolve));
    site = createServer(
      (_request, response) =>
        void held.then(() => response.writeHead(200, { 'content-type': 'text/html' }).end('<p>x</p>')),
    );
    await new Promise<void>((resolve) => site.listen(0, '127.0.0.1', resolve));
    // The same port after the start: a port of the test's own, that was free a moment ago.
    const probe = createServer();
    await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
    const { port } = probe.address() as AddressInfo;
    await new Promise((resolve) => probe.close(resolve));
    test = await startTestOrbis({ env: { ORBIS_PORT: String(port) } });
    await test.client.call('sites.create', {
      body: {
        key: 'slow',
        name: 'Slow',
        address: `http://slow.localhost:${(site.address() as AddressInfo).port}`,
      },
    });
    await test.client.call('pages.create', { body: { key: 'slow/', title: 'Home' } });
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
    site.closeAllConnections();
    site.close();
  });

  it('is followed to its end over a restart of the service', async () => {
    const { context, page } = await newWindow();
    await page.goto(await test.orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.goto(`${test.url}/sweeps`);
    await page.getByRole('button', { name: 'Sweep everything' }).click();
    await page.getByText('0 of 1 page').waitFor();
    await test.restart();
    letGo();
    await page.getByText('1 page read', { exact: false }).first().waitFor();
    await page.getByText('0 of 1 page').waitFor({ state: 'detached' });
    await context.close();
  });
});
