import { useEffect } from 'react';

/** Calls the window as its screen is called. */
export function useDocumentTitle(title: string): void {
  useEffect(() => {
    document.title = `${title} · Orbis`;
  }, [title]);
}
