import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Option } from '@orbis/core';
import { Disclosure } from '../../components/Disclosure.tsx';
import type { Draft } from '../draft.ts';

/** How fields stand beside each other. */
export const fieldGrid = { display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 };

/** Fields behind a line that says what they are about, until one of them is set. */
export function Folded({
  label,
  options,
  draft,
  field,
}: {
  label: string;
  options: readonly Option[];
  draft: Draft;
  field: (option: Option) => ReactNode;
}) {
  if (options.length === 0) return null;
  const fields = <Box sx={fieldGrid}>{options.map(field)}</Box>;
  return options.some(({ name }) => draft[name] !== undefined) ? (
    fields
  ) : (
    <Disclosure label={label}>{fields}</Disclosure>
  );
}
