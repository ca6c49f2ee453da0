import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { formatHeights } from '@orbis/core';
import { api } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { PagePicker } from '../PagePicker.tsx';
import type { TriedSubject } from './subject.ts';

/** Measures how high an embed is, and puts that into the draft: its room is kept free then. */
export function MeasureHeights({
  subject,
  page: itsPage,
  onUse,
}: {
  subject: TriedSubject;
  /** The page on which it stands, where it is about one place. */
  page: string | null;
  onUse: (heights: string) => void;
}) {
  const announce = useAnnounce();
  const [page, setPage] = useState(itsPage);
  const measure = useMutation({
    mutationFn: async () =>
      (
        await api.call('measurements.create', {
          body: { ...subject, ...(page !== null && { on: { page } }) },
        })
      ).data,
    onSuccess: ({ heights, unknown, guess, at }) => {
      if (unknown !== null) return;
      onUse(formatHeights({ at: heights, measured: guess === null ? at.slice(0, 10) : null }));
      announce(guess === null ? 'Measured: so much room is kept free.' : 'A guess is filled in.');
    },
  });
  return (
    <Stack spacing={1}>
      <Typography variant="body2" color="textSecondary">
        Opens it at five widths, in a browser beside Orbis, and fills in “Measured heights”.
      </Typography>
      <PagePicker label="With the fonts and styles of" placeholder="no page" page={page} onChange={setPage} />
      <Box>
        <Button variant="outlined" loading={measure.isPending} onClick={() => measure.mutate()}>
          {measure.data ? 'Measure again' : 'Measure'}
        </Button>
      </Box>
      <ProblemNote error={measure.error} />
      {measure.data && <Typography>{measure.data.unknown ?? measure.data.guess}</Typography>}
    </Stack>
  );
}
