import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Placement } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { PlacePicker } from '../embed/PlacePicker.tsx';

/** A note about a placement, whether it is paused, and the way to another spot. */
export function AtThisPlace({ placement, etag }: { placement: Placement; etag: string }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 2, alignItems: 'flex-start' }}>
      <PauseButton placement={placement} etag={etag} />
      <Disclosure label={placement.note === '' ? 'Note something about it here' : 'Change the note'}>
        <Note placement={placement} etag={etag} />
      </Disclosure>
      <Disclosure label="Move it to another spot">
        <MoveTo placement={placement} etag={etag} />
      </Disclosure>
    </Box>
  );
}

interface Props {
  placement: Placement;
  etag: string;
}

function PauseButton({ placement: { id, place, embedName, pausedAt }, etag }: Props) {
  const announce = useAnnounce();
  const isPaused = pausedAt !== null;
  const work = useMutation({
    mutationFn: () =>
      api.call('placements.change', {
        params: { placement: id },
        body: { paused: !isPaused },
        ifMatch: etag,
      }),
    onSuccess: async () => {
      await refresh('placements');
      await announce.done(
        isPaused
          ? `${embedName} is to stand in ${place} again: its page says what to paste.`
          : `${embedName} is paused in ${place}: its page says what to take out.`,
      );
    },
  });
  return (
    <>
      <Button size="small" loading={work.isPending} onClick={() => work.mutate()} sx={{ ml: -0.75 }}>
        {isPaused ? 'Let it go on' : 'Pause it here'}
      </Button>
      <ProblemNote error={work.error} />
    </>
  );
}

function Note({ placement: { id, note: saved, place }, etag }: Props) {
  const announce = useAnnounce();
  const [note, setNote] = useState(saved);
  const save = useMutation({
    mutationFn: () =>
      api.call('placements.change', { params: { placement: id }, body: { note }, ifMatch: etag }),
    onSuccess: async () => {
      await refresh('placements');
      await announce.done(`Noted for ${place}.`);
    },
  });
  return (
    <Box
      component="form"
      sx={{ display: 'flex', gap: 1.5, flex: '1 1 100%', alignItems: 'flex-start' }}
      onSubmit={(event) => (event.preventDefault(), save.mutate())}
    >
      <TextField
        label="Note"
        multiline
        maxRows={4}
        value={note}
        onChange={({ target }) => setNote(target.value)}
        helperText="For you and your colleagues: visitors never see it."
        slotProps={{ htmlInput: { maxLength: 2000 } }}
        sx={{ flex: 1 }}
      />
      <Button
        type="submit"
        variant="outlined"
        loading={save.isPending}
        disabled={note.trim() === saved}
        sx={{ height: 40 }}
      >
        Save the note
      </Button>
      <ProblemNote error={save.error} />
    </Box>
  );
}

function MoveTo({ placement: { id, place: from, embedName }, etag }: Props) {
  const announce = useAnnounce();
  const navigate = useNavigate();
  const [place, setPlace] = useState('');
  const move = useMutation({
    mutationFn: async () =>
      (
        await api.call('placements.move', {
          params: { placement: id },
          body: { place: place.trim() },
          ifMatch: etag,
        })
      ).data,
    onSuccess: async (moved) => {
      await navigate(`/register/${moved.id}`, { replace: true });
      await refresh('placements');
      await announce.done(
        `${embedName} is to stand in ${moved.place} now. Take its code out of ${from}, and paste the new one.`,
      );
    },
  });
  return (
    <Box sx={{ flex: '1 1 100%' }}>
      <Box
        component="form"
        sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', flexWrap: 'wrap' }}
        onSubmit={(event) => (event.preventDefault(), move.mutate())}
      >
        <PlacePicker label="Move it to" place={place} taken={new Set([from])} onChange={setPlace} />
        <Button
          type="submit"
          variant="outlined"
          loading={move.isPending}
          disabled={!place.includes('#')}
          sx={{ height: 40 }}
        >
          Move
        </Button>
      </Box>
      <ProblemNote error={move.error} />
    </Box>
  );
}
