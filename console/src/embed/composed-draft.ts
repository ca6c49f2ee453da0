import type { UseQueryResult } from '@tanstack/react-query';
import { useRef, useState, type RefObject } from 'react';
import { handName, type Options, type Sheet } from '@orbis/core';
import type { Composition, Embed } from '@orbis/contract';
import { useDebounced } from '../components/useDebounced.ts';
import { draftOf, optionsOf, type Draft } from './draft.ts';
import { useDraftHistory, type DraftHistory } from './draft-history.ts';
import { usePlayerTime, type PlayerTime } from './player-time.ts';
import { useComposition, type Composed, type WorkedOn } from './useComposition.ts';

/** Options as they are being worked on, with what they come to. */
export interface ComposedDraft {
  draft: Draft;
  /** What of the draft cannot be read, by the options’ names. */
  wrong: Record<string, string>;
  /** Whether the draft differs from what is saved. */
  changed: boolean;
  /** Whether the draft as it stands has been composed, without a problem. */
  fits: boolean;
  composition: UseQueryResult<Composed>;
  problems: Composition['problems'];
  /** The composition that is shown, with the options that it is of, where they can be had. */
  shown: { options: Options; text: string } | null;
  /** The options that the draft as it stands comes to. */
  options: () => Options;
  frame: RefObject<HTMLIFrameElement | null>;
  player: PlayerTime;
  /** Sets one option as it was typed; null takes it out. */
  set: (name: string, value: string | null) => void;
  /** Sets several. */
  add: (options: Options) => void;
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
  const { draft, go } = history;
  const known = { sheets: sheet ? [sheet] : [], saved: options };
  const still = useDebounced(draft, quiet);
  const settled = still === draft;
  const { options: wanted, wrong } = optionsOf(still, known);
  const frame = useRef<HTMLIFrameElement>(null);
  const player = usePlayerTime(frame);
  const composition = useComposition(embed, wanted, place, known.sheets);
  const problems = composition.data?.problems ?? [];
  return {
    draft,
    wrong,
    changed: differs(draft, saved),
    fits:
      composition.isSuccess &&
      !composition.isPlaceholderData &&
      settled &&
      problems.length === 0 &&
      Object.keys(wrong).length === 0,
    composition,
    problems,
    options: () => optionsOf(draft, known).options,
    shown: composition.data && problems.length === 0 ? composition.data : null,
    frame,
    player,
    set: (name, value) =>
      go(
        (now) =>
          value === null
            ? Object.fromEntries(Object.entries(now).filter(([other]) => other !== name))
            : { ...now, [name]: value },
        name,
      ),
    add: (options) => go((now) => ({ ...now, ...draftOf(options) })),
    undo: history.undo,
    redo: history.redo,
    reset: () => go(() => saved),
  };
}

/* A draft of what is saved; where something else is saved, it begins anew. */
function useDraftOf(saved: Draft): DraftHistory {
  const history = useDraftHistory(saved);
  const [of, setOf] = useState(saved);
  if (JSON.stringify(of) !== JSON.stringify(saved)) {
    setOf(saved);
    history.begin(saved);
  }
  return history;
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
