import type { Request } from 'express';
import { OrbisError, type Route, type RouteName } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { writeAudit } from '../store/audit.ts';
import type { Act } from '../store/act.ts';
import { networkOf } from '../usecases/attempts.ts';
import type { Caller } from './caller.ts';

/* What only reads, and is written down all the same: it takes out all that there is. */
const exportsAll: readonly RouteName[] = ['register.read', 'register.table', 'audit.export'];

/** Whether calling an operation is an act that is written down. */
export const isAct = (name: RouteName, { method, readOnly, needs }: Route): boolean =>
  needs !== 'probe' && ((method !== 'get' && !readOnly) || exportsAll.includes(name));

/** Whether a call only says what it would do. */
export const isTriedOut = (body: unknown): boolean =>
  typeof body === 'object' && body !== null && 'dryRun' in body && body.dryRun === true;

/** An act as it begins: nobody knows yet who does it, but from where. */
export const beginAct = (name: RouteName, request: Request): Act => ({
  ...{ name, personId: null, who: null, means: 'nothing', thing: null, isWritten: false },
  network: networkOf(request.ip ?? ''),
});

/** Says who does it. */
export function actsAs(act: Act, { person, token }: Pick<Caller, 'person' | 'token'>): void {
  if (!person) return;
  Object.assign(act, { personId: person.id, who: person.name, means: token ? 'token' : 'browser' });
}

/** What a call names, as it was sent: keys and names, and nothing that is secret. */
export function thingIn({ params, body }: { params: unknown; body: unknown }): string | null {
  const inPath = Object.values((params ?? {}) as Record<string, unknown>).map(String);
  const sent = (body ?? {}) as Record<string, unknown>;
  const inBody = named.flatMap((name) => {
    const value = sent[name];
    if (Array.isArray(value)) return value.slice(0, mostNamed).map(String);
    return typeof value === 'string' ? [value] : [];
  });
  const words = inPath.length > 0 ? inPath : inBody.filter((word) => word !== '');
  return words.length === 0 ? null : words.join(' ').slice(0, longest);
}
/* Members of bodies that name a thing, and how much of it is kept. */
const named = ['key', 'name', 'embed', 'place', 'page', 'site', 'placements', 'findings', 'messages'];
const [mostNamed, longest] = [5, 500];

/** Writes down that an act was done, where its own transaction has not. */
export async function endAct(db: Database, act: Act, now: Date): Promise<void> {
  if (!act.isWritten) await writeAudit(db, { ...rowOf(act, now), outcome: 'done', why: null, said: null });
}

/* Errors that say that somebody was kept out, or from something. */
const refusals: readonly string[] = [
  'not-allowed',
  'wrong-password',
  'wrong-code',
  'second-factor-needed',
  'second-factor-missing',
  'passkey-refused',
  'too-many-attempts',
  'link-used',
  'link-over',
  'token-unknown',
  'token-read-only',
];

/** What is refused again and again is written down once a minute, with how often it was. */
export interface Refusals {
  /** Writes down that something was refused, where the error says so. */
  note(db: Database, act: Act, error: unknown, now: Date): Promise<void>;
}

const [pause, mostHeld] = [60_000, 1000];

export function createRefusals(): Refusals {
  const held = new Map<string, { since: number; times: number }>();
  return {
    note: async (db, act, error, now) => {
      if (!(error instanceof OrbisError) || !refusals.includes(error.code)) return;
      const key = JSON.stringify([error.code, act.name, act.personId, act.network]);
      const before = held.get(key);
      if (before && now.getTime() - before.since < pause) return void (before.times += 1);
      if (held.size >= mostHeld) held.delete(held.keys().next().value!);
      held.delete(key);
      held.set(key, { since: now.getTime(), times: 0 });
      await writeAudit(db, {
        ...rowOf(act, now),
        ...{ outcome: 'refused', why: error.code, said: null, times: 1 + (before?.times ?? 0) },
      });
    },
  };
}

const rowOf = ({ name, personId, who, means, network, thing }: Act, at: Date) => ({
  ...{ at, act: name, personId, who, means, network, thing, times: 1 },
});
