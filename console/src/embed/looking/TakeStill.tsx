import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { formatTime, parseTime } from '@orbis/core';
import { api } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import type { PlayerTime } from '../player-time.ts';
import type { TriedSubject } from './subject.ts';
import { TakenStill } from './TakenStill.tsx';

/** Takes a picture of what an embed shows, to stand in its place until it loads. */
export function TakeStill({
  subject,
  hasNamed,
  player,
  onUse,
}: {
  subject: TriedSubject;
  /** Whether its provider named a picture. */
  hasNamed: boolean;
  player: PlayerTime;
  /** Puts it into the draft. */
  onUse: (still: string) => void;
}) {
  const announce = useAnnounce();
  const [time, setTime] = useState('');
  const at = time.trim() === '' ? null : parseTime(time);
  const take = useMutation({
    mutationFn: async (of: 'embed' | 'provider') =>
      (await api.call('stills.create', { body: { ...subject, of, ...(at?.ok && { at: at.value }) } })).data,
  });
  const isWrong = at !== null && !at.ok;
  const takeOver = (): void => {
    const now = player.now();
    if (now !== null) setTime(formatTime(Math.round(now * 10) / 10));
  };
  return (
    <Stack spacing={1.5}>
      <Typography variant="body2" color="textSecondary">
        A browser beside Orbis opens it and photographs what it shows.
      </Typography>
      <TextField
        label="Of a film: at"
        value={time}
        onChange={(event) => setTime(event.target.value)}
        error={isWrong}
        helperText={isWrong ? 'A time such as 1:52' : 'A time such as 1:52; without it, as it begins.'}
        slotProps={{
          inputLabel: { shrink: true },
          input: {
            endAdornment: player.tells && (
              <Button size="small" onClick={takeOver} sx={{ whiteSpace: 'nowrap', flex: 'none' }}>
                From here
              </Button>
            ),
          },
        }}
      />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          disabled={isWrong}
          loading={take.isPending}
          onClick={() => take.mutate('embed')}
        >
          Take the picture
        </Button>
        {hasNamed && (
          <Button disabled={take.isPending} onClick={() => take.mutate('provider')}>
            Take the provider’s picture
          </Button>
        )}
      </Box>
      <ProblemNote error={take.error} />
      {take.data && (
        <TakenStill
          still={take.data}
          onInside={() => {
            onUse(take.data.blurred);
            announce('The picture is in the code. Save to keep it.');
          }}
        />
      )}
    </Stack>
  );
}
