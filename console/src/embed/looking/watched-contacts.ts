import { useState, type RefObject } from 'react';
import type { ContactsSeen } from '@orbis/contract';
import { useFrameMessages } from '../frame-messages.ts';

type Contacted = ContactsSeen['contacted'][number];

/* Nobody looks through more. */
const most = 100;

/**
 * Whom the document in a frame says that it contacts, in the order of their names. What it says is believed
 * as little as what it does: it is a list for its owner to look at.
 *
 * @param address - of the document; what another one told is forgotten.
 */
export function useWatchedContacts(
  frame: RefObject<HTMLIFrameElement | null>,
  address: string | null,
): Contacted[] {
  const [heard, setHeard] = useState<{ of: string | null; contacted: Contacted[] }>({
    of: address,
    contacted: [],
  });
  const known = heard.of === address ? heard.contacted : [];
  useFrameMessages(frame, ({ orbis, host, use, afterClick }) => {
    if (orbis !== 'contact' || !isHost(host) || typeof use !== 'string') return;
    setHeard(({ of, contacted }) => ({
      of: address,
      contacted: withContact(of === address ? contacted : [], {
        host,
        uses: [use],
        afterClick: afterClick === true,
      }),
    }));
  });
  return known;
}

function withContact(known: readonly Contacted[], { host, uses, afterClick }: Contacted): Contacted[] {
  const before = known.find((each) => each.host === host) ?? { host, uses: [], afterClick };
  return [
    ...known.filter((each) => each !== before),
    { ...before, uses: [...new Set([...before.uses, ...uses])].slice(0, 12) },
  ]
    .sort((a, b) => (a.host < b.host ? -1 : 1))
    .slice(0, most);
}

const isHost = (host: unknown): host is string =>
  typeof host === 'string' && host.length <= 253 && URL.canParse(`http://${host}`);
