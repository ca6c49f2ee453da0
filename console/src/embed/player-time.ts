import { useCallback, useMemo, useRef, useState, type RefObject } from 'react';
import { useFrameMessages } from './frame-messages.ts';

/** Where the preview's player is, where it tells. */
export interface PlayerTime {
  /** Whether it has told anything yet. */
  tells: boolean;
  /** Seconds; null before it told. */
  now: () => number | null;
}

/** Listens to where the preview’s player is. */
export function usePlayerTime(frame: RefObject<HTMLIFrameElement | null>): PlayerTime {
  const at = useRef<number | null>(null);
  const [tells, setTells] = useState(false);
  useFrameMessages(frame, (told) => {
    if (told['orbis'] !== 'time' || typeof told['at'] !== 'number') return;
    at.current = told['at'];
    setTells(true);
  });
  const now = useCallback(() => at.current, []);
  return useMemo(() => ({ tells, now }), [tells, now]);
}
