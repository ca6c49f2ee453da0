import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import { compareTexts } from '@orbis/core';
import type { GroupOutcome } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { CompareRuns } from '../components/CodeRuns.tsx';

/* So many are shown at first: thousands of codes at once are no help. */
const first = 20;

/** Each embed that would change, with its code before and after and the reasons. */
export function DryRun({ outcome: { changed } }: { outcome: GroupOutcome }) {
  const [most, setMost] = useState(first);
  return (
    <>
      {changed.slice(0, most).map(({ embed, name, placements, before = '', after = '', edits = [] }) => (
        <Box
          key={embed}
          component="article"
          aria-label={name}
          sx={{ py: 2, borderTop: 1, borderColor: 'divider' }}
        >
          <Typography>
            <Link to={`/collection/${embed}`}>{name}</Link>
            {placements > 0 ? `, in ${plural(placements, 'place')}` : ''}
          </Typography>
          <CompareRuns
            runs={compareTexts(before, after)}
            label={`The code of ${name}, with what would be new in it`}
          />
          <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.5, typography: 'body2', color: 'text.secondary' }}>
            {[...new Set(edits.map(({ reason }) => reason))].map((reason) => (
              <li key={reason}>{reason}</li>
            ))}
          </Box>
        </Box>
      ))}
      {changed.length > most && <Button onClick={() => setMost(most + 100)}>Show more of them</Button>}
    </>
  );
}
