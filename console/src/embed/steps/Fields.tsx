import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Option } from '@orbis/core';
import { fieldGrid } from './Folded.tsx';

/** The fields of a step; where this code can have none of them, why. */
export function Fields({
  options,
  field,
}: {
  options: readonly Option[];
  field: (option: Option) => ReactNode;
}) {
  if (options.length === 0)
    return (
      <Typography color="textSecondary">
        It stands over the page and not in a place on it, so there is nothing to choose here.
      </Typography>
    );
  return <Box sx={fieldGrid}>{options.map(field)}</Box>;
}
