import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';
import type { Option } from '@orbis/core';
import { Unfold } from '../../components/Disclosure.tsx';
import type { Draft } from '../draft.ts';

/** How fields stand beside each other. */
export const fieldGrid = { display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 };

/**
 * Fields behind a line that says what they are about, until somebody wants them or one of them is set; then
 * they stay, also where that is taken back.
 */
export function Folded({
  label,
  options,
  draft,
  field,
  tool,
}: {
  label: string;
  options: readonly Option[];
  draft: Draft;
  field: (option: Option) => ReactNode;
  /** What else helps to fill them in. */
  tool?: ReactNode;
}) {
  const isSet = options.some(({ name }) => draft[name] !== undefined);
  const [isOpen, setOpen] = useState(isSet);
  if (isSet && !isOpen) setOpen(true);
  if (options.length === 0) return null;
  return isOpen ? (
    <Box sx={fieldGrid}>
      {tool}
      {options.map(field)}
    </Box>
  ) : (
    <Unfold label={label} onOpen={() => setOpen(true)} />
  );
}
