import { spawn } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CannotStart } from '../settings.ts';
import { pidIn } from './processes.ts';

/* What `flock` ends with where somebody else holds the lock. */
const taken = 75;

/**
 * Takes the data folder for this process; a second Orbis on the same folder is refused at once. The lock is
 * the kernel's own (flock(2), held by a child that ends with us), so that nothing is left of it however a
 * process ends; the number in the file is for people only.
 * @returns what gives it back.
 * @throws CannotStart
 */
export async function lockFolder(root: string): Promise<() => Promise<void>> {
  const path = join(root, 'orbis.lock');
  const note = join(root, 'orbis.pid');
  // Of its own group, so that Ctrl-C reaches us and not it; it ends when we close its input, or are gone.
  const holder = spawn(
    'flock',
    ['--nonblock', '--conflict-exit-code', String(taken), path, 'sh', '-c', 'echo held; exec cat'],
    {
      stdio: ['pipe', 'pipe', 'ignore'],
      detached: true,
    },
  );
  holder.stdin.on('error', () => undefined);
  await new Promise<void>((resolve, reject) => {
    holder.once('error', (error) =>
      reject(
        new CannotStart(
          `The data folder ${root} cannot be locked (${error.message}). Install Debian’s util-linux.`,
        ),
      ),
    );
    holder.once('exit', (status) => {
      const other = pidIn(note);
      reject(
        new CannotStart(
          status === taken
            ? `Another Orbis${other === null ? '' : ` (process ${other})`} is using the data folder ${root}. Stop it first, or set ORBIS_DATA to another folder.`
            : `The data folder ${root} cannot be locked: ${path} cannot be opened.`,
        ),
      );
    });
    holder.stdout.once('data', resolve);
  });
  holder.removeAllListeners('exit');
  holder.unref();
  (holder.stdout as unknown as { unref(): void }).unref();
  (holder.stdin as unknown as { unref(): void }).unref();
  writeFileSync(note, `${process.pid}\n`, { mode: 0o600 });
  const gone = new Promise<void>((resolve) => holder.once('exit', () => resolve()));
  return async () => {
    rmSync(note, { force: true });
    holder.ref();
    holder.stdin.end();
    await gone;
  };
}
