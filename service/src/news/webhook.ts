import { createHash } from 'node:crypto';
import { createSigner, httpbis } from 'http-message-signatures';
import { eventMediaType, spoken, type NewsEvent, type NoDelivery } from '@orbis/contract';
import type { Fetching } from '../fetching/client.ts';
import { FetchFailure } from '../fetching/failure.ts';
import { NotDelivered } from './not-delivered.ts';

/** What is covered by the signature: nobody else can have sent it, there, or changed it. */
const signed = ['@method', '@target-uri', 'content-type', 'content-digest'];

/**
 * The headers of an event, with its signature by a shared key (RFC 9421, section 3.3.3) over the digest of
 * its body (RFC 9530).
 * @param key the key as text, whose bytes are the key.
 */
export async function signedHeaders(
  url: string,
  body: string,
  key: string,
  now: Date,
): Promise<Record<string, string>> {
  const request = {
    ...{ method: 'POST', url },
    headers: {
      'content-type': `${eventMediaType}; charset=utf-8`,
      'content-digest': `sha-256=:${createHash('sha256').update(body).digest('base64')}:`,
    },
  };
  const { headers } = await httpbis.signMessage(
    {
      key: createSigner(Buffer.from(key), 'hmac-sha256', 'orbis'),
      ...{ name: 'orbis', fields: signed, params: ['created', 'keyid', 'alg'] },
      paramValues: { created: now },
    },
    request,
  );
  return headers;
}

/** Where an event goes, and what it is sent with. */
export interface Webhook {
  url: string;
  key: string;
  /** Addresses of the owner’s own sites, which may be anywhere. */
  declared: readonly string[];
}

/** Sends an event. @throws NotDelivered */
export async function sendEvent(
  event: NewsEvent,
  { url, key, declared }: Webhook,
  { fetching, now }: { fetching: Pick<Fetching, 'send'>; now: Date },
): Promise<void> {
  const body = JSON.stringify(event);
  const headers = await signedHeaders(url, body, key, now);
  const { host } = new URL(url);
  const { status, retryAfter } = await fetching
    .send(url, { declared, headers, body })
    .catch((error: unknown) => {
      if (!(error instanceof FetchFailure)) throw error;
      throw new NotDelivered(`${error.message} ${error.remedy}`, { isForAll: true });
    });
  if (status >= 200 && status < 300) return;
  throw refusal(host, status, retryAfter);
}

/* Too busy, or broken: the same holds for whatever else is sent there. What is refused by itself is not. */
function refusal(host: string, status: number, retryAfter: number | null): NotDelivered {
  const words = (reason: NoDelivery): string => spoken.news.failures[reason]({ host, status });
  if (status === 410) return new NotDelivered(words('ended'), { isForAll: true, isOver: true });
  if (status < 400) return new NotDelivered(words('led-on'), { isForAll: true });
  const isForAll = status >= 500 || [401, 403, 404, 405, 408, 425, 429].includes(status);
  return new NotDelivered(words('answered'), { isForAll, retryAfter });
}
