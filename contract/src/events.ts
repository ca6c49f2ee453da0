import { EventSourceParserStream } from 'eventsource-parser/stream';
import { ApiError, type Client, type EventCall } from './client.ts';
import type { AnswerOf, RouteName, Routes } from './routes/index.ts';

/** An event of a stream, with the id by which the stream is taken up again behind it. */
export interface StreamEvent<T> {
  id: string | undefined;
  data: T;
}

/**
 * The events of an answer (HTML, section 9.2), in their order.
 * @param heard told whenever anything comes, also what is no event and only shows that somebody is there.
 */
export async function* eventsOf<T>(
  response: Response,
  heard: () => void = () => undefined,
): AsyncGenerator<StreamEvent<T>> {
  if (!response.body) return;
  const listening = new TransformStream<Uint8Array, Uint8Array>({
    transform: (chunk, controller) => {
      heard();
      controller.enqueue(chunk);
    },
  });
  const events = response.body
    .pipeThrough(listening)
    .pipeThrough(new TextDecoderStream() as unknown as ReadableWritablePair<string, Uint8Array>)
    .pipeThrough(new EventSourceParserStream());
  const reader = events.getReader();
  try {
    for (let next = await reader.read(); !next.done; next = await reader.read())
      yield { id: next.value.id, data: JSON.parse(next.value.data) as T };
  } finally {
    // Whoever stops reading does not wait for the other side to notice.
    void reader.cancel().catch(() => undefined);
  }
}

/** The data of each event of an answer. */
export async function* eventsIn<T>(response: Response): AsyncGenerator<T> {
  for await (const { data } of eventsOf<T>(response)) yield data;
}

/**
 * What some work comes to that tells on the way how far it is.
 * @param onProgress told that.
 * @param brokenOff what to say where the answer ends before the work does.
 * @throws ApiError with the problem that ended the work, or with `brokenOff`.
 */
export async function outcomeOf<Done, Progress extends object>(
  response: Response,
  onProgress: (progress: Progress) => void,
  brokenOff: string,
): Promise<Done> {
  type Event = Progress | { done: Done } | { problem: ApiError['problem'] };
  for await (const event of eventsIn<Event>(response)) {
    if ('problem' in event) throw new ApiError(event.problem);
    if ('done' in event) return event.done;
    onProgress(event);
  }
  throw new ApiError({
    type: 'about:blank',
    title: 'Broken off',
    status: 0,
    code: 'not-reached',
    detail: brokenOff,
  });
}

/* Between two attempts, in milliseconds; and how long in all without any news it is tried. */
const [shortest, longest, patience] = [250, 4000, 120_000];
/* The service says something every 15 seconds: who is silent for so long is gone, whatever
   the connection looks like. */
const silence = 45_000;

const wait = (ms: number, signal: AbortSignal | undefined): Promise<void> =>
  new Promise((resolve) => {
    const timer = setTimeout(resolve, ms);
    signal?.addEventListener('abort', () => (clearTimeout(timer), resolve()), { once: true });
  });

/* What a restart, a proxy that has nobody behind it, or a network that comes and goes looks like. */
const passes = (error: unknown): boolean =>
  !(error instanceof ApiError) || error.problem.status === 0 || error.problem.status >= 500;

/**
 * Follows a stream of events to its last one. Where it breaks off before, because the service was started
 * again or something between took it away, it is asked for again, behind what was seen.
 * @param isLast which event is the last; a stream that only ends is one that broke off.
 * @throws ApiError where the service refuses, or cannot be reached for two minutes.
 */
export async function* follow<N extends RouteName>(
  client: Pick<Client, 'open'>,
  name: N,
  call: EventCall<N>,
  isLast: (event: AnswerOf<Routes[N]>) => boolean,
): AsyncGenerator<AnswerOf<Routes[N]>> {
  let seen = call.lastEventId;
  let pause = shortest;
  for (let since = Date.now(); !call.signal?.aborted;) {
    const given = new AbortController();
    let heard = Date.now();
    const watch = setInterval(() => {
      if (Date.now() - heard > silence) given.abort();
    }, silence / 9);
    const signal = call.signal ? AbortSignal.any([call.signal, given.signal]) : given.signal;
    try {
      const response = await client.open(name, {
        ...call,
        signal,
        ...(seen !== undefined && { lastEventId: seen }),
      });
      for await (const { id, data } of eventsOf<AnswerOf<Routes[N]>>(
        response,
        () => (heard = since = Date.now()),
      )) {
        seen = id ?? seen;
        pause = shortest;
        yield data;
        if (isLast(data)) return;
      }
    } catch (error) {
      if (call.signal?.aborted || !passes(error) || Date.now() - since > patience) throw error;
    } finally {
      clearInterval(watch);
    }
    await wait(pause, call.signal);
    pause = Math.min(longest, pause * 2);
  }
}
