import { isMainThread } from 'node:worker_threads';
import { getHeapStatistics } from 'node:v8';

/* A heap that grew to so many bytes is not given back by itself for long; what is usual
   stays below a tenth of it. */
const grown = 96 * 1024 * 1024;

/**
 * A task after which a thread ends that grew too far: another one takes its place, and the memory is given
 * back. The answer has gone out before.
 */
export const retiring =
  <In, Out>(task: (input: In) => Out) =>
  (input: In): Out => {
    try {
      return task(input);
    } finally {
      if (!isMainThread && getHeapStatistics().total_heap_size > grown) setTimeout(() => process.exit(0), 0);
    }
  };
