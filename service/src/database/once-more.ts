import { setTimeout as wait } from 'node:timers/promises';

/* It is tried at least so often, and on a slow machine for so many milliseconds; the pauses grow to that
   many, and chance keeps two from meeting again. */
const [attempts, patience, longest] = [20, 20_000, 250];

/** Does something once more, after a pause, as long as what it fails of passes by itself. */
export async function onceMore<T>(work: () => Promise<T>, passes: (error: unknown) => boolean): Promise<T> {
  const began = performance.now();
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      const isTired = attempt >= attempts && performance.now() - began > patience;
      if (isTired || !passes(error)) throw error;
    }
    await wait(Math.random() * Math.min(longest, 10 * 2 ** attempt));
  }
}
