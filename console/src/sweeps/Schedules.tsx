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
  const scheduled = sites.items.filter(({ schedule }) => schedule !== null);
  return (
    <Card title="Read by themselves">
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {scheduled.map(({ key, name, schedule, nextSweepAt }) => (
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
      <Typography color="textSecondary" sx={{ mt: scheduled.length > 0 ? 1 : 0 }}>
        {scheduled.length === 0
          ? 'Pages are read when somebody asks for it. To have them read every night, open a site under '
          : 'The others are read when somebody asks for it. When a site is read by itself, you say under '}
        <Link to="/places" style={{ color: 'inherit' }}>
          Places
        </Link>
        .
      </Typography>
      <More list={sites} />
    </Card>
  );
}
