import { parseCookie } from 'cookie';
import type { Request } from 'express';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import type { Person } from '../store/people.ts';
import { personOfSession } from '../store/sessions.ts';
import { rightsOf, type RightsById } from '../store/site-people.ts';
import { personOfToken } from '../store/tokens.ts';
import type { Visitor } from '../usecases/signing-in.ts';
import { cookieNames } from './cookie.ts';

/** Who asks, and what they may do. */
export interface Caller {
  person: Person | null;
  /** What that person may do; nothing for nobody. */
  rights: RightsById;
  /** Whether it is a token that asks, and whether that may only read. */
  token: boolean;
  readOnly: boolean;
  /** Whether a second factor is demanded of them, and they have none. */
  mustSetUp: boolean;
}

/** Nobody who is known. */
export const nobody: Caller = {
  person: null,
  rights: { role: null, sites: [] },
  token: false,
  readOnly: false,
  mustSetUp: false,
};

/** Where a request comes from, and the secrets that came along. */
export function visitorOf(request: Request, { origins }: Pick<Deps, 'origins'>): Visitor {
  const cookies = parseCookie(request.get('cookie') ?? '');
  const names = cookieNames(origins());
  return {
    address: request.ip ?? '',
    agent: request.get('user-agent') ?? '',
    session: cookies[names.session] || null,
    device: cookies[names.device] || null,
  };
}

/** What asks for a name and a password (RFC 7617, section 2). */
export const basicChallenge = 'Basic realm="Orbis", charset="UTF-8"';

/**
 * Who asks, by a token or a session.
 * @param basic whether a token may also come as the password of HTTP Basic.
 * @throws OrbisError `token-unknown`
 */
export async function whoCalls(request: Request, deps: Deps, { basic = false } = {}): Promise<Caller> {
  const { db } = deps.connection;
  const visitor = visitorOf(request, deps);
  const sent = request.get('authorization') ?? '';
  const token = /^Bearer (\S{1,200})$/i.exec(sent)?.[1] ?? (basic ? passwordIn(sent) : null);
  if (token) {
    const found = await personOfToken(db, token, visitor.address, deps.now());
    if (!found) throw new OrbisError('token-unknown');
    return {
      person: found.person,
      rights: await rightsOf(db, found.person),
      token: true,
      readOnly: found.access === 'read',
      mustSetUp: found.mustSetUp,
    };
  }
  const known =
    visitor.session === null ? null : await personOfSession(db, visitor.session, visitor, deps.now());
  return known === null ? nobody : { ...nobody, ...known, rights: await rightsOf(db, known.person) };
}

/* The password of HTTP Basic; null where none was sent. */
function passwordIn(sent: string): string | null {
  const encoded = /^Basic ([\w+/=-]{1,600})$/i.exec(sent)?.[1];
  if (encoded === undefined) return null;
  return /^[^:]*:(\S{1,200})$/.exec(Buffer.from(encoded, 'base64').toString('utf8'))?.[1] ?? null;
}
