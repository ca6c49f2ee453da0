import type { Response } from 'express';
import { isAway } from '../database/errors.ts';
import { digest } from '../digest.ts';

/** What a stream of events goes by. */
export interface StreamOptions {
  events: AsyncIterable<unknown>;
  /** Ends it, and whatever makes the events. */
  end: AbortController;
  /** What the caller saw last, where a stream that was broken off is taken up again (HTML, section 9.2.4). */
  lastSeen: string | undefined;
  /** Whether whoever opened it is still signed in. */
  isSignedIn: () => Promise<boolean>;
}

/* In milliseconds: when a stream that was broken off may be asked for again, how often the sign-in is looked at, and how often something is sent all the same, so that no proxy takes it for dead. */
const [retry, check, beat] = [1000, 5000, 15_000];

/**
 * Sends events as they come (HTML, section 9.2), each with an id made of what it says. A stream ends with the session
 * or the token that opened it.
 */
export async function sendEvents(
  response: Response,
  { events, end, lastSeen, isSignedIn }: StreamOptions,
): Promise<void> {
  response
    .status(200)
    .set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    });
  response.flushHeaders();
  const send = (text: string): void => {
    if (end.signal.aborted) return;
    response.write(text);
    (response as Response & { flush?: () => void }).flush?.();
  };
  send(`retry: ${retry}\n\n`);
  const timers = [
    setInterval(() => send(':\n\n'), beat),
    setInterval(() => {
      isSignedIn().then(
        (signedIn) => {
          if (!signedIn) end.abort();
        },
        (error: unknown) => {
          // Whether somebody is signed in is not to be known without the database: it is asked again.
          if (!isAway(error)) end.abort();
        },
      );
    }, check),
  ];
  try {
    for await (const event of events) {
      if (end.signal.aborted) break;
      const data = JSON.stringify(event);
      const id = digest(data).slice(0, 16);
      if (id !== lastSeen) send(`id: ${id}\ndata: ${data}\n\n`);
    }
  } catch (error) {
    // Whoever listens comes back by itself, and finds the database there or an answer that says so.
    if (!isAway(error)) throw error;
  } finally {
    for (const timer of timers) clearInterval(timer);
    response.end();
  }
}
