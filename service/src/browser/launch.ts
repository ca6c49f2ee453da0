import type { BrowserContext } from 'playwright-core';
import { openGate, type Gate, type GateRules } from './gate.ts';
import { groupNaming, killGroup, memoryOf } from './processes.ts';
import { newProfile } from './profile.ts';

/** A browser that runs, for one piece of work. */
export interface Launched {
  context: BrowserContext;
  gate: Gate;
  /** Ends when the browser took more memory than it may. */
  exhausted: Promise<never>;
  close(): Promise<void>;
}

/** The browser took more memory than it may, or did not come up. */
export class BrowserFailed extends Error {}

export interface LaunchOptions extends GateRules {
  chromium: string;
  /** How many pixels of a picture one of CSS is. */
  scale: number;
  /** How much memory all its processes together may take, in bytes. */
  memory: number;
}

const size = { width: 1280, height: 800 };

/* What the browser would do of its own accord. */
const quiet = [
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--no-first-run',
  '--js-flags=--max-old-space-size=512',
];

/**
 * Starts Chromium for one piece of work: with a profile of its own, as somebody who owns nothing, in its own
 * sandbox, with one guarded way out.
 * @throws BrowserFailed where it does not come up.
 */
export async function launch({ chromium, scale, memory, ...rules }: LaunchOptions): Promise<Launched> {
  // As it takes a while to load, and few need it.
  const driver = await import('playwright-core');
  const gate = await openGate(rules);
  const profile = newProfile(chromium);
  const letGo = async (): Promise<void> => {
    await gate.close();
    profile.remove();
  };
  const context = await driver.chromium
    .launchPersistentContext(profile.folder, {
      executablePath: profile.program,
      env: profile.env,
      chromiumSandbox: true,
      // It goes past a proxy for loopback unless told otherwise.
      proxy: { server: gate.url, bypass: '<-loopback>' },
      args: quiet,
      viewport: size,
      deviceScaleFactor: scale,
      serviceWorkers: 'block',
      acceptDownloads: false,
      timeout: 15_000,
    })
    .catch(async (error: unknown) => {
      await letGo();
      throw new BrowserFailed(firstLine(error));
    });
  // Sockets are told only once they are open: they reach hosts that are asked for something else as well.
  context.on('request', (request) => gate.expect(request.url()));
  const group = groupNaming(`--user-data-dir=${profile.folder}`);
  const watch = watchMemory(group, memory);
  return {
    context,
    gate,
    exhausted: watch.exhausted,
    close: async () => {
      watch.end();
      const isClosed = await Promise.race([
        context.close().then(
          () => true,
          () => false,
        ),
        new Promise<boolean>((resolve) => setTimeout(resolve, 3000, false).unref()),
      ]);
      if (!isClosed && group !== null) killGroup(group);
      await letGo();
    },
  };
}

/* Looks twice a second how much memory a group of processes has, and ends it where that is too much. */
function watchMemory(group: number | null, most: number): { exhausted: Promise<never>; end(): void } {
  let timer: NodeJS.Timeout | undefined;
  const exhausted = new Promise<never>((_resolve, reject) => {
    if (group === null) return;
    timer = setInterval(() => {
      if (memoryOf(group) <= most) return;
      clearInterval(timer);
      killGroup(group);
      reject(new BrowserFailed('what it showed took more memory than it may'));
    }, 500);
  });
  // Whoever waits for it hears of it; it may also be that nobody does any more.
  exhausted.catch(() => undefined);
  return { exhausted, end: () => clearInterval(timer) };
}

/** What went wrong, in a line. */
export const firstLine = (error: unknown): string =>
  String(error instanceof Error ? error.message : error)
    .split('\n')[0]!
    .slice(0, 200);
