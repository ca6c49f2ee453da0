import { startOrbis } from './start.ts';
import { CannotStart, readSettings } from './settings.ts';

/** Runs Orbis until it is told to stop. */
async function main(): Promise<void> {
  const orbis = await startOrbis(readSettings(process.env, process.cwd()));
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
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
  if (await orbis.hasPassword()) process.stderr.write(`\nOrbis is running: ${orbis.origins.console}\n`);
  else process.stderr.write(`\nOrbis is running. Set your password within 30 minutes here:\n  ${await orbis.link('password')}\n`);
}

main().catch((error: unknown) => {
  process.stderr.write(error instanceof CannotStart ? `${error.message}\n` : `${String(error instanceof Error ? error.stack : error)}\n`);
  process.exit(1);
});
