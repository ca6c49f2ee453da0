import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import type { Option } from '@orbis/core';
import type { Draft } from '../draft.ts';
import { Fields } from './Fields.tsx';
import { Folded } from './Folded.tsx';
import { first, groups } from './option-groups.ts';

/** Its size and place first; what fewer people need behind lines that say what it is. */
export function HowItLooks({
  draft,
  isPossible,
  field,
}: {
  draft: Draft;
  isPossible: (option: Option) => boolean;
  field: (option: Option) => ReactNode;
}) {
  return (
    <Stack spacing={1.5}>
      <Fields options={first.filter(isPossible)} field={field} />
      {groups.map(({ label, options }) => (
        <Folded key={label} label={label} options={options.filter(isPossible)} draft={draft} field={field} />
      ))}
    </Stack>
  );
}
