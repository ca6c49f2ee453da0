import Box from '@mui/material/Box';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { spoken } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { formatWhen } from '../components/when.ts';

/** Which sites are read without anybody asking, and when the next time is. */
export function Schedules() {
  const sites = useList('sites.list', {});
  if (sites.items.length === 0) return null;
  return (
    <Card title="Read by themselves">
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {sites.items.map(({ key, name, schedule, nextSweepAt }) => (
          <Box
            component="li"
            key={key}
            sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, py: 0.5, alignItems: 'baseline' }}
          >
            <MuiLink component={Link} to={`/places/${key}`} sx={{ fontWeight: 600 }}>
              {name}
            </MuiLink>
            <Typography component="span" color="textSecondary">
              {spoken.schedule(schedule)}
              {nextSweepAt !== null && `; next: ${formatWhen(nextSweepAt)}`}
            </Typography>
          </Box>
        ))}
      </Box>
      <More list={sites} />
    </Card>
  );
}
