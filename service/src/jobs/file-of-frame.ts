import type { PlacementSeen } from '@orbis/core';
import type { Fetching } from '../fetching/client.ts';
import type { Reader } from '../reading/reader.ts';
import type { IssuedText } from '../store/issued.ts';
import { whyUnreadable } from './unreadable.ts';

export interface FileTools {
  fetching: Pick<Fetching, 'readPage'>;
  reader: Pick<Reader, 'fileSeen'>;
  declared: readonly string[];
}

/**
 * What was seen of a placement, with the file that its frame shows, where it stands in one: visitors see what
 * is in the file, so it carries the delivery whose document stands there.
 */
export async function withItsFile(
  seen: PlacementSeen,
  issued: readonly IssuedText[],
  { fetching, reader, declared }: FileTools,
): Promise<PlacementSeen> {
  const carries = issued.find(({ number }) => number === seen.delivery);
  if (seen.state !== 'live' || !carries?.file) return seen;
  const { address } = carries.file;
  // The newest first: the same document may have been handed out several times.
  const there = issued.filter(({ file }) => file?.address === address).reverse();
  try {
    const { text } = await fetching.readPage(address, declared);
    const at = await reader.fileSeen(
      text,
      there.map(({ file }) => file!.text),
    );
    return at === null
      ? withFinding({ ...seen, state: 'altered' }, 'file-altered', 'warning', { address })
      : { ...seen, delivery: there[at]!.number };
  } catch (error) {
    const { message: why, remedy, status } = whyUnreadable(error);
    const isGone = status === 404 || status === 410;
    return withFinding(isGone ? { ...seen, state: 'missing' } : seen, 'file-unreachable', 'error', {
      address,
      why,
      remedy,
    });
  }
}

const withFinding = (
  seen: PlacementSeen,
  rule: PlacementSeen['findings'][number]['rule'],
  level: 'error' | 'warning',
  facts: Record<string, string>,
): PlacementSeen => ({ ...seen, findings: [...seen.findings, { rule, level, facts }] });
