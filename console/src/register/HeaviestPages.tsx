import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { formatBytes } from '@orbis/contract/language';
import { api } from '../api.ts';
import { NamedBars } from '../charts/NamedBars.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

/** How much pages load from others, as they were last looked at: on a site, or on all. */
export function HeaviestPages({ site }: { site: string }) {
  const found = useQuery({
    queryKey: ['looks', 'heaviest', site],
    queryFn: async () =>
      (await api.call('looks.heaviest', { query: site === '' ? {} : { site } })).data.items,
  });
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data || found.data.length === 0) return null;
  return (
    <Card title="What pages load from others">
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        Of pages that a browser has looked at, the heaviest first: with what visitors allow, on a desktop.
      </Typography>
      <NamedBars
        label="What pages load from others"
        heads={['Page', 'Size', 'Requests', 'Hosts', 'Looked at']}
        written={formatBytes}
        bars={found.data.map(({ page, bytes, requests, hosts, at }) => ({
          ...{ name: page, value: bytes },
          cells: [
            <Link key={page} to={`/looks?page=${encodeURIComponent(page)}`}>
              {page}
            </Link>,
            ...[formatBytes(bytes), requests, hosts, formatWhen(at)],
          ],
        }))}
      />
    </Card>
  );
}
