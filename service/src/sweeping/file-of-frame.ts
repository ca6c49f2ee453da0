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
 * What was seen of a placement, with the file that its frame shows, where it stands in one: it carries the
 * delivery of which both are.
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
      : { ...seen, delivery: together(carries, there[at]!).number };
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

/* The same frame may be of several deliveries: then the file tells. Of two that are not of one, the older. */
const together = (frame: IssuedText, file: IssuedText): IssuedText =>
  frame.spot === file.spot || file.number < frame.number ? file : frame;

const withFinding = (
  seen: PlacementSeen,
  rule: PlacementSeen['findings'][number]['rule'],
  level: 'error' | 'warning',
  facts: Record<string, string>,
): PlacementSeen => ({ ...seen, findings: [...seen.findings, { rule, level, facts }] });
