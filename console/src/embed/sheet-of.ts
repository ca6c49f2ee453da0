import { useQuery } from '@tanstack/react-query';
import type { Sheet } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { ApiError } from '@orbis/contract/client';
import { api } from '../api.ts';

/** The sheet by which an embed is read: null where there is none, undefined until that is known. */
export function useSheetOf(embed: Embed | undefined): Sheet | null | undefined {
  const id = embed?.reading.sheet?.id;
  const found = useQuery({
    queryKey: ['providers', 'sheet', id],
    enabled: id !== undefined,
    queryFn: async () => (await api.call('providers.read', { params: { provider: id! } })).data.sheet,
  });
  if (!embed) return undefined;
  if (id === undefined) return null;
  // A sheet that was taken out meanwhile, or cannot be had, leaves the code to be worked on without it.
  return found.data ?? (found.error instanceof ApiError ? null : undefined);
}
