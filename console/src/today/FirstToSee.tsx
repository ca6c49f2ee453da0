import Box from '@mui/material/Box';
import { Link } from 'react-router';
import type { Today } from '@orbis/contract';
import { WhatToDo } from '../attention/WhatToDo.tsx';
import { FindingRow } from '../attention/FindingRow.tsx';
import { Card } from '../components/Card.tsx';

/** The few findings that matter most, each with what to do. */
export function FirstToSee({ today: { findings, open } }: { today: Pick<Today, 'findings' | 'open'> }) {
  const more = open - findings.length;
  return (
    <Card
      title="What wants attention"
      action={<Link to="/attention">{more > 0 ? `All of it: ${more} more` : 'All of it'}</Link>}
    >
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {findings.map((finding) => (
          <FindingRow key={finding.id} finding={finding}>
            <WhatToDo finding={finding} />
          </FindingRow>
        ))}
      </Box>
    </Card>
  );
}
