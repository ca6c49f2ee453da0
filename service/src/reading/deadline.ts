/** A deadline that can be called off. */
export interface Deadline {
  /** Ends when the time is over. */
  signal: AbortSignal;
  callOff: () => void;
}

/* Of its time so much must have been spent by this process for the work to have had it; where the machine was
   busy with other things, it waits up to so many times as long. */
const [share, longest] = [0.5, 4];

/**
 * A deadline for work in a thread of this process, in seconds. A text that is slow to read uses a processor
 * all the time; where none was to be had, the text is not to blame, and its work goes on for a while.
 *
 * @param processorTime of this process and all its threads so far, in milliseconds.
 */
export function deadlineIn(seconds: number, processorTime: () => number = ofThisProcess): Deadline {
  const ending = new AbortController();
  const [began, spentBefore] = [performance.now(), processorTime()];
  const look = (): void => {
    const isOver = performance.now() - began >= longest * seconds * 1000;
    if (isOver || processorTime() - spentBefore >= share * seconds * 1000) ending.abort();
    else timer = setTimeout(look, (seconds * 1000) / 4);
  };
  let timer = setTimeout(look, seconds * 1000);
  return { signal: ending.signal, callOff: () => clearTimeout(timer) };
}

function ofThisProcess(): number {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
}
