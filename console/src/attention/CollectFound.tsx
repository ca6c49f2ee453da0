import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { KeptFinding } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Takes a code that a sweep found into the collection, and places it where it stands. */
export function CollectFound({ finding }: { finding: KeptFinding }) {
  const announce = useAnnounce();
  const navigate = useNavigate();
  const collect = useMutation({
    mutationFn: async () =>
      (await api.call('findings.register', { params: { finding: finding.id }, body: {} })).data,
    onSuccess: async ({ embed, placements }) => {
      await refresh('findings', 'embeds', 'placements');
      announce(`Collected, and placed on ${plural(placements.length, 'page')}.`);
      await navigate(`/collection/${embed}`);
    },
  });
  return (
    <>
      <Button
        size="small"
        variant="outlined"
        onClick={() => collect.mutate()}
        disabled={collect.isPending}
        aria-label={`Collect and place: ${finding.message}`}
      >
        Collect and place
      </Button>
      <ProblemNote error={collect.error} />
    </>
  );
}
