import type { z } from 'zod';
import type { ErrorCode } from '../errors.ts';
import type { Operation } from './paths.ts';

type Shape = z.ZodObject;

/** How large a body may be that carries no code, in bytes. */
export const usualMost = 256 * 1024;
/** A body with one code of at most 1 MiB, whose characters JSON may write in up to six bytes each. */
export const mostWithCode = 7 * 1024 * 1024;
/** A body with many codes. */
export const mostWithMany = 24 * 1024 * 1024;

type Input<S> = S extends z.ZodType ? z.input<S> : never;
type Output<S> = S extends z.ZodType ? z.output<S> : never;

/**
 * One operation of the HTTP interface: the service, its description (OpenAPI) and every
 * client are made from it.
 */
export interface Route<
  P extends Shape | undefined = Shape | undefined,
  Q extends Shape | undefined = Shape | undefined,
  B extends z.ZodType | undefined = z.ZodType | undefined,
  R extends z.ZodType | undefined = z.ZodType | undefined,
> extends Operation {
  summary: string;
  tag: string;
  params?: P;
  query?: Q;
  body?: B;
  /** How large the body may be, in bytes; {@link usualMost} where nothing is said. */
  most?: number;
  /** It takes a body, and all the same only works something out: a token that may only read may ask it. */
  readOnly?: boolean;
  /** The schema of the answer; none for 204. */
  answer?: R;
  /** Statuses of success; the first is the usual one. */
  statuses: readonly number[];
  /** Whether the change must name the state it is made on (`If-Match`). */
  ifMatch?: boolean;
  /** Whether its answers carry their state (`ETag`). */
  etag?: boolean;
  /**
   * With 201 and 202: where what was made answers, below `/api/v1`, or by its whole address (`Location`,
   * RFC 9110, section 10.2.2).
   */
  location?(answer: Output<R>): string;
  /** Answers with a file of this type instead of JSON. */
  file?: 'image/webp';
  /** Answers with a text of this type instead of JSON, sent as it is made. */
  stream?: 'application/x-ndjson' | 'text/csv' | 'application/atom+xml';
  /**
   * It only reads, and is asked by programs that know names and passwords alone: a token may come as the
   * password of HTTP Basic (RFC 7617).
   */
  basic?: true;
  /** Takes a text of this type instead of a body of JSON, of whatever length, read as it comes. */
  takes?: 'application/x-ndjson';
  /** Answers with `text/event-stream` instead of JSON; `answer` is then the data of each event. */
  events?: boolean;
  errors: readonly ErrorCode[];
}

export const route = <
  P extends Shape | undefined = undefined,
  Q extends Shape | undefined = undefined,
  B extends z.ZodType | undefined = undefined,
  R extends z.ZodType | undefined = undefined,
>(
  definition: Route<P, Q, B, R>,
): Route<P, Q, B, R> => definition;

export type ParamsOf<T> = T extends Route<infer P, infer _Q, infer _B, infer _R> ? Output<P> : never;
export type QueryOf<T> = T extends Route<infer _P, infer Q, infer _B, infer _R> ? Output<Q> : never;
export type BodyOf<T> = T extends Route<infer _P, infer _Q, infer B, infer _R> ? Output<B> : never;
export type QueryInput<T> = T extends Route<infer _P, infer Q, infer _B, infer _R> ? Input<Q> : never;
export type BodyInput<T> = T extends Route<infer _P, infer _Q, infer B, infer _R> ? Input<B> : never;
export type AnswerOf<T> =
  T extends Route<infer _P, infer _Q, infer _B, infer R>
    ? R extends z.ZodType
      ? z.output<R>
      : undefined
    : never;
