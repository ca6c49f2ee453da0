import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { KeptFinding } from '@orbis/contract';
import { formatRule, plural, whereFound } from '@orbis/contract/language';
import { ListRow, withIcon } from '../components/ListRow.tsx';
import { formatWhen } from '../components/when.ts';
import { levels } from './levels.tsx';
import { wayTo } from './way-to.ts';

/** A finding in sentences: what it is, where, what to do, and the button for it. */
export function FindingRow({ finding, children }: { finding: KeptFinding; children?: ReactNode }) {
  const { icon, name } = levels[finding.level];
  const way = wayTo(finding);
  const heading = finding.embedName ?? formatRule(finding.rule);
  return (
    <ListRow columns={withIcon} rowGap={1}>
      <Box role="img" aria-label={name} sx={{ lineHeight: 0, pt: 0.25 }}>
        {icon}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'baseline' }}>
          <Typography component="h3" sx={{ fontWeight: 700 }}>
            {heading}
          </Typography>
          <Where finding={finding} />
        </Box>
        <Typography sx={{ overflowWrap: 'anywhere' }}>{finding.message}</Typography>
        {finding.details.length > 0 && (
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {finding.details.map((each) => (
              <Typography component="li" key={each} sx={{ overflowWrap: 'anywhere' }}>
                {each}
              </Typography>
            ))}
          </Box>
        )}
        <Typography color="textSecondary">{finding.remedy}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
          <Since finding={finding} />
        </Typography>
      </Box>
      <Box
        sx={{
          display: 'flex',
          flexDirection: { xs: 'row', sm: 'column' },
          flexWrap: 'wrap',
          gap: 1,
          alignItems: { xs: 'center', sm: 'stretch' },
          gridColumn: { xs: '2', sm: 'auto' },
          minWidth: { sm: 150 },
        }}
      >
        {way && finding.list === 'open' && (
          <Button
            component={Link}
            to={way.to}
            variant="outlined"
            size="small"
            aria-label={`${way.label}: ${heading}`}
          >
            {way.label}
          </Button>
        )}
        {children}
      </Box>
    </ListRow>
  );
}

function Where({ finding }: { finding: KeptFinding }) {
  const { page, url, times, place } = finding;
  if (page === null || url === null)
    return <Typography color="textSecondary">{whereFound(finding)}</Typography>;
  return (
    <Typography color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
      <MuiLink href={url} target="_blank" rel="noreferrer" color="inherit">
        {place ?? page}
      </MuiLink>
      {times > 1 && ` and ${plural(times - 1, 'more page')}`}
    </Typography>
  );
}

function Since({ finding }: { finding: KeptFinding }) {
  const { list, isNew, firstSeenAt, lastSeenAt, until, reason, solvedAt, solvedBy } = finding;
  const why = reason === '' ? '' : ` “${reason}”`;
  if (list === 'later' && until !== null) return `Waits until ${formatWhen(until)}.${why}`;
  if (list === 'muted') return `Not to be told again.${why}`;
  if (list === 'solved' && solvedAt !== null)
    return `Solved ${solvedBy === 'hand' ? 'by hand' : 'by itself'}: ${formatWhen(solvedAt)}.`;
  const [first, last] = [formatWhen(firstSeenAt), formatWhen(lastSeenAt)];
  return `${isNew ? 'New. ' : ''}First seen ${first}${first === last ? '' : `, last seen ${last}`}.`;
}
