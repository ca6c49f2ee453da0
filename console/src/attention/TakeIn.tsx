import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { KeptFinding } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Takes in the newer code that a provider hands out; the embed shows what is otherwise then. */
export function TakeIn({ finding }: { finding: KeptFinding }) {
  const announce = useAnnounce();
  const navigate = useNavigate();
  const take = useMutation({
    mutationFn: async () =>
      (await api.call('findings.renew', { params: { finding: finding.id }, body: {} })).data,
    onSuccess: async ({ embed }) => {
      await refresh('findings', 'embeds');
      announce('The newer code is taken in, as a new revision.');
      await navigate(`/collection/${embed}`);
    },
  });
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        onClick={() => take.mutate()}
        disabled={take.isPending}
        aria-label={`Take it in: ${finding.embedName ?? finding.message}`}
      >
        Take it in
      </Button>
      <ProblemNote error={take.error} />
    </>
  );
}
