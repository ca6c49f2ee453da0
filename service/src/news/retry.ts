/** For so long is it tried to get a message through, in milliseconds: a day. */
export const triedFor = 24 * 60 * 60 * 1000;

/* The shortest and the longest pause between two attempts, in seconds. */
const [shortest, longest] = [60, 3 * 60 * 60];

/**
 * In how many seconds it is tried again: after as long as it has failed already, so that the pauses double.
 * @param since since when it fails.
 * @param asked what the other side asks for, in seconds; no longer than the longest pause.
 */
export function retryIn(since: Date, now: Date, asked: number | null): number {
  const failed = (now.getTime() - since.getTime()) / 1000;
  return Math.min(longest, Math.max(shortest, failed, asked ?? 0));
}
