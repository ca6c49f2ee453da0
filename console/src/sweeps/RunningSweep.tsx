import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { Sweep } from '@orbis/contract';
import { plural, spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';
import { watchSweep } from './watch.ts';

/** How far a sweep is that has not ended, whoever began it; it is paused, let go on and stopped here. */
export function RunningSweep({ sweep: begun, onEnd }: { sweep: Sweep; onEnd: (sweep: Sweep) => void }) {
  const [live, setLive] = useState(begun);
  const { id } = begun;
  const told = useRef(onEnd);
  useEffect(() => {
    const leaving = new AbortController();
    void watchSweep(id, setLive, leaving.signal).then(
      async (ended) => {
        if (ended.endedAt === null) return;
        await refresh('sweeps');
        told.current(ended);
      },
      () => {},
    );
    return () => leaving.abort();
  }, [id]);
  const tell = useMutation({
    mutationFn: async (what: 'sweeps.pause' | 'sweeps.resume' | 'sweeps.stop') =>
      setLive((await api.call(what, { params: { sweep: id } })).data),
  });
  const isPaused = live.state === 'paused';
  const done = live.read + live.unreachable;
  return (
    <Card
      title={`${isPaused ? 'Paused' : 'Reading your pages'} · ${live.scope ?? 'everything'}${live.at === null ? '' : ` at ${live.at}`}`}
      action={
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button onClick={() => tell.mutate(isPaused ? 'sweeps.resume' : 'sweeps.pause')}>
            {isPaused ? 'Go on' : 'Pause'}
          </Button>
          <Button onClick={() => tell.mutate('sweeps.stop')}>Stop</Button>
        </Box>
      }
    >
      <LinearProgress
        variant="determinate"
        aria-label={`Pages read of ${live.scope ?? 'everything'}`}
        value={live.pages ? (100 * done) / live.pages : 0}
      />
      <Typography sx={{ mt: 1.5 }} aria-live="polite">
        {done} of {plural(live.pages, 'page')}
      </Typography>
      {live.waitsFor.map((each) => (
        <Typography key={each.host} color="textSecondary">
          {spoken.sweepWaits(each, formatWhen)}
        </Typography>
      ))}
      <ProblemNote error={tell.error} />
    </Card>
  );
}
