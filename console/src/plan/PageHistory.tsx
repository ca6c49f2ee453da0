import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { PageNews } from '@orbis/contract';
import { formatState, spoken } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { Findings } from '../components/Findings.tsx';
import { More } from '../components/More.tsx';
import { ThingHistory } from '../components/ThingHistory.tsx';
import { StateMark } from '../components/StateMark.tsx';
import { formatWhen } from '../components/when.ts';

/** What sweeps saw on a page, the newest first: only where it was something new. */
export function PageHistory({ page }: { page: string }) {
  const list = useList('sweeps.onPage', { limit: 5 }, { page });
  return (
    <Stack spacing={3}>
      {list.items.length > 0 && (
        <Card title="What was seen here">
          <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none' }}>
            {list.items.map((news) => (
              <Box
                component="li"
                key={`${news.sweep} ${news.at}`}
                sx={{
                  'display': 'grid',
                  'gridTemplateColumns': { xs: '1fr', sm: '220px minmax(0, 1fr)' },
                  'gap': { xs: 0.5, sm: 2 },
                  'py': 1.25,
                  'borderTop': 1,
                  'borderColor': 'divider',
                  '&:first-of-type': { borderTop: 0, pt: 0 },
                }}
              >
                <Typography color="textSecondary">{formatWhen(news.at)}</Typography>
                <News news={news} />
              </Box>
            ))}
          </Box>
          <More list={list} />
        </Card>
      )}
      <Card title="What was done here">
        <ThingHistory of={{ page }} isDoneOnly none="Nothing was done here yet." />
      </Card>
    </Stack>
  );
}

function News({ news: { state, why, seen, gone, findings, solved } }: { news: PageNews }) {
  if (state === 'unreachable') return <Typography color="error">It could not be read: {why}</Typography>;
  if (seen.length + gone + findings.length + solved.length === 0)
    return <Typography>Nothing is placed here.</Typography>;
  return (
    <Box>
      {seen.map((each) => (
        <Box key={each.placement} sx={{ mb: 0.75 }}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'baseline' }}>
            <Typography component="span">
              <Link to={`/register/${each.placement}`} style={{ color: 'inherit' }}>
                {each.embed}
              </Link>{' '}
              in {each.spot}
            </Typography>
            {each.was !== null && each.was !== each.state && (
              <Typography component="span" color="textSecondary">
                {formatState(each.was)} before
              </Typography>
            )}
            <StateMark state={each.state} />
          </Box>
          {each.findings.length > 0 && (
            <Disclosure label="Why" name={`Why ${each.embed} is ${formatState(each.state)}`}>
              <Findings findings={each.findings} />
            </Disclosure>
          )}
        </Box>
      ))}
      {findings.map((each) => (
        <Typography key={each.message}>{each.message}</Typography>
      ))}
      {solved.map((each) => (
        <Typography key={each.message} color="textSecondary">
          {spoken.notSoAnyMore(each.message)}
        </Typography>
      ))}
      {gone > 0 && <Typography color="textSecondary">{spoken.noLongerPlaced(gone)}</Typography>}
    </Box>
  );
}
