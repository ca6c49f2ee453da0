import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { useMutation } from '@tanstack/react-query';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { api, refreshAll } from '../api.ts';

interface Announce {
  /** Says a sentence. */
  (sentence: string): void;
  /** Says that something was done just now, and offers to take it back. */
  done(sentence: string): Promise<void>;
}

interface Said {
  sentence: string;
  /** What can be taken back. */
  change: string | null;
  at: number;
}

const silent: Announce = Object.assign(() => {}, { done: () => Promise.resolve() });
const Context = createContext(silent);

/** Says in one sentence what was just done, to eyes and to screen readers. */
export const useAnnounce = (): Announce => useContext(Context);

export function Announcer({ children }: { children: ReactNode }) {
  const [said, setSaid] = useState<Said | null>(null);
  const announce = useMemo(() => {
    const say = (sentence: string, change: string | null = null): void =>
      setSaid((before) => ({ sentence, change, at: (before?.at ?? 0) + 1 }));
    return Object.assign((sentence: string) => say(sentence), {
      done: async (sentence: string) => say(sentence, await newestChange()),
    });
  }, []);
  const undo = useMutation({
    mutationFn: async (change: string) =>
      (await api.call('changes.undo', { params: { change }, body: {} })).data,
    onSuccess: async ({ said: what, remains }) => {
      await refreshAll();
      announce(`Taken back: ${what}. ${remains ?? ''}`);
    },
    onError: (error) => announce(error.message),
  });
  const change = said?.change ?? null;
  return (
    <Context value={announce}>
      {children}
      <Snackbar
        key={said?.at}
        open={said !== null}
        // Whoever is to decide something gets more time.
        autoHideDuration={change === null ? 5000 : 10_000}
        onClose={() => setSaid(null)}
        message={said?.sentence}
        // Beside the ways between screens, or above them on a phone.
        sx={{ bottom: { xs: 76, md: 24 }, left: { md: 232 } }}
        action={
          change !== null && (
            <Button
              color="inherit"
              size="small"
              disabled={undo.isPending}
              onClick={() => undo.mutate(change)}
            >
              Undo
            </Button>
          )
        }
      />
    </Context>
  );
}

/* What was done last, as it was done here a moment ago; without an answer, nothing is offered. */
async function newestChange(): Promise<string | null> {
  try {
    const { data } = await api.call('changes.list', { query: { limit: 1, standing: 'true' } });
    const [newest] = data.items;
    return newest && !newest.lasting ? newest.id : null;
  } catch {
    return null;
  }
}
