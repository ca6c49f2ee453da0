/** How a program is run. */
export interface Watching {
  cwd: string;
  /** Added to the environment. */
  env?: Record<string, string>;
  /** Its output is shown as it comes, instead of given back. */
  shown?: boolean;
  /** A file that it writes again and again. */
  progress?: string;
  /** How long that file may stay as it is, in milliseconds; for ever if nobody says. */
  still?: number;
}

/** Runs a program, and ends it with all that it started where it stands still; null is no status of its own. */
export function watched(
  program: string,
  args: readonly string[],
  how: Watching,
): Promise<{ status: number | null; output: string; stoodStill: boolean }>;
