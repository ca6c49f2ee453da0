import Alert from '@mui/material/Alert';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { mostReached } from '@orbis/contract/counting';
import { spoken } from '@orbis/contract/language';
import { api } from '../api.ts';

/** Says where a change will show; nothing where it shows nowhere. */
export function ReachNote({ of }: { of: { embed: string } | { site: string } | { provider: string } }) {
  const found = useQuery({
    queryKey: ['placements', 'reach', of],
    queryFn: async () => (await api.call('reach.read', { query: of })).data,
  });
  if (!found.data || found.data.placements === 0) return null;
  return (
    <Alert severity="info" variant="outlined" sx={{ py: 0.25 }}>
      <Typography variant="body2">
        It shows in {spoken.reach(found.data, mostReached)}. Pages keep the code that they carry until you
        paste the new one there.
      </Typography>
    </Alert>
  );
}
