import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import type { ComposedDraft } from './composed-draft.ts';
import { LeavingAsks } from './LeavingAsks.tsx';
import type { RouteName } from '@orbis/contract';
import { IfMayElseWho } from '../components/IfMayElseWho.tsx';
import { useMay } from '../session.ts';

/** What is done with a draft: saved, or gone back from. */
export function SaveBar({
  work,
  call,
  site,
  isSaving,
  label,
  backLabel,
  onSave,
  children,
}: {
  work: Pick<ComposedDraft, 'changed' | 'fits' | 'reset'>;
  /** The operation by which it is saved, and the site that it is about, where it is about one. */
  call: RouteName;
  site?: string;
  isSaving: boolean;
  label: string;
  backLabel: string;
  onSave: () => void;
  /** What is to be said of it. */
  children?: ReactNode;
}) {
  const { changed, fits, reset } = work;
  const may = useMay();
  return (
    <Stack spacing={1.25} sx={{ px: 2.5, py: 1.75, borderTop: 1, borderColor: 'divider' }}>
      {children}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <IfMayElseWho call={call} {...(site !== undefined && { site })}>
          <Button variant="contained" disabled={!changed || !fits || isSaving} onClick={onSave}>
            {label}
          </Button>
        </IfMayElseWho>
        {changed && <Button onClick={reset}>{backLabel}</Button>}
      </Box>
      <LeavingAsks when={changed && !isSaving && may(call, site)} />
    </Stack>
  );
}
