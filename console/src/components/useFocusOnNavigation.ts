import { useEffect, useRef, type RefObject } from 'react';
import { useLocation } from 'react-router';

/**
 * Puts the focus at the beginning of what is new when another screen is opened, so that whoever does not see
 * it is told and goes on from there. A screen that puts it into a field of its own keeps it there.
 */
export function useFocusOnNavigation(): RefObject<HTMLElement | null> {
  const main = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    if (!main.current?.contains(document.activeElement)) main.current?.focus({ preventScroll: true });
  }, [pathname]);
  return main;
}
