import type { Handle } from '../database/connect.ts';
import { renewLease, type JobRow } from '../store/jobs.ts';

/* A lease is of a minute: so often it is lengthened, in milliseconds. */
const renewEvery = 10_000;

/** A job that is kept while one step of it takes longer than its lease. */
export interface KeptLease {
  /** Aborted where the work is to be broken off: the process ends, or the job is to stop, or is lost. */
  signal: AbortSignal;
  /** Whether it is the job that is to stop, or is lost, and not the process that ends. */
  readonly isGone: boolean;
  /** To be called once the step is over. */
  done(): void;
}

/** @param ending aborted where the process ends. */
export function keepLease(db: Handle, { id }: JobRow, owner: string, ending: AbortSignal): KeptLease {
  const gone = new AbortController();
  const renew = async (): Promise<void> => {
    if ((await renewLease(db, id, owner)) !== 'go-on') gone.abort();
  };
  // Without the database for a moment, the lease may still be long enough.
  const renewing = setInterval(() => void renew().catch(() => undefined), renewEvery).unref();
  return {
    signal: AbortSignal.any([ending, gone.signal]),
    get isGone() {
      return gone.signal.aborted;
    },
    done: () => clearInterval(renewing),
  };
}
