import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import type { ComposedDraft } from './composed-draft.ts';
import { LeavingAsks } from './LeavingAsks.tsx';

/** What is done with a draft: saved, or gone back from. */
export function SaveBar({
  work,
  isSaving,
  label,
  backLabel,
  onSave,
  children,
}: {
  work: Pick<ComposedDraft, 'changed' | 'fits' | 'reset'>;
  isSaving: boolean;
  label: string;
  backLabel: string;
  onSave: () => void;
  /** What is to be said of it. */
  children?: ReactNode;
}) {
  const { changed, fits, reset } = work;
  return (
    <Stack spacing={1.25} sx={{ px: 2.5, py: 1.75, borderTop: 1, borderColor: 'divider' }}>
      {children}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button variant="contained" disabled={!changed || !fits || isSaving} onClick={onSave}>
          {label}
        </Button>
        {changed && <Button onClick={reset}>{backLabel}</Button>}
      </Box>
      <LeavingAsks when={changed && !isSaving} />
    </Stack>
  );
}
