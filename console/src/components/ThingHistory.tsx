import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Happened } from '@orbis/contract';
import { formatState, spoken } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { More } from './More.tsx';
import { ProblemNote } from './ProblemNote.tsx';
import { StateMark } from './StateMark.tsx';
import { formatWhen } from './when.ts';

/** Whose history is shown, by its key. */
export type HistoryOf = { embed: string } | { page: string } | { site: string };

/**
 * What was done to a thing, and how sweeps saw it change, the newest first. @param none what is said where
 * nothing is known
 * @param isDoneOnly leaves out what was seen, where that is told elsewhere
 */
export function ThingHistory({
  of,
  none = 'Nothing is known of what happened before.',
  isDoneOnly = false,
}: {
  of: HistoryOf;
  none?: string;
  isDoneOnly?: boolean;
}) {
  const name = 'embed' in of ? 'history.ofEmbed' : 'page' in of ? 'history.ofPage' : 'history.ofSite';
  const list = useList(name, { limit: isDoneOnly ? 50 : 10 }, of);
  const items = list.items.filter(({ seen }) => !isDoneOnly || seen === null);
  // What was done at once is told under one time.
  const whenOf = (i: number): string => {
    const when = formatWhen(items[i]!.at);
    return i > 0 && formatWhen(items[i - 1]!.at) === when ? '' : when;
  };
  if (list.error) return <ProblemNote error={list.error} />;
  if (!list.data) return null;
  if (items.length === 0 && !list.hasNextPage) return <Typography color="textSecondary">{none}</Typography>;
  return (
    <>
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {items.map((each, i) => (
          <Box
            component="li"
            // Nothing but its place tells two things of the same moment apart.
            key={`${each.at} ${i}`}
            sx={{
              'display': 'grid',
              'gridTemplateColumns': { xs: '1fr', sm: '210px minmax(0, 1fr)' },
              'columnGap': 2,
              'py': 0.75,
              'borderTop': 1,
              'borderColor': 'divider',
              '&:first-of-type': { borderTop: 0, pt: 0 },
            }}
          >
            <Typography color="textSecondary">{whenOf(i)}</Typography>
            <WhatHappened {...each} />
          </Box>
        ))}
      </Box>
      <More list={list} />
    </>
  );
}

function WhatHappened({ change, by, seen }: Happened) {
  if (change)
    return (
      <Typography sx={{ overflowWrap: 'anywhere' }}>
        {spoken.history.changed(change.said, by, change.undoneAt !== null)}
      </Typography>
    );
  if (!seen) return null;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'baseline' }}>
      <Typography component="span" sx={{ overflowWrap: 'anywhere' }}>
        <Link to={`/collection/${seen.embed}`} style={{ color: 'inherit' }}>
          {seen.embed}
        </Link>{' '}
        in {seen.place}
      </Typography>
      <Typography component="span" color="textSecondary">
        {formatState(seen.was)} before
      </Typography>
      <StateMark state={seen.state} />
    </Box>
  );
}
