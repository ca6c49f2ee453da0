import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Confirm } from '../components/Confirm.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

/** The browsers in which somebody is signed in, and how to end that. */
export function Sessions() {
  const sessions = useList('sessions.list', {});
  const announce = useAnnounce();
  const end = useMutation({
    mutationFn: async (id: string) => api.call('sessions.delete', { params: { session: id } }),
    onSuccess: async () => {
      await refresh('account');
      announce('Signed out there.');
    },
  });
  const everywhere = useMutation({
    mutationFn: async () => api.call('sessions.end', {}),
    onSuccess: () => location.replace('/sign-in'),
  });
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        A browser stays signed in for a month at most, and for a week when it is not used.
      </Typography>
      <ProblemNote error={sessions.error ?? end.error ?? everywhere.error} />
      <Box component="ul" sx={{ m: 0, mb: 2, p: 0, listStyle: 'none' }}>
        {sessions.items.map(({ id, current, createdAt, usedAt, address, browser }) => (
          <Box
            component="li"
            key={id}
            sx={{
              display: 'flex',
              gap: 2,
              flexWrap: 'wrap',
              alignItems: 'baseline',
              py: 1,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 160 }}>
              {browser}
              {current && ' (this one)'}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              from {address} · signed in {formatWhen(createdAt)} · last used {formatWhen(usedAt)}
            </Typography>
            {!current && (
              <Button
                size="small"
                color="error"
                onClick={() => end.mutate(id)}
                aria-label={`Sign out ${browser}, signed in ${formatWhen(createdAt)}`}
              >
                Sign out
              </Button>
            )}
          </Box>
        ))}
      </Box>
      <More list={sessions} />
      <Confirm
        label="Sign out everywhere"
        title="Sign out everywhere?"
        color="error"
        variant="outlined"
        onConfirm={() => everywhere.mutate()}
      >
        Every browser has to sign in again, this one too. The tokens of programs stay.
      </Confirm>
    </>
  );
}
