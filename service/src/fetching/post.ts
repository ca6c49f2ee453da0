import { request } from 'undici';
import { agentName, type HopTools } from './hop.ts';
import { retryAfter } from './retry-after.ts';

/** What is sent, and to whose address. */
export interface SendOptions {
  /** Addresses of the owner's own sites: they may be anywhere and have any port; nothing else private may. */
  declared: readonly string[];
  headers: Readonly<Record<string, string>>;
  body: string;
}

/** What whoever it was sent to answers. */
export interface Sent {
  status: number;
  /** In how many seconds it may be sent again, where that is said. */
  retryAfter: number | null;
}

/* So much of an answer is waited for, in bytes. */
const mostRead = 64 * 1024;

/**
 * Sends something once; of the answer only its beginning counts.
 * @throws of the network, what the client throws.
 */
export async function post(
  url: URL,
  { dispatcher, signal }: Pick<HopTools, 'dispatcher' | 'signal'>,
  { headers, body }: Pick<SendOptions, 'headers' | 'body'>,
): Promise<Sent> {
  const answer = await request(url, {
    ...{ method: 'POST', dispatcher, signal, body },
    // A connection that is kept may just be closed by the other side: what is sent then may have come or not.
    reset: true,
    headers: { 'user-agent': agentName, ...headers },
  });
  // Whoever lets go of an answer does not hear any more how it ends.
  answer.body.on('error', () => undefined);
  await answer.body.dump({ limit: mostRead }).catch(() => undefined);
  const said = answer.headers['retry-after'];
  return {
    status: answer.statusCode,
    retryAfter: retryAfter(typeof said === 'string' ? said : null, new Date()),
  };
}
