import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import type { Circumstances, EditorRules, LevelledOptions, Options, Sheet } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { optionsOfRules } from '@orbis/contract/options';
import { api } from '../api.ts';
import type { ComposedHere } from './compose.ts';
import { compose } from './composer.ts';

/** A composition, with the options that it is of. */
export type Composed = ComposedHere & { options: Options };

/** Where options are worked on: what is asked at the other levels, and how the code goes out there. */
export interface WorkedOn {
  /** From what is asked here to what is asked at every level but that of the rules for all. */
  asked: (here: Options) => LevelledOptions;
  circumstances: Circumstances;
  /** What the editor there lets through. */
  editor?: EditorRules;
}

/** What options of an embed come to, composed in this browser as soon as the rules for all are known. */
export function useComposition(
  embed: Embed,
  options: Options,
  { asked, circumstances, editor }: WorkedOn,
  sheets: readonly Sheet[],
): UseQueryResult<Composed> {
  const rules = useQuery({ queryKey: ['rules'], queryFn: () => api.call('rules.read') });
  const rule = rules.data && optionsOfRules(rules.data.data);
  const session = useQuery({
    queryKey: ['session'],
    queryFn: async () => (await api.call('session.read')).data,
  });
  const sharesHost = session.data?.frames === 'shared-host';
  const task = rule && {
    base: embed.base,
    length: embed.found?.length ?? null,
    asked: { ...asked(options), rule },
    circumstances: { ...circumstances, sharesHost },
    editor,
    sheets,
  };
  return useQuery({
    queryKey: ['composition', task],
    enabled: task !== undefined,
    queryFn: async ({ signal }) => ({ ...(await compose(task!, signal)), options }),
    placeholderData: (before) => before,
    // What the same things come to does not change.
    staleTime: Infinity,
    retry: false,
  });
}
