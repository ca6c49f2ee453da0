import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { Weighing } from '@orbis/contract';
import { formatWeighing } from '@orbis/contract/language';
import { api } from '../../api.ts';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import type { TriedSubject } from './subject.ts';

/** What a visitor’s browser does for an embed, beside what it does for the code as it was pasted. */
export function Weigh({ subject }: { subject: TriedSubject }) {
  const weigh = useMutation({
    mutationFn: async () => (await api.call('weighings.create', { body: subject })).data,
  });
  return (
    <Stack spacing={1}>
      <Typography variant="body2" color="textSecondary">
        Counts what a visitor’s browser asks of others for it, in a browser beside Orbis.
      </Typography>
      <Box>
        <Button variant="outlined" loading={weigh.isPending} onClick={() => weigh.mutate()}>
          {weigh.data ? 'Weigh it again' : 'Weigh it'}
        </Button>
      </Box>
      <ProblemNote error={weigh.error} />
      {weigh.data && <Weights weighing={weigh.data} />}
    </Stack>
  );
}

const Weights = ({ weighing }: { weighing: Weighing }) => (
  <Box
    component="dl"
    aria-live="polite"
    sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 2, rowGap: 0.5 }}
  >
    {formatWeighing(weighing).map(([about, weight]) => (
      <Box key={about} sx={{ display: 'contents' }}>
        <Typography component="dt" variant="body2" color="textSecondary">
          {about}
        </Typography>
        <Typography component="dd" variant="body2" sx={{ m: 0 }}>
          {weight}
        </Typography>
      </Box>
    ))}
  </Box>
);
