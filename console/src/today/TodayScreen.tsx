import Stack from '@mui/material/Stack';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { useMay } from '../session.ts';
import { Waiting } from '../components/Waiting.tsx';
import { FirstEmbed } from './FirstEmbed.tsx';

/* Who has nothing yet needs none of the words for it. */
const WhatWantsDoing = lazy(async () => ({
  default: (await import('./WhatWantsDoing.tsx')).WhatWantsDoing,
}));
const NotGotThrough = lazy(async () => ({
  default: (await import('./NotGotThrough.tsx')).NotGotThrough,
}));
const CopiesToSee = lazy(async () => ({ default: (await import('./CopiesToSee.tsx')).CopiesToSee }));
const FirstToSee = lazy(async () => ({ default: (await import('./FirstToSee.tsx')).FirstToSee }));
const TermsToSee = lazy(async () => ({ default: (await import('./TermsToSee.tsx')).TermsToSee }));
const OpenLists = lazy(async () => ({ default: (await import('../lists/OpenLists.tsx')).OpenLists }));
const DoneLast = lazy(async () => ({ default: (await import('./DoneLast.tsx')).DoneLast }));

const day = new Intl.DateTimeFormat(undefined, { weekday: 'long', day: 'numeric', month: 'long' });

/** What wants doing, the first thing after signing in; who has nothing yet is led to a first embed. */
export default function TodayScreen() {
  const may = useMay();
  const found = useQuery({
    // Whatever happens to placements may change it.
    queryKey: ['placements', 'today'],
    queryFn: async () => (await api.call('today.read', {})).data,
    refetchInterval: ({ state }) => (state.data && state.data.waiting > 0 ? 2000 : false),
  });
  return (
    <>
      <ScreenHead title="Today" lead={day.format(new Date())} />
      <ProblemNote error={found.error} />
      {found.isPending && <Waiting />}
      {found.data && (
        <Stack spacing={3} sx={{ maxWidth: 820 }}>
          {!found.data.has.seen && <FirstEmbed has={found.data.has} />}
          <Suspense>
            {found.data.undelivered > 0 && <NotGotThrough count={found.data.undelivered} />}
            {found.data.copies !== 'off' && may('copies.list') && <CopiesToSee {...found.data} />}
            {found.data.findings.length > 0 && <FirstToSee today={found.data} />}
            {found.data.has.placements && <WhatWantsDoing today={found.data} />}
            {found.data.terms.length > 0 && <TermsToSee terms={found.data.terms} />}
            {found.data.has.placements && <OpenLists />}
            {found.data.has.embeds && <DoneLast />}
          </Suspense>
        </Stack>
      )}
    </>
  );
}
