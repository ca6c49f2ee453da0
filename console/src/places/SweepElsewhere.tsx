import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, refresh } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Reads the pages of a site at one of its further addresses; the screen of sweeps shows what is there. */
export function SweepElsewhere({ site, at }: { site: string; at: string }) {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () => api.call('sweeps.create', { body: { site, at } }),
    onSuccess: async () => {
      await refresh('sweeps');
      await navigate('/sweeps');
    },
  });
  return (
    <>
      <Button size="small" loading={begin.isPending} onClick={() => begin.mutate()} sx={{ ml: -0.75 }}>
        See what is on {at}
      </Button>
      <ProblemNote error={begin.error} />
    </>
  );
}
