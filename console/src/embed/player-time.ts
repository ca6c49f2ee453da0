import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';

/** Where the preview's player is, where it tells. */
export interface PlayerTime {
  /** Whether it has told anything yet. */
  tells: boolean;
  /** Seconds; null before it told. */
  now: () => number | null;
}

/** Listens to what our own script in the preview's document tells; nobody else is believed. */
export function usePlayerTime(frame: RefObject<HTMLIFrameElement | null>): PlayerTime {
  const at = useRef<number | null>(null);
  const [tells, setTells] = useState(false);
  useEffect(() => {
    const hear = ({ source, data }: MessageEvent<unknown>): void => {
      if (
        source === null ||
        source !== frame.current?.contentWindow ||
        typeof data !== 'object' ||
        data === null
      )
        return;
      const told = data as { orbis?: unknown; at?: unknown };
      if (told.orbis !== 'time' || typeof told.at !== 'number') return;
      at.current = told.at;
      setTells(true);
    };
    addEventListener('message', hear);
    return () => removeEventListener('message', hear);
  }, [frame]);
  const now = useCallback(() => at.current, []);
  return { tells, now };
}
