import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { useMutation } from '@tanstack/react-query';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import type { Change } from '@orbis/contract';
import { api, refreshAll, takeBegun } from '../api.ts';

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
    const plain = (sentence: string): void => {
      takeBegun();
      say(sentence);
    };
    return Object.assign(plain, {
      done: async (sentence: string) => say(sentence, await changeMadeHere()),
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

/*
 * What was done here a moment ago, for it to be taken back: the newest change, if it is as new as that. Where
 * what was saved was the same as before, nothing was done. The service’s own clock is what counts (`Date`,
 * RFC 9110, section 6.6.1); without an answer, nothing is offered.
 */
async function changeMadeHere(): Promise<string | null> {
  try {
    const answer = await api.open('changes.list', { query: { limit: 1, standing: 'true' } });
    const { items } = (await answer.json()) as { items: Change[] };
    const ago = takeBegun();
    const [newest] = items;
    if (ago === null || !newest || newest.lasting) return null;
    const since = Date.parse(answer.headers.get('date') ?? '') - ago;
    return Date.parse(newest.createdAt) >= since ? newest.id : null;
  } catch {
    return null;
  }
}
