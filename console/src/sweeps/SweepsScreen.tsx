import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import type { PlacementState, Sweep } from '@orbis/contract';
import { formatSeen, plural, spoken } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { formatWhen } from '../components/when.ts';
import { RunningSweep } from './RunningSweep.tsx';
import { Schedules } from './Schedules.tsx';
import { SweptPages } from './SweptPages.tsx';
import { IfMay } from '../components/IfMay.tsx';

/* Charts are large: they come once the rest is there. */
const PlacementsOverTime = lazy(() => import('./PlacementsOverTime.tsx'));

/** Reading the published pages: begun here, followed live, and what each sweep saw. */
export default function SweepsScreen() {
  const list = useList('sweeps.list', {});
  const [open, setOpen] = useState<string | null>(null);
  const announce = useAnnounce();
  // Also those that somebody else began.
  const running = list.items.filter(({ endedAt }) => endedAt === null);
  const isReadingAll = running.some(({ scope }) => scope === null);

  const sweep = useMutation({
    mutationFn: () => api.call('sweeps.create', { body: {} }),
    onSuccess: () => refresh('sweeps'),
  });
  const onEnd = (ended: Sweep): void => {
    setOpen(ended.id);
    announce(`${plural(ended.read, 'page')} read.`);
  };

  return (
    <>
      <ScreenHead
        title="Sweeps"
        lead="A sweep reads your published pages past every cache, and sees what is really on them."
      >
        <IfMay call="sweeps.create">
          <Button
            variant="contained"
            onClick={() => sweep.mutate()}
            disabled={isReadingAll || sweep.isPending}
          >
            Sweep everything
          </Button>
        </IfMay>
      </ScreenHead>
      <ProblemNote error={list.error ?? sweep.error} />
      <Stack spacing={3}>
        {running.map((each) => (
          <RunningSweep key={each.id} sweep={each} onEnd={onEnd} />
        ))}
        <Schedules />
        <Suspense fallback={null}>
          <PlacementsOverTime />
        </Suspense>
        {list.data && list.items.length === 0 && (
          <Empty title="No sweep yet">
            Publish a page with an embed on it, then sweep: Orbis reads the page, and says what it saw.
          </Empty>
        )}
        {list.items
          .filter((item) => item.endedAt !== null)
          .map((item, i) => {
            const isOpen = open === item.id || (open === null && i === 0);
            return (
              <Card key={item.id}>
                <Box
                  sx={{
                    display: 'flex',
                    justifyContent: 'space-between',
                    gap: 2,
                    flexWrap: 'wrap',
                    alignItems: 'baseline',
                  }}
                >
                  <div>
                    <Typography variant="h3">
                      {formatWhen(item.startedAt ?? item.createdAt)} · {item.scope ?? 'everything'}
                      {item.at !== null && ` at ${item.at}`}
                      {item.state !== 'done' && ` · ${item.state}`}
                    </Typography>
                    <Typography color="textSecondary">{formatCounts(item)}</Typography>
                  </div>
                  <Button size="small" aria-expanded={isOpen} onClick={() => setOpen(isOpen ? '' : item.id)}>
                    {isOpen ? 'Hide what it saw' : 'Show what it saw'}
                  </Button>
                </Box>
                {item.at !== null && (
                  <Typography variant="body2" color="textSecondary">
                    {spoken.readElsewhere(item.at)}
                  </Typography>
                )}
                {isOpen && <SweptPages sweep={item} />}
              </Card>
            );
          })}
      </Stack>
      <More list={list} />
    </>
  );
}

function formatCounts(sweep: Sweep): string {
  const { read, unreachable, counts } = sweep;
  const states = Object.entries(counts)
    .filter(([, count]) => count > 0)
    .map(([state, count]) => `${String(count)} ${formatSeen(state as PlacementState, sweep)}`);
  return `${plural(read, 'page')} read${unreachable > 0 ? `, ${unreachable} could not be read` : ''}${states.length > 0 ? `: ${states.join(', ')}` : ''}`;
}
