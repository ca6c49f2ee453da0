import { useQuery } from '@tanstack/react-query';
import { optionNamed, type Options } from '@orbis/core';
import { api } from '../../api.ts';
import type { Subject } from '../looking/subject.ts';
import type { View } from './view.ts';

/** What is shown: the same code is not loaded again. */
export interface ShownDraft {
  options: Options;
  text: string;
}

/** The document of an embed as it is being worked on, or as it was pasted, in a view. */
export function usePreview(
  of: Subject,
  draft: ShownDraft | null,
  { shown, page, beside, background }: View,
  asPasted: boolean,
) {
  const isInPage = shown === 'page';
  const view = {
    ...(asPasted && { asPasted }),
    ...(!isInPage && background !== null && { background }),
    ...(isInPage && page !== null && { on: { page, ...(beside !== null && { beside }) } }),
  };
  return useQuery({
    queryKey: ['preview', of, asPasted || [draft?.text, draft && framing(draft.options)], view],
    enabled: draft !== null && !(isInPage && page === null),
    queryFn: async () =>
      (await api.call('previews.create', { body: { ...of, options: draft!.options, ...view } })).data,
    placeholderData: (before) => before,
    staleTime: 600_000,
    retry: false,
  });
}

/* What is served is not in the text of a code without a place. */
const framing = (options: Options): [string, unknown][] =>
  Object.entries(options).filter(([name]) => optionNamed(name)?.stage === 'isolation');
