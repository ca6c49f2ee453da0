import { connect, type ConnectionOptions, type PeerCertificate } from 'node:tls';
import { once } from 'node:events';
import type { Diagnosis } from '@orbis/contract';
import type { Origins } from '../origins.ts';
import { found, whyAway } from './found.ts';

const [patience, day] = [8000, 86_400_000];
/* Whoever renews certificates does so a month before their end. */
const soon = 14;

const worst = (all: readonly Diagnosis[]): Diagnosis => {
  const order = ['fault', 'warning', 'note', 'well'];
  return [...all].sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state))[0]!;
};

/** How names become addresses, and whom to trust beside those that everybody does: for tests. */
type Reaching = Pick<ConnectionOptions, 'lookup' | 'ca'>;

/** Whether the certificates of both addresses are trusted, and how long they hold; the worst of them. */
export async function lookAtCertificates(
  origins: Pick<Origins, 'console' | 'previewUrl'>,
  now: Date,
  reaching: Reaching = {},
): Promise<Diagnosis> {
  const addresses = [origins.console, origins.previewUrl('certificate')].map((address) => new URL(address));
  const secured = addresses.filter(({ protocol }) => protocol === 'https:');
  if (secured.length === 0) return found('well', 'certificates-none');
  const all = await Promise.all(secured.map((address) => lookAt(address, now, reaching)));
  const bad = worst(all);
  if (bad.state !== 'well') return bad;
  return found('well', 'certificates-well', {
    days: Math.min(...all.map(({ facts }) => Number(facts['days']))),
  });
}

async function lookAt({ hostname: host, port }: URL, now: Date, reaching: Reaching): Promise<Diagnosis> {
  // Not refused: what is wrong with it is to be told.
  const at = { host, port: Number(port || 443), servername: host };
  const socket = connect({ ...at, rejectUnauthorized: false, ...reaching });
  try {
    await once(socket, 'secureConnect', { signal: AbortSignal.timeout(patience) });
    const days = daysLeft(socket.getPeerCertificate(), now);
    if (days < 0) return found('fault', 'certificates-over', { host });
    if (!socket.authorized) {
      const { authorizationError: code } = socket as { authorizationError?: unknown };
      const named = code instanceof Error ? code : { code: String(code) };
      return found('fault', 'certificates-untrusted', { host, why: whyAway(named) });
    }
    return days < soon
      ? found('warning', 'certificates-end', { host, days })
      : found('well', 'certificates-well', { days });
  } catch (error) {
    return found('fault', 'certificates-away', { host, why: whyAway(error) });
  } finally {
    socket.destroy();
  }
}

const daysLeft = ({ valid_to: end }: PeerCertificate, now: Date): number =>
  Math.floor((Date.parse(end) - now.getTime()) / day);
