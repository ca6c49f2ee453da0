import { setTimeout as wait } from 'node:timers/promises';

/** Waits until something holds that comes about by itself; fails after two minutes. */
export async function until(holds: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + 120_000; !(await holds());) {
    if (Date.now() > end) throw new Error('it did not come about in two minutes');
    await wait(50);
  }
}
