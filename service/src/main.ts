import { listServiceSettings } from '@orbis/contract';
import { behindProxy, seemsProxied } from './http/proxy-warning.ts';
import { rolesIn, type Role } from './roles.ts';
import { startOrbis, type Orbis } from './start.ts';
import { startFrames, type Frames } from './start-frames.ts';
import { CannotStart, readSettings } from './settings.ts';
import { supervisorIn } from './supervisor.ts';

/* In milliseconds. */
const longestStop = 4800;

/** Runs Orbis until it is told to stop. */
async function main(): Promise<void> {
  if (process.argv.includes('--settings')) return void process.stdout.write(settingsInWords());
  const settings = readSettings(process.env, process.cwd());
  const only = rolesIn(process.argv.slice(2));
  const supervisor = supervisorIn(process.env);
  const telling = (sentence: string): void => {
    process.stderr.write(`${sentence}\n`);
    supervisor.status(sentence);
  };
  const isFramesAlone = only.length === 1 && only[0] === 'frames';
  const running = isFramesAlone
    ? await startFrames(settings)
    : await startOrbis(settings, { only, tell: telling });
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    supervisor.stopping();
    // Whatever does not come to an end by then is left to itself: the database does, and
    // nothing else keeps anything.
    setTimeout(() => process.exit(0), longestStop).unref();
    running.stop().then(
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
  process.stderr.write(`\n${await greeting(running, only)}\n`);
  supervisor.ready(summary(running, only));
}

async function greeting(running: Orbis | Frames, only: readonly Role[]): Promise<string> {
  if (!('link' in running) || !only.includes('console') || (await running.hasPassword()))
    return summary(running, only);
  return `Orbis is running. Set your password within 30 minutes here:\n  ${await running.link('password')}`;
}

/* What runs, without anything secret. */
function summary(running: Orbis | Frames, only: readonly Role[]): string {
  const { console, framesSource } = running.origins;
  if (!('link' in running)) return `Orbis serves frames: ${framesSource}`;
  return only.includes('console') ? `Orbis is running: ${console}` : `Orbis does ${only.join(' and ')}.`;
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
