import { composeHere, type ComposeTask } from './compose.ts';

/** What is asked of this worker, and what it says to it. */
export interface ComposeQuestion {
  number: number;
  task: ComposeTask;
}

self.onmessage = ({ data: { number, task } }: MessageEvent<ComposeQuestion>): void => {
  try {
    self.postMessage({ number, composition: composeHere(task) });
  } catch (error) {
    self.postMessage({ number, problem: error instanceof Error ? error.message : String(error) });
  }
};
