import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { PersonDetails } from '@orbis/contract';
import { personRoles } from '@orbis/contract/rights';
import { capital, spoken } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { LinkShownOnce, type LinkMade } from './LinkShownOnce.tsx';
import { PersonDialog } from './PersonDialog.tsx';
import { PersonRow } from './PersonRow.tsx';

/** Who works with this Orbis, and what each of them may do. */
export default function PeopleScreen() {
  const people = useList('people.list', {});
  const [editing, setEditing] = useState<PersonDetails | 'new' | null>(null);
  const [made, setMade] = useState<LinkMade | null>(null);
  const here = people.items.filter(({ state }) => state !== 'removed');
  const removed = people.items.filter(({ state }) => state === 'removed');
  const rows = (items: readonly PersonDetails[]) => (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {items.map((person) => (
        <PersonRow key={person.id} person={person} onEdit={() => setEditing(person)} onLink={setMade} />
      ))}
    </Box>
  );
  return (
    <>
      <ScreenHead
        title="People"
        lead="Who works with this Orbis, and what each of them may do: with everything, or on single sites."
      >
        <Button variant="contained" onClick={() => setEditing('new')}>
          Invite somebody
        </Button>
      </ScreenHead>
      <ProblemNote error={people.error} />
      {people.isPending && <Waiting />}
      <Stack spacing={3} sx={{ maxWidth: 920 }}>
        {here.length > 0 && <Card>{rows(here)}</Card>}
        {removed.length > 0 && <Card title="Removed">{rows(removed)}</Card>}
        <More list={people} />
        <Card title="What they may do">
          <WhatRolesMay />
        </Card>
      </Stack>
      {editing && (
        <PersonDialog
          person={editing === 'new' ? null : editing}
          onClose={() => setEditing(null)}
          onInvited={setMade}
        />
      )}
      {made && <LinkShownOnce made={made} onClose={() => setMade(null)} />}
    </>
  );
}

const WhatRolesMay = () => (
  <Box
    component="dl"
    sx={{
      m: 0,
      display: 'grid',
      gridTemplateColumns: { xs: '1fr', sm: '110px 1fr' },
      columnGap: 2,
      rowGap: 1,
    }}
  >
    {personRoles.map((role) => (
      <Box key={role} sx={{ display: 'contents' }}>
        <Typography component="dt" sx={{ fontWeight: 600 }}>
          {capital(spoken.people.roles[role])}
        </Typography>
        <Typography component="dd" color="textSecondary" sx={{ m: 0 }}>
          {spoken.people.may[role]}
        </Typography>
      </Box>
    ))}
  </Box>
);
