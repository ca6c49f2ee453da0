import type { UseQueryResult } from '@tanstack/react-query';
import { useCallback, useDeferredValue, useMemo, useRef, useState, type RefObject } from 'react';
import { handName, type Options, type Sheet } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { useDebounced } from '../components/useDebounced.ts';
import { draftOf, mergedDraft, optionsOf, type Draft } from './draft.ts';
import { useDraftHistory, type DraftHistory } from './draft-history.ts';
import { usePlayerTime, type PlayerTime } from './player-time.ts';
import { useComposition, type Composed, type WorkedOn } from './useComposition.ts';

/** What the form of a draft is made from: the same one as long as nothing of it changes. */
export interface FormWork {
  draft: Draft;
  /** What of the draft cannot be read, by the options’ names. */
  wrong: Record<string, string>;
  /** What the options come to; a moment later than elsewhere, as the preview is to be first. */
  composed: Composed | undefined;
  player: PlayerTime;
  /** Sets one option as it was typed; null takes it out. */
  set: (name: string, value: string | null) => void;
  /** Sets several. */
  add: (options: Options) => void;
}

/** Options as they are being worked on, with what they come to. */
export interface ComposedDraft {
  form: FormWork;
  /** Whether the draft differs from what is saved. */
  changed: boolean;
  /** Whether the draft as it stands has been composed, without a problem. */
  fits: boolean;
  composition: UseQueryResult<Composed>;
  /** The composition that is shown, with the options that it is of, where they can be had. */
  shown: { options: Options; text: string } | null;
  /** The options that the draft as it stands comes to. */
  options: () => Options;
  frame: RefObject<HTMLIFrameElement | null>;
  /** The options that somebody else has saved otherwise since they were changed here. */
  both: readonly string[];
  /** Takes the last step back, or takes it again; null where there is none. */
  undo: (() => void) | null;
  redo: (() => void) | null;
  /** Back to what is saved. */
  reset: () => void;
}

/* So long, in ms, the typing rests before a draft is composed. */
const quiet = 300;

/**
 * Works on the options of an embed, or of one of its placements: each draft is composed in this browser.
 *
 * @param sheet - that of the embed, by which its options are read; null where there is none.
 */
export function useComposedDraft(
  embed: Embed,
  options: Options,
  place: WorkedOn,
  sheet: Sheet | null,
): ComposedDraft {
  const saved = draftOf(options);
  const history = useDraftOf(saved);
  const { draft, go, both } = history;
  const known = useMemo(() => ({ sheets: sheet ? [sheet] : [], saved: options }), [sheet, options]);
  const still = useDebounced(draft, quiet);
  const settled = still === draft;
  const { options: wanted, wrong } = useMemo(() => optionsOf(still, known), [still, known]);
  const frame = useRef<HTMLIFrameElement>(null);
  const player = usePlayerTime(frame);
  const composition = useComposition(embed, wanted, place, known.sheets);
  const form = useFormWork({ draft, wrong, composed: composition.data, player }, go);
  const isPossible = composition.data?.problems.length === 0;
  return {
    form,
    changed: differs(draft, saved),
    fits:
      composition.isSuccess &&
      !composition.isPlaceholderData &&
      settled &&
      isPossible &&
      Object.keys(wrong).length === 0,
    composition,
    options: () => optionsOf(draft, known).options,
    shown: possible(composition.data),
    frame,
    both: both.filter((name) => draft[name] !== saved[name]),
    undo: history.undo,
    redo: history.redo,
    reset: () => go(() => saved),
  };
}

/** What a draft comes to, where it has no problem. */
export const possible = (composed: Composed | undefined): Composed | null =>
  composed?.problems.length === 0 ? composed : null;

const nothing: FormWork['wrong'] = {};

function useFormWork(
  { draft, wrong, composed, player }: Pick<FormWork, 'draft' | 'wrong' | 'composed' | 'player'>,
  go: DraftHistory['go'],
): FormWork {
  const faults = Object.keys(wrong).length === 0 ? nothing : wrong;
  const later = useDeferredValue(composed);
  const set = useCallback<FormWork['set']>(
    (name, value) =>
      go(
        (now) =>
          value === null
            ? Object.fromEntries(Object.entries(now).filter(([other]) => other !== name))
            : { ...now, [name]: value },
        name,
      ),
    [go],
  );
  const add = useCallback<FormWork['add']>((options) => go((now) => ({ ...now, ...draftOf(options) })), [go]);
  return useMemo(
    () => ({ draft, wrong: faults, composed: later, player, set, add }),
    [draft, faults, later, player, set, add],
  );
}

/* A draft of what is saved. Where somebody else saves something meanwhile, what was changed here stays, and
   the rest is as it is saved now. */
function useDraftOf(saved: Draft): DraftHistory & { both: readonly string[] } {
  const history = useDraftHistory(saved);
  const [of, setOf] = useState(saved);
  const [both, setBoth] = useState<readonly string[]>([]);
  if (JSON.stringify(of) !== JSON.stringify(saved)) {
    const merged = mergedDraft(of, history.draft, saved);
    setOf(saved);
    setBoth(merged.both);
    if (differs(merged.draft, saved)) history.go(() => merged.draft);
    else history.begin(saved);
  }
  return { ...history, both };
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
