import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { api } from '../../api.ts';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { FoundContacts } from './FoundContacts.tsx';
import type { TriedSubject } from './subject.ts';
import { useWatchedContacts } from './watched-contacts.ts';

/**
 * An embed in a frame here, where it contacts whom it wants, and beside it whom that was: what it does once
 * somebody uses it is only seen so, and it needs no browser but the owner’s.
 */
export function WatchContacts({
  of,
  known,
  areFixed,
  onFix,
}: {
  of: TriedSubject;
  known: readonly string[];
  areFixed: boolean;
  onFix: (hosts: readonly string[]) => void;
}) {
  const frame = useRef<HTMLIFrameElement>(null);
  const shown = useQuery({
    queryKey: ['preview', 'contacts', of],
    queryFn: async () => (await api.call('previews.create', { body: { ...of, learning: true } })).data,
    staleTime: 600_000,
    retry: false,
  });
  const address = shown.data?.url ?? null;
  const contacted = useWatchedContacts(frame, address);
  return (
    <Box>
      <ProblemNote error={shown.error} />
      <Typography variant="body2" color="textSecondary">
        Here it may contact everybody. Use it as a visitor would: whom it contacts then is added below.
      </Typography>
      {address !== null && (
        <Box
          component="iframe"
          key={address}
          ref={frame}
          title="The embed, to see whom it contacts"
          src={address}
          sx={{
            display: 'block',
            width: 1,
            height: 280,
            my: 1,
            border: 1,
            borderColor: 'divider',
            borderRadius: 1,
            bgcolor: '#fff',
          }}
        />
      )}
      <FoundContacts
        contacted={contacted}
        words={{ found: 'In your browser it contacted:', nobody: 'So far it has contacted nobody.' }}
        known={known}
        areFixed={areFixed}
        onFix={onFix}
      />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        To whom a host sends it on, no page is told: only “Find out” sees that.
      </Typography>
    </Box>
  );
}
