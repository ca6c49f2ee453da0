import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { handName, type Option, type Sheet } from '@orbis/core';
import { optionWords } from '@orbis/contract/language';
import { Disclosure } from '../../components/Disclosure.tsx';
import type { Draft } from '../draft.ts';
import { HandParameters } from '../fields/HandParameters.tsx';
import { fieldGrid } from './Folded.tsx';
import type { OfferedSettings } from './settings-for.ts';

/** The provider’s settings, in its order, and parameters that are set by hand. */
export function WhatItDoes({
  draft,
  sheet,
  settings: { offered, missing },
  field,
  onChange,
}: {
  draft: Draft;
  sheet: Sheet | null;
  settings: OfferedSettings;
  field: (option: Option) => ReactNode;
  onChange: (name: string, value: string | null) => void;
}) {
  const byHand = <HandParameters draft={draft} onChange={onChange} />;
  const hasHand = Object.keys(draft).some((name) => name.startsWith(handName('')));
  return (
    <Stack spacing={2}>
      {!sheet && (
        <Typography color="textSecondary">
          Orbis has no sheet for this provider, so it does not know where its settings go in this code.
        </Typography>
      )}
      <Box sx={fieldGrid}>{offered.map(field)}</Box>
      {sheet && missing.length > 0 && (
        <Typography
          variant="body2"
          color="textSecondary"
          data-missing={missing.map(({ name }) => name).join(' ')}
        >
          {sheet.name} does not offer: {missing.map(({ name }) => optionWords(name).label).join(' · ')}.
        </Typography>
      )}
      {hasHand ? byHand : <Disclosure label="Set a parameter by hand">{byHand}</Disclosure>}
    </Stack>
  );
}
