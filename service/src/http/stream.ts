import { createSession } from 'better-sse';
import type { Request, Response } from 'express';
import { isAway } from '../database/errors.ts';
import { digest } from '../digest.ts';

/** What a stream of events goes by. */
export interface StreamOptions {
  /** Each with its id. */
  events: AsyncIterable<{ id: string; event: unknown }>;
  /** Ends it, and whatever makes the events. */
  end: AbortController;
  /** Whether whoever opened it is still signed in, and may still follow it. */
  mayFollow: () => Promise<boolean>;
}

/* In milliseconds: when a stream that was broken off may be asked for again, how often the sign-in is looked
   at, and how often something is sent all the same, so that no proxy takes it for dead. */
const [retry, check, beat] = [1000, 5000, 15_000];

/**
 * Sends events as they come (HTML, section 9.2). A stream ends with the session or the token that opened it,
 * and with the right to it.
 */
export async function sendEvents(
  request: Request,
  response: Response,
  { events, end, mayFollow }: StreamOptions,
): Promise<void> {
  const session = await createSession(request, response, { retry, keepAlive: beat });
  const look = setInterval(() => {
    mayFollow().then(
      (may) => {
        if (!may) end.abort();
      },
      (error: unknown) => {
        // Whether somebody is signed in is not to be known without the database: it is asked again.
        if (!isAway(error)) end.abort();
      },
    );
  }, check);
  try {
    for await (const { id, event } of events) {
      if (end.signal.aborted || !session.isConnected) break;
      if (id !== session.lastId) session.push(event, 'message', id);
    }
  } catch (error) {
    // Whoever listens comes back by itself, and finds the database there or an answer that says so.
    if (!isAway(error)) throw error;
  } finally {
    clearInterval(look);
    response.end();
  }
}

/** Events with ids made of what they say: who has seen the last one is not told it again. */
export async function* idsByContent<T>(events: AsyncIterable<T>): AsyncGenerator<{ id: string; event: T }> {
  for await (const event of events) yield { id: digest(JSON.stringify(event)).slice(0, 16), event };
}
