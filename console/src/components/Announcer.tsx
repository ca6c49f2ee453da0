import Snackbar from '@mui/material/Snackbar';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';

const Context = createContext<(sentence: string) => void>(() => {});

/** Says in one sentence what was just done, to eyes and to screen readers. */
export const useAnnounce = (): ((sentence: string) => void) => useContext(Context);

export function Announcer({ children }: { children: ReactNode }) {
  const [said, setSaid] = useState<{ sentence: string; at: number } | null>(null);
  const announce = useCallback(
    (sentence: string) => setSaid((before) => ({ sentence, at: (before?.at ?? 0) + 1 })),
    [],
  );
  const value = useMemo(() => announce, [announce]);
  return (
    <Context value={value}>
      {children}
      <Snackbar
        key={said?.at}
        open={said !== null}
        autoHideDuration={5000}
        onClose={() => setSaid(null)}
        message={said?.sentence}
      />
    </Context>
  );
}
