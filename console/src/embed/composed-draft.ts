import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState, type RefObject } from 'react';
import { handName, type Options, type Sheet } from '@orbis/core';
import type { Composition, Embed } from '@orbis/contract';
import { api, useList } from '../api.ts';
import { draftOf, optionsOf, type Draft } from './draft.ts';
import { usePlayerTime, type PlayerTime } from './player-time.ts';

/** Options as they are being worked on, with what they come to. */
export interface ComposedDraft {
  draft: Draft;
  /** What of the draft cannot be read, by the options’ names. */
  wrong: Record<string, string>;
  /** Whether the draft differs from what is saved. */
  changed: boolean;
  /** Whether the draft as it stands has been composed, without a problem. */
  fits: boolean;
  composition: UseQueryResult<Composition & { options: Options }>;
  problems: Composition['problems'];
  /** The options that the composition is of, where they can be had. */
  shown: Options | null;
  /** The options that the draft as it stands comes to. */
  options: () => Options;
  sheet: Sheet | null;
  frame: RefObject<HTMLIFrameElement | null>;
  player: PlayerTime;
  /** Sets one option as it was typed; null takes it out. */
  set: (name: string, value: string | null) => void;
  /** Sets several. */
  add: (options: Options) => void;
  /** Back to what is saved. */
  reset: () => void;
}

/** Works on the options of an embed, or of one of its placements (by its id): every change is composed at once. */
export function useComposedDraft(embed: Embed, options: Options, placement?: string): ComposedDraft {
  const saved = draftOf(options);
  const [draft, setDraft] = useState<Draft>(saved);
  const sheets = useList('providers.list', {});
  const sheet = sheets.items.find(({ id }) => id === embed.reading.sheet?.id)?.sheet ?? null;
  const { options: wanted, wrong } = optionsOf(useDeferredValue(draft), {
    sheets: sheet ? [sheet] : [],
    saved: options,
  });
  const frame = useRef<HTMLIFrameElement>(null);
  const player = usePlayerTime(frame);
  const target = placement === undefined ? { embed: embed.key } : { placement };
  const composition = useQuery({
    queryKey: ['composition', target, wanted],
    queryFn: async () => ({
      ...(await api.call('compositions.create', { body: { ...target, options: wanted } })).data,
      options: wanted,
    }),
    placeholderData: (before) => before,
  });
  const problems = composition.data?.problems ?? [];
  return {
    draft,
    wrong,
    changed: differs(draft, saved),
    fits: !composition.isPlaceholderData && problems.length === 0 && Object.keys(wrong).length === 0,
    composition,
    problems,
    options: () => optionsOf(draft, { sheets: sheet ? [sheet] : [], saved: options }).options,
    shown: composition.data && problems.length === 0 ? composition.data.options : null,
    sheet,
    frame,
    player,
    set: (name, value) =>
      setDraft((now) =>
        value === null
          ? Object.fromEntries(Object.entries(now).filter(([other]) => other !== name))
          : { ...now, [name]: value },
      ),
    add: (options) => setDraft((now) => ({ ...now, ...draftOf(options) })),
    reset: () => setDraft(saved),
  };
}

/* An option that is empty is not asked for; a parameter that is set by hand can be empty. */
function differs(draft: Draft, saved: Draft): boolean {
  const names = new Set([...Object.keys(draft), ...Object.keys(saved)]);
  return [...names].some(
    (name) =>
      (draft[name] ?? '').trim() !== (saved[name] ?? '') ||
      (name.startsWith(handName('')) && name in draft !== name in saved),
  );
}
