import type { AnswerOf, BodyOf, ParamsOf, QueryOf, RouteName, Routes } from '@orbis/contract';
import type { Act } from '../store/act.ts';
import type { Actor } from '../store/embeds.ts';
import type { Person } from '../store/people.ts';
import type { RightsById } from '../store/site-people.ts';
import type { MatchState } from '../usecases/match-state.ts';
import type { Visitor } from '../usecases/signing-in.ts';

/** A call of one operation, with everything already parsed by its schemas. */
export interface Call<N extends RouteName> {
  params: ParamsOf<Routes[N]>;
  query: QueryOf<Routes[N]>;
  body: BodyOf<Routes[N]>;
  /** Who calls; null only for operations that are open. */
  person: Person | null;
  /** What they may do; nothing for nobody. */
  rights: RightsById;
  /** Whether it is a token that calls, which may only read. */
  readOnly: boolean;
  /** Whether a second factor is demanded of them, and they have none. */
  mustSetUp: boolean;
  /** Who does it and when; for operations that are not open. */
  actor: Actor;
  /** The call itself, as the audit log tells of it: of open operations it is said here who acts. */
  act: Act;
  /** Where the call comes from, and what came along. */
  visitor: Visitor;
  /** Holds `If-Match` against a state. */
  matchState: MatchState;
  /** What comes in as a text of any length; empty for operations that take none. */
  input: AsyncIterable<Uint8Array>;
  /** Of a stream of events: which was seen last (HTML, section 9.2.4). */
  lastEventId: string | undefined;
  /** By which the log names this request. */
  request: string;
  /** Ends when the caller goes away. */
  signal: AbortSignal;
}

/** What an operation answers with. */
export interface Reply<T> {
  data: T;
  status?: number;
  etag?: string;
  /** Sets the session's cookie, or takes it away (null). */
  session?: { secret: string; expiresAt: Date } | null;
  /** Sets the cookie by which the browser is known again. */
  device?: string;
}

/** For operations whose answer is a stream of events. */
export interface EventReply<T> {
  events: AsyncIterable<T>;
}

/** The same where each event has an id of its own, behind which the stream is taken up again. */
export interface NumberedReply<T> {
  numbered: AsyncIterable<{ id: string; event: T }>;
}

/** For operations whose answer is a file. */
export interface FileReply {
  file: Buffer;
  etag: string;
}

/** For operations whose answer is sent as it is made. */
export interface StreamReply {
  stream: AsyncIterable<string | Uint8Array>;
  /** What a file of it is called; none where it is not meant to be kept. */
  name?: string;
  /** The state of what is sent, where that is known beforehand. */
  etag?: string;
}

export type Handler<N extends RouteName> = (
  call: Call<N>,
) => Promise<
  | Reply<AnswerOf<Routes[N]>>
  | EventReply<AnswerOf<Routes[N]>>
  | NumberedReply<AnswerOf<Routes[N]>>
  | FileReply
  | StreamReply
>;
export type Handlers<Names extends RouteName = RouteName> = { [N in Names]: Handler<N> };

/** The operations whose names begin so. */
export type Named<Prefix extends string> = Extract<RouteName, `${Prefix}.${string}`>;
