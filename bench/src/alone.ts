import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';

/** A program beside this one, in a process of its own, as owners run it. */
export const alone = (file: string, env: Record<string, string> = {}): ChildProcess =>
  fork(fileURLToPath(new URL(file, import.meta.url)), { execArgv: [], env: { ...process.env, ...env } });

/** What such a program tells next. */
export async function told<T>(by: ChildProcess): Promise<T> {
  const [message] = (await Promise.race([
    once(by, 'message'),
    once(by, 'exit').then(() => Promise.reject(new Error('it ended'))),
  ])) as [T];
  return message;
}
