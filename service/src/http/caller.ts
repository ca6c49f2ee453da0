import { parseCookie } from 'cookie';
import type { Request } from 'express';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { personOfSession, personOfToken, type Person } from '../store/people.ts';
import { cookieName } from './cookie.ts';

/** Who asks, and with what. */
export interface Caller {
  person: Person | null;
  /** The secret of the session that the request came with. */
  sessionSecret: string | null;
}

/** @throws OrbisError `token-unknown` */
export async function whoCalls(request: Request, { connection, origins, now }: Deps): Promise<Caller> {
  const bearer = /^Bearer (\S{1,200})$/i.exec(request.get('authorization') ?? '')?.[1];
  if (bearer) {
    const person = await personOfToken(connection.db, bearer, now());
    if (!person) throw new OrbisError('token-unknown');
    return { person, sessionSecret: null };
  }
  const sessionSecret = parseCookie(request.get('cookie') ?? '')[cookieName(origins())] ?? null;
  return { person: sessionSecret ? await personOfSession(connection.db, sessionSecret, now()) : null, sessionSecret };
}
