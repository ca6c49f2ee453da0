import Stack from '@mui/material/Stack';
import { lazy, Suspense } from 'react';
import type { Placement } from '@orbis/contract';
import { Waiting } from '../components/Waiting.tsx';
import { PlacementRow } from './PlacementRow.tsx';

/* It is large, and a phone has no room for it. */
const PlacementsTable = lazy(() => import('./table/PlacementsTable.tsx'));

/** What the register shows, as a table or one below the other. */
export const Placements = ({ placements, as }: { placements: readonly Placement[]; as: 'table' | 'list' }) =>
  as === 'table' ? (
    <Suspense fallback={<Waiting />}>
      <PlacementsTable placements={placements} />
    </Suspense>
  ) : (
    <Stack spacing={1.5}>
      {placements.map((placement) => (
        <PlacementRow key={placement.id} placement={placement} />
      ))}
    </Stack>
  );
