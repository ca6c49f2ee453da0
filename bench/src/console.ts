import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { chromium } from 'playwright-core';
import { findChromium, readSettings, startOrbis } from '@orbis/service';
import { transferredFor } from '../../console/test/support/transferred.ts';

/**
 * What the console's first screen takes over the wire, fonts included, for an owner who is signed in and has
 * nothing in the browser's cache.
 */
export async function consoleSize(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const orbis = await startOrbis(
    readSettings({ ORBIS_DATA: folder, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0' }, folder),
    { log: pino({ level: 'silent' }), durable: false },
  );
  const browser = await chromium.launch({
    executablePath: findChromium(undefined) ?? undefined,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(await orbis.link('sign-in'));
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    const loaded = await transferredFor(context, orbis.origins.console);
    const of = (pattern: RegExp): number =>
      loaded.filter(({ name }) => pattern.test(name)).reduce((sum, { bytes }) => sum + bytes, 0);
    const rows = [
      ['script', of(/\.js$/)],
      ['fonts', of(/\.woff2$/)],
      ['all of it', of(/(?:)/)],
    ] as const;
    return `The console’s first screen, in kB over the wire\n${rows.map(([what, bytes]) => `${what.padEnd(12)}${(bytes / 1000).toFixed(1).padStart(8)}\n`).join('')}`;
  } finally {
    await browser.close();
    await orbis.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
