import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { Inspection } from '@orbis/contract';
import { follow } from '@orbis/contract/events';
import { spoken } from '@orbis/contract/language';
import { api, refresh, sendToSignIn } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** How far the check of a site is, whoever began it; it is stopped here. */
export function RunningInspection({
  inspection: begun,
  onEnd,
}: {
  inspection: Inspection;
  onEnd: (ended: Inspection) => void;
}) {
  const [live, setLive] = useState(begun);
  const { id } = begun;
  const told = useRef(onEnd);
  useEffect(() => {
    const leaving = new AbortController();
    void watch(id, setLive, leaving.signal).then(async (ended) => {
      if (!ended) return;
      await refresh('inspections');
      told.current(ended);
    }, sendToSignIn);
    return () => leaving.abort();
  }, [id]);
  const stop = useMutation({
    mutationFn: () => api.call('inspections.stop', { params: { inspection: id } }),
  });
  const { of, done } = live.readAt === null ? live.pages : live.looks;
  return (
    <Card
      title={live.readAt === null ? 'Reading its pages' : 'Looking at pages with a browser'}
      action={
        <Button onClick={() => stop.mutate()} disabled={stop.isPending || stop.isSuccess}>
          Stop
        </Button>
      }
    >
      <LinearProgress
        variant="determinate"
        aria-label={`Check of ${live.site}`}
        value={of > 0 ? (100 * done) / of : 0}
      />
      <Typography sx={{ mt: 1.5 }} aria-live="polite">
        {spoken.inspections.progress(live)}
      </Typography>
      <ProblemNote error={stop.error} />
    </Card>
  );
}

/* Until it has ended, or nobody looks any more: then null. */
async function watch(
  id: string,
  onChange: (now: Inspection) => void,
  signal: AbortSignal,
): Promise<Inspection | null> {
  const events = follow(
    api,
    'inspections.events',
    { params: { inspection: id }, signal },
    ({ endedAt }) => endedAt !== null,
  );
  for await (const now of events) {
    onChange(now);
    if (now.endedAt !== null) return now;
  }
  return null;
}
