import { useEffect, useEffectEvent, type RefObject } from 'react';

/** Listens to what our own scripts tell from a preview’s document; nobody else is believed. */
export function useFrameMessages(
  frame: RefObject<HTMLIFrameElement | null>,
  hear: (told: Readonly<Record<string, unknown>>) => void,
): void {
  const heard = useEffectEvent(({ source, data }: MessageEvent<unknown>): void => {
    if (source === null || source !== frame.current?.contentWindow) return;
    if (typeof data === 'object' && data !== null && 'orbis' in data) hear({ ...data });
  });
  useEffect(() => {
    const listen = (event: MessageEvent<unknown>): void => heard(event);
    addEventListener('message', listen);
    return () => removeEventListener('message', listen);
  }, []);
}
