import express, { type ErrorRequestHandler, type RequestHandler, type Response } from 'express';
import { LRUCache } from 'lru-cache';
import { isAmong } from '@orbis/core';
import { z } from 'zod';
import type { Connection } from '../database/connect.ts';
import { keepBlocked } from '../store/blocked-contacts.ts';
import { findReportable } from '../store/served.ts';

/* What browsers send (CSP 3, section 5.2); all else in it says something of the visitor, and is not read. */
const report = z.object({ 'csp-report': z.object({ 'blocked-uri': z.string().max(2000) }) });
const publicId = z.string().regex(/^[0-9a-z]{10}$/);

export interface BlockedTools {
  connection: Pick<Connection, 'frames' | 'during'>;
  now: () => Date;
}

/* So long, in ms, a host that was just written down is not written down again. */
const pause = 60_000;

/**
 * Hears from visitors’ browsers which hosts a document was kept from contacting. Anybody can say anything
 * here, so what is kept is little: hosts that its owner’s list does not have, a few for each placement.
 */
export function hearBlocked({ connection, now }: BlockedTools): (RequestHandler | ErrorRequestHandler)[] {
  const told = new LRUCache<string, true>({ max: 5000, ttl: pause });
  const hear: RequestHandler = async ({ query, body }, response) => {
    const id = publicId.safeParse(query['of']);
    const said = report.safeParse(body);
    const host = said.success ? hostIn(said.data['csp-report']['blocked-uri']) : null;
    if (!id.success || host === null) return done(response, 400);
    const name = `${id.data} ${host}`;
    if (!told.has(name)) {
      await connection.during(null, async () => {
        const found = await findReportable(connection.frames, id.data);
        if (!found?.contacts || isAmong(host, found.contacts)) return;
        await keepBlocked(connection.frames, { placementId: found.placementId, host }, now());
      });
      told.set(name, true);
    }
    done(response, 204);
  };
  return [express.json({ type: ['application/csp-report', 'application/json'], limit: '8kb' }), hear, unread];
}

/* What cannot even be read is nothing that went wrong inside. */
const unread: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  const { type } = error as { type?: string };
  if (type?.startsWith('entity.') || type?.startsWith('encoding.')) done(response, 400);
  else next(error);
};

/* A document without an origin of its own asks as if from elsewhere. */
const done = (response: Response, status: number): void =>
  void response.set('Cross-Origin-Resource-Policy', 'cross-origin').status(status).end();

/* Of `inline`, `eval` and `data` there is none. */
function hostIn(address: string): string | null {
  if (!/^(?:https?|wss?):/.test(address) || !URL.canParse(address)) return null;
  const { hostname } = new URL(address);
  return hostname.length <= 253 && /^[a-z0-9.-]+$/.test(hostname) ? hostname : null;
}
