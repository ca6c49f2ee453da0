import { OrbisError } from '@orbis/contract/errors';
import address from './compose.worker.ts?worker&url';
import type { ComposedHere, ComposeTask } from './compose.ts';

/**
 * How long a draft may take to be composed, in seconds: nearly all take a few milliseconds; a busy machine,
 * and a worker that is still loading, take longer.
 */
const [deadline, loading] = [20, 60];

interface Answer {
  number: number;
  composition?: ComposedHere;
  problem?: string;
}

let worker: Worker | null = null;
const hasAnswered = new WeakSet<Worker>();
let asked = 0;

/**
 * Composes a draft beside the page, so that typing never waits for it. A worker that does not answer in time
 * is ended, and the next draft gets another one.
 * @throws OrbisError `reading-too-slow`, or the signal’s reason.
 */
export function compose(task: ComposeTask, signal: AbortSignal): Promise<ComposedHere> {
  const own = (worker ??= startWorker());
  const number = ++asked;
  const seconds = hasAnswered.has(own) ? deadline : loading;
  return new Promise((resolve, reject) => {
    const end = (): void => {
      clearTimeout(timer);
      own.removeEventListener('message', hear);
      own.removeEventListener('error', fail);
      signal.removeEventListener('abort', leave);
    };
    const drop = (): void => {
      own.terminate();
      if (worker === own) worker = null;
      end();
    };
    const hear = ({ data }: MessageEvent<Answer>): void => {
      hasAnswered.add(own);
      if (data.number !== number) return;
      end();
      if (data.composition) resolve(data.composition);
      else reject(new Error(data.problem));
    };
    const fail = (): void => {
      drop();
      reject(new Error('The code could not be read in this browser.'));
    };
    const leave = (): void => {
      end();
      reject(signal.reason as Error);
    };
    const timer = setTimeout(() => {
      drop();
      reject(new OrbisError('reading-too-slow', { seconds }));
    }, seconds * 1000);
    own.addEventListener('message', hear);
    own.addEventListener('error', fail);
    signal.addEventListener('abort', leave);
    own.postMessage({ number, task });
  });
}

/* Scripts can be named by this policy only, and it names our own worker (Trusted Types, section 2.2). */
interface TrustedTypes {
  createPolicy(
    name: string,
    rules: { createScriptURL: () => string },
  ): { createScriptURL(url: string): string };
}
const { trustedTypes } = globalThis as { trustedTypes?: TrustedTypes };
const ours = trustedTypes?.createPolicy('orbis-worker', { createScriptURL: () => address });

const startWorker = (): Worker =>
  new Worker(ours?.createScriptURL(address) ?? address, { type: 'module', name: 'compose' });
