import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Embed } from '@orbis/contract';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { PlacePicker } from './PlacePicker.tsx';
import { PlacementRow } from '../register/PlacementRow.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** Where an embed is, and the way to put it somewhere else. */
export function Placements({ embed }: { embed: Embed }) {
  const placements = useList('placements.list', { embed: embed.key });
  const anywhere = useList('pages.list', {});
  const [place, setPlace] = useState('');
  const announce = useAnnounce();
  const taken = new Set(placements.items.map((p) => p.place));
  const hasSpots = anywhere.items.some((page) => page.spots.length > 0);
  const put = useMutation({
    mutationFn: async () =>
      (await api.call('placements.create', { body: { embed: embed.key, place: place.trim() } })).data,
    onSuccess: async (placement) => {
      setPlace('');
      await refresh('placements');
      await announce.done(
        `Placed in ${placement.place}. Copy its code, and paste it there.${
          placement.beside.length === 0 ? '' : ` In the same spot already: ${placement.beside.join(', ')}.`
        }`,
      );
    },
  });
  if (placements.isPending || anywhere.isPending) return <Waiting />;
  return (
    <Stack spacing={2}>
      {placements.items.length === 0 && (
        <Typography color="textSecondary">It is not placed anywhere yet.</Typography>
      )}
      {placements.items.map((placement) => (
        <PlacementRow key={placement.id} placement={placement} showEmbed={false} />
      ))}
      <IfMay call="placements.create">
        {anywhere.last?.next === null && !hasSpots && taken.size === 0 ? (
          <Typography>
            There is no spot yet. <Link to="/places">Say where your pages have room</Link>, then place it
            there.
          </Typography>
        ) : (
          <Box
            component="form"
            sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}
            onSubmit={(event) => (event.preventDefault(), put.mutate())}
          >
            <PlacePicker place={place} taken={taken} onChange={setPlace} />
            <Button
              type="submit"
              variant="outlined"
              disabled={!place.includes('#') || put.isPending}
              sx={{ height: 40 }}
            >
              Place
            </Button>
          </Box>
        )}
      </IfMay>
      <ProblemNote error={put.error} />
    </Stack>
  );
}
