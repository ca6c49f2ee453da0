import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { PlacementState, Today } from '@orbis/contract';
import { mostToDo, mostWaiting } from '@orbis/contract/counting';
import { formatState, plural, spoken } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';
import { StateMark } from '../components/StateMark.tsx';
import { formatWhen } from '../components/when.ts';

/* What is to be done about placements in a state. */
const ways: Partial<Record<PlacementState, string>> = {
  'missing': 'Paste the code again, or end the placement.',
  'altered': 'See what came through, and paste the code again.',
  'out-of-date': 'Paste the new code, or take out what is paused.',
  'unreachable': 'See why the page could not be read.',
  'planned': 'Paste the code, or have the page read if it is there already.',
};

/** What is not as it should be, the worst first, each with the way to it. */
export function WhatWantsDoing({ today: { states, waiting, has, sweptAt } }: { today: Today }) {
  return (
    <Card title="What wants doing">
      {states.length === 0 && (
        <Typography>
          {has.seen ? 'Nothing: everything is on its page as it should be.' : 'Nothing is to be done yet.'}
        </Typography>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {states.map(({ state, count }) => (
          <Box
            component="li"
            key={state}
            sx={{
              'display': 'grid',
              'gridTemplateColumns': { xs: '1fr', sm: '1fr auto' },
              'gap': 1.5,
              'alignItems': 'center',
              'py': 1.5,
              'borderTop': 1,
              'borderColor': 'divider',
              '&:first-of-type': { borderTop: 0, pt: 0 },
            }}
          >
            <Box>
              <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
                <Typography sx={{ fontWeight: 700, fontVariantNumeric: 'tabular-nums' }}>
                  {count < mostToDo ? plural(count, 'place') : `${mostToDo} places or more`}
                </Typography>
                <StateMark state={state} />
              </Box>
              <Typography color="textSecondary">
                {spoken.states[state]} {ways[state]}
              </Typography>
            </Box>
            <Button
              component={Link}
              to={`/register?state=${state}`}
              variant="outlined"
              size="small"
              aria-label={`Show what is ${formatState(state)}`}
              sx={{ justifySelf: 'start' }}
            >
              Show {count === 1 ? 'it' : 'them'}
            </Button>
          </Box>
        ))}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
        {waiting > 0 &&
          `Something was changed: for ${waiting < mostWaiting ? plural(waiting, 'place') : `${mostWaiting} places or more`} it is still being worked out. `}
        {sweptAt === null ? 'No page has been read yet.' : `Pages were last read on ${formatWhen(sweptAt)}.`}{' '}
        <Link to="/sweeps">Sweeps</Link>
        {' · '}
        <Link to="/attention">Attention</Link>
      </Typography>
    </Card>
  );
}
