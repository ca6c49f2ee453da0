import { setTimeout as wait } from 'node:timers/promises';

/* So often is it tried; the pauses grow to this many milliseconds, and chance keeps two from meeting
   again. */
const [attempts, longest] = [20, 250];

/** Does something once more, after a pause, as long as what it fails of passes by itself. */
export async function onceMore<T>(work: () => Promise<T>, passes: (error: unknown) => boolean): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      if (attempt === attempts || !passes(error)) throw error;
    }
    await wait(Math.random() * Math.min(longest, 10 * 2 ** attempt));
  }
}
