import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { plural } from '@orbis/contract/language';
import { refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { askNow } from './ask-now.ts';

/** Asks now for what placed embeds load, of one host or in all, and says how much is left. */
export function AskButton({ host }: { host: string | null }) {
  const announce = useAnnounce();
  const [left, setLeft] = useState<number | null>(null);
  const leaving = useRef(new AbortController());
  useEffect(() => () => leaving.current.abort(), []);
  const ask = useMutation({
    mutationFn: () => {
      leaving.current = new AbortController();
      return askNow(host, { signal: leaving.current.signal, onLeft: setLeft });
    },
    onSuccess: async ({ asked, faulty }) => {
      await refresh('loaded');
      const well = faulty === 0 ? 'all is well' : `something is wrong with ${faulty === 1 ? 'one' : faulty}`;
      announce(
        asked === 0
          ? 'Nothing that is placed loads anything from elsewhere.'
          : `Asked for ${plural(asked, 'address', 'addresses')}: ${well}.`,
      );
    },
    onSettled: () => setLeft(null),
  });
  return (
    <>
      <Button variant="contained" onClick={() => ask.mutate()} disabled={ask.isPending}>
        {ask.isPending ? (left === null ? 'Asking…' : `Asking: ${left} left`) : 'Ask now'}
      </Button>
      <ProblemNote error={ask.error} />
    </>
  );
}
