import Box from '@mui/material/Box';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Sweep } from '@orbis/contract';
import { formatSeen } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { Findings } from '../components/Findings.tsx';
import { More } from '../components/More.tsx';
import { StateMark } from '../components/StateMark.tsx';

/** What a sweep saw, page by page. */
export function SweptPages({ sweep }: { sweep: Pick<Sweep, 'id' | 'at'> }) {
  const list = useList('sweeps.pages', {}, { sweep: sweep.id });
  return (
    <Box sx={{ mt: 2 }}>
      {list.items.map((page) => (
        <Box key={page.page} component="section" sx={{ py: 1.25, borderTop: 1, borderColor: 'divider' }}>
          <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'baseline' }}>
            <MuiLink href={page.url} target="_blank" rel="noreferrer" sx={{ fontWeight: 600 }}>
              {page.page}
            </MuiLink>
            {page.state === 'waiting' && <Typography color="textSecondary">not read</Typography>}
            {page.state === 'unreachable' && <Typography color="error">{page.why}</Typography>}
            {page.state === 'read' && page.seen.length === 0 && (
              <Typography color="textSecondary">nothing is placed here</Typography>
            )}
          </Box>
          {page.findings.length > 0 && page.state === 'read' && (
            <Box sx={{ mt: 1 }}>
              <Findings findings={page.findings} />
            </Box>
          )}
          {page.seen.map((seen) => (
            <Box
              key={seen.placement}
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr auto', sm: '320px 1fr' },
                gap: 1,
                mt: 0.75,
                alignItems: 'baseline',
              }}
            >
              <Box sx={{ overflowWrap: 'anywhere' }}>
                <Link to={`/collection/${seen.embed}`} style={{ color: 'inherit' }}>
                  {seen.embed}
                </Link>
                <Typography component="span" color="textSecondary">
                  {` in ${seen.spot}`}
                </Typography>
              </Box>
              {sweep.at === null ? (
                <StateMark state={seen.state} />
              ) : (
                <strong>{formatSeen(seen.state, sweep)}</strong>
              )}
              {seen.findings.length > 0 && (
                <Box sx={{ gridColumn: '1 / -1' }}>
                  <Findings findings={seen.findings} />
                </Box>
              )}
            </Box>
          ))}
        </Box>
      ))}
      <More list={list} />
    </Box>
  );
}
