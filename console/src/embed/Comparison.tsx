import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { api } from '../api.ts';
import { CompareRuns } from '../components/CodeRuns.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Waiting } from '../components/Waiting.tsx';

/** What differs between two revisions: the options, and the code as it goes out. */
export function Comparison({ embed, from, to }: { embed: string; from: number; to: number }) {
  const found = useQuery({
    queryKey: ['revisions', 'comparison', embed, from, to],
    queryFn: async () =>
      (await api.call('revisions.compare', { params: { embed }, query: { from, to } })).data,
  });
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { options, sourceDiffers, runs } = found.data;
  if (options.length === 0 && !sourceDiffers)
    return <Typography color="textSecondary">Nothing differs from revision {to}.</Typography>;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Box component="ul" sx={{ m: 0, mb: 1.5, pl: 2.5 }}>
        {options.map(({ option, from: before, to: after }) => (
          <li key={option}>
            <strong>{option}</strong>: {before ?? 'not set'} in revision {from}, {after ?? 'not set'} in
            revision {to}
          </li>
        ))}
        {sourceDiffers && <li>They are made of different codes of the provider.</li>}
      </Box>
      <CompareRuns runs={runs} label={`The code of revision ${from}, with what is new in revision ${to}`} />
    </Box>
  );
}
