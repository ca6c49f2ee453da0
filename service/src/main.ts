import { listServiceSettings } from '@orbis/contract';
import { behindProxy, seemsProxied } from './http/proxy-warning.ts';
import { startOrbis } from './start.ts';
import { CannotStart, readSettings } from './settings.ts';

/* In milliseconds. */
const longestStop = 4800;

/** Runs Orbis until it is told to stop. */
async function main(): Promise<void> {
  if (process.argv.includes('--settings')) return void process.stdout.write(settingsInWords());
  const settings = readSettings(process.env, process.cwd());
  const orbis = await startOrbis(settings);
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    // Whatever does not come to an end by then is left to itself: the database does, and
    // nothing else keeps anything.
    setTimeout(() => process.exit(0), longestStop).unref();
    orbis.stop().then(
      () => process.exit(0),
      (error: unknown) => {
        process.stderr.write(`${String(error)}\n`);
        process.exit(1);
      },
    );
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  if (seemsProxied(settings)) process.stderr.write(`\n${behindProxy}\n`);
  if (await orbis.hasPassword()) process.stderr.write(`\nOrbis is running: ${orbis.origins.console}\n`);
  else
    process.stderr.write(
      `\nOrbis is running. Set your password within 30 minutes here:\n  ${await orbis.link('password')}\n`,
    );
}

const settingsInWords = (): string =>
  listServiceSettings()
    .map(
      ({ name, meaning, default: fallback }) => `${name}${fallback ? ` (${fallback})` : ''}\n  ${meaning}\n`,
    )
    .join('');

main().catch((error: unknown) => {
  process.stderr.write(
    error instanceof CannotStart
      ? `${error.message}\n`
      : `${String(error instanceof Error ? error.stack : error)}\n`,
  );
  process.exit(1);
});
