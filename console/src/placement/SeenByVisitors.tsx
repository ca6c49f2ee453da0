import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import type { HitReport } from '@orbis/contract';
import { formatHits, plural } from '@orbis/contract/language';
import { api } from '../api.ts';
import { Disclosure } from '../components/Disclosure.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** How often the served frame of a placement was shown, and on which pages; nothing where it was not. */
export function SeenByVisitors({ placement }: { placement: string }) {
  const hits = useQuery({
    queryKey: ['placements', 'hits', placement],
    queryFn: async () => (await api.call('placements.hits', { params: { placement } })).data,
  });
  if (hits.error) return <ProblemNote error={hits.error} />;
  if (!hits.data || hits.data.times === 0) return null;
  return (
    <Box component="section" aria-label="Seen by visitors" sx={{ mb: 2 }}>
      <Typography color="textSecondary">{formatHits(hits.data)}</Typography>
      <Disclosure label="Where it was shown">
        <Pages pages={hits.data.pages} />
      </Disclosure>
    </Box>
  );
}

const Pages = ({ pages }: { pages: HitReport['pages'] }) => (
  <Box component="ul" sx={{ m: 0, pl: 2.5, maxHeight: '30vh', overflow: 'auto' }}>
    {pages.map(({ page, times, lastDay, registered }) => (
      <Typography key={page} component="li" variant="body2">
        {page ?? 'No page was named'}
        <Typography component="span" variant="body2" color="textSecondary">
          {`: ${plural(times, 'time')}, last on ${lastDay}`}
        </Typography>
        {registered === false && (
          <Typography component="span" variant="body2" color="warning.main">
            {', not in the register'}
          </Typography>
        )}
      </Typography>
    ))}
  </Box>
);
