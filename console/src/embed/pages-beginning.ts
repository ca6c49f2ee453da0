import { useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import type { Page } from '@orbis/contract';
import { api } from '../api.ts';

/** The pages whose keys begin as was typed, however many there are. */
export function usePagesBeginning(typed: string): readonly Page[] {
  const begins = useDeferredValue(typed.split('#')[0]!.trim());
  const { data = [] } = useQuery({
    queryKey: ['pages', 'begins', begins],
    queryFn: async ({ signal }) =>
      (await api.call('pages.list', { query: { q: begins || undefined, limit: 50 }, signal })).data.items,
    placeholderData: (before) => before,
  });
  return data;
}
