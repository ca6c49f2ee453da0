import { useQuery } from '@tanstack/react-query';
import { useState, type RefObject } from 'react';
import { formatTrouble, type TroubleCode } from '@orbis/contract/language';
import { api } from '../../api.ts';
import { useFrameMessages } from '../frame-messages.ts';
import type { Subject } from '../looking/subject.ts';
import type { ShownDraft } from './use-preview.ts';

const told: ReadonlySet<unknown> = new Set<TroubleCode>([
  'not-loaded',
  'blocked',
  'script-stopped',
  'nothing-shown',
]);
const most = 8;

/**
 * What does not work in what a preview shows, in sentences: what its document tells of itself, and what
 * asking for its frames and scripts told.
 *
 * @param address - of the document; what another one told is forgotten.
 */
export function useTroubles(
  frame: RefObject<HTMLIFrameElement | null>,
  address: string | null,
  of: Subject,
  draft: ShownDraft | null,
): string[] {
  const [heard, setHeard] = useState<{ of: string | null; troubles: string[] }>({
    of: address,
    troubles: [],
  });
  useFrameMessages(frame, ({ orbis, code, ...facts }) => {
    if (orbis !== 'trouble' || !told.has(code)) return;
    const trouble = formatTrouble({ code: code as TroubleCode, facts: plain(facts) });
    setHeard(({ of, troubles }) => ({
      of: address,
      troubles: [...new Set([...(of === address ? troubles : []), trouble])].slice(0, most),
    }));
  });
  const asked = useQuery({
    // Of whom something is asked seldom changes with an option: once for an embed is often enough.
    queryKey: ['inquiry', of],
    enabled: draft !== null,
    queryFn: async () =>
      (await api.call('inquiries.create', { body: { ...of, options: draft!.options } })).data,
    staleTime: Infinity,
    retry: false,
  });
  return [
    ...(asked.data?.troubles ?? []).map(({ message }) => message),
    ...(heard.of === address ? heard.troubles : []),
  ];
}

/* What comes from a foreign document is texts and numbers, or nothing. */
const plain = (facts: Readonly<Record<string, unknown>>): Record<string, string | number> =>
  Object.fromEntries(
    Object.entries(facts).flatMap(([name, value]): [string, string | number][] =>
      typeof value === 'string'
        ? [[name, value.slice(0, 300)]]
        : typeof value === 'number'
          ? [[name, value]]
          : [],
    ),
  );
