import { useCallback, useState } from 'react';
import type { Draft } from './draft.ts';

interface History {
  past: readonly Draft[];
  now: Draft;
  future: readonly Draft[];
  /** The option that was last typed in, and when, in ms: what is typed in one go is one step. */
  typed: { name: string; at: number } | null;
}

/** A draft with the steps that led to it. */
export interface DraftHistory {
  draft: Draft;
  /** Goes on to another draft; `name` is the option that is typed in. */
  go: (change: (now: Draft) => Draft, name?: string) => void;
  /** Takes the last step back, or takes it again; null where there is none. */
  undo: (() => void) | null;
  redo: (() => void) | null;
  /** Begins anew. */
  begin: (draft: Draft) => void;
}

/* Typing that rests so long, in ms, is a step of its own. */
const oneGo = 1500;
const mostSteps = 100;

/** Keeps the steps of a draft, so that each can be taken back. */
export function useDraftHistory(saved: Draft): DraftHistory {
  const [history, setHistory] = useState<History>(() => fresh(saved));
  const go = useCallback<DraftHistory['go']>(
    (change, name) => setHistory((before) => advanced(before, change(before.now), name)),
    [],
  );
  const begin = useCallback((draft: Draft) => setHistory(fresh(draft)), []);
  const { past, now, future } = history;
  return {
    draft: now,
    go,
    undo: past.length === 0 ? null : () => setHistory(back),
    redo: future.length === 0 ? null : () => setHistory(forth),
    begin,
  };
}

const fresh = (now: Draft): History => ({ past: [], now, future: [], typed: null });

function advanced(before: History, now: Draft, name: string | undefined): History {
  const at = Date.now();
  const isOneGo = name !== undefined && before.typed?.name === name && at - before.typed.at < oneGo;
  return {
    past: isOneGo ? before.past : [...before.past, before.now].slice(-mostSteps),
    now,
    future: [],
    typed: name === undefined ? null : { name, at },
  };
}

const back = ({ past, now, future }: History): History =>
  past.length === 0
    ? { past, now, future, typed: null }
    : { past: past.slice(0, -1), now: past.at(-1)!, future: [now, ...future], typed: null };

function forth({ past, now, future }: History): History {
  const [next, ...rest] = future;
  return next === undefined
    ? { past, now, future, typed: null }
    : { past: [...past, now], now: next, future: rest, typed: null };
}
