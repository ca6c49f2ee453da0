import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import type { Option } from '@orbis/core';
import type { Draft } from '../draft.ts';
import { Fields } from './Fields.tsx';
import { Folded } from './Folded.tsx';
import { first, groups, type LabelledGroup } from './option-groups.ts';

/** Its size and place first; what fewer people need behind lines that say what it is. */
export function HowItLooks({
  draft,
  isPossible,
  field,
  tools,
}: {
  draft: Draft;
  isPossible: (option: Option) => boolean;
  field: (option: Option) => ReactNode;
  tools: Readonly<Partial<Record<NonNullable<LabelledGroup['tool']>, ReactNode>>>;
}) {
  return (
    <Stack spacing={1.5}>
      <Fields options={first.filter(isPossible)} field={field} />
      {groups.map(({ label, options, tool }) => (
        <Folded
          key={label}
          label={label}
          options={options.filter(isPossible)}
          draft={draft}
          field={field}
          tool={tool && tools[tool]}
        />
      ))}
    </Stack>
  );
}
