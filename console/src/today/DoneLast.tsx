import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

const shown = 5;

/** The last few things that were done, and the way to take them back. */
export function DoneLast() {
  const found = useQuery({
    queryKey: ['changes', 'last'],
    queryFn: async () =>
      (await api.call('changes.list', { query: { limit: shown, standing: 'true' } })).data.items,
  });
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data || found.data.length === 0) return null;
  return (
    <Card title="Done last" action={<Link to="/done">All of it, and the way back</Link>}>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {found.data.map(({ id, said, createdAt }) => (
          <Box
            component="li"
            key={id}
            sx={{ display: 'flex', justifyContent: 'space-between', gap: 2, flexWrap: 'wrap', py: 0.5 }}
          >
            <Typography sx={{ overflowWrap: 'anywhere' }}>{said}</Typography>
            <Typography variant="body2" color="textSecondary">
              {formatWhen(createdAt)}
            </Typography>
          </Box>
        ))}
      </Box>
    </Card>
  );
}
