import type { Handle } from '../database/connect.ts';
import type { JobKind, JobRow } from '../store/jobs.ts';

/**
 * What does the jobs of one kind, step by step; between two steps the lease is
 * renewed, and the job may be stopped.
 */
export interface JobHandler {
  kind: JobKind;
  /** Whether a job stays to be looked at once it is done. */
  leavesTrace: boolean;
  /** Writes down a job where there is something to do that nobody has asked for. */
  prepare?(db: Handle): Promise<void>;
  /**
   * Does the next step as this owner; `lost` where another process has taken the job meanwhile.
   * @param ending is aborted where this process is to stop: a step that takes long is broken off
   */
  step(job: JobRow, owner: string, ending: AbortSignal): Promise<'more' | 'none' | 'lost'>;
}
