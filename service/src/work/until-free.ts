import { isDeadlock, isDuplicate } from '../database/connect.ts';

/** Whoever collects under the same name at the same time takes a key away, or waits for the same rows: then once more. */
export async function untilFree<T>(insert: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await insert();
    } catch (error) {
      if (attempt === 10 || !(isDuplicate(error) || isDeadlock(error))) throw error;
    }
  }
}
