import { expect } from 'chai';
import { ApiError } from '@orbis/contract';
import type { TestOrbis } from './orbis.ts';

/** The code with which a call was refused. */
export const codeOf = async (work: Promise<unknown>): Promise<string> => {
  const error = await work.then(
    () => null,
    (reason: unknown) => reason,
  );
  expect(error, 'it should have been refused').to.be.instanceOf(ApiError);
  return (error as ApiError).code;
};

/** Requests as they go over the wire, past the client. */
export function callsTo(test: () => TestOrbis) {
  const raw = (path: string, init: RequestInit = {}): Promise<Response> => fetch(test().url + path, init);
  const signedIn = (headers: Record<string, string> = {}): Record<string, string> => ({
    'authorization': `Bearer ${test().token}`,
    'content-type': 'application/json',
    ...headers,
  });
  const post = (path: string, body: string, headers: Record<string, string> = {}): Promise<Response> =>
    raw(path, { method: 'POST', headers: signedIn(headers), body });
  return { raw, signedIn, post };
}
