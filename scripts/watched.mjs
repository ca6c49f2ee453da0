// Runs a program beside others: what it writes is given back at its end, and it has an end.
import { spawn, spawnSync } from 'node:child_process';
import { statSync } from 'node:fs';

/* Between two looks at whether a program gets on, and how long it has for its last words, in milliseconds. */
const [betweenLooks, patience] = [1_000, 2_000];

export async function watched(program, args, { cwd, env = {}, shown = false, progress, still = Infinity }) {
  const stream = shown ? 'inherit' : 'pipe';
  const child = spawn(program, args, {
    cwd,
    stdio: ['ignore', stream, stream],
    env: { ...process.env, ...env },
    // Of its own group, so that all of it can be ended.
    detached: true,
  });
  let output = '';
  for (const from of [child.stdout, child.stderr]) from?.on('data', (chunk) => (output += chunk));
  const end = (signal) => {
    try {
      process.kill(-child.pid, signal);
    } catch {
      // It has ended by itself.
    }
  };
  const passOn = (signal) => {
    end(signal);
    process.kill(process.pid, signal);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, passOn);

  const began = Date.now();
  let stoodStill = false;
  const looks = setInterval(() => {
    const lastWritten = progress && (statSync(progress, { throwIfNoEntry: false })?.mtimeMs ?? 0);
    if (Date.now() - Math.max(began, lastWritten ?? 0) < still) return;
    if (!stoodStill) output += whatItDoes(child.pid);
    stoodStill = true;
    end('SIGTERM');
    setTimeout(end, patience, 'SIGKILL').unref();
  }, betweenLooks);
  const status = await ended(child, (words) => (output += words));
  clearInterval(looks);
  child.stdout?.destroy();
  child.stderr?.destroy();
  for (const signal of ['SIGINT', 'SIGTERM']) process.off(signal, passOn);
  return { status, output, stoodStill };
}

/* Its status, when its output is at its end, or soon after it is gone: what it left running may hold that
   open for ever. */
const ended = (child, say) =>
  new Promise((resolve) => {
    child.once('error', (error) => {
      say(`${child.spawnfile} could not be started: ${error.message}\n`);
      resolve(1);
    });
    child.once('close', resolve);
    child.once('exit', (status) => setTimeout(resolve, patience, status));
  });

/* The processes of a group: which of them work and which wait for what, and how long they have worked. */
const whatItDoes = (group) =>
  spawnSync('ps', ['-L', '-o', 'pid,tid,stat,wchan:24,time,comm', '-g', `${group}`], { encoding: 'utf8' })
    .stdout ?? '';
