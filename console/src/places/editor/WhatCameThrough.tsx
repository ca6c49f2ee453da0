import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { SpecimenReading } from '@orbis/contract';

/** What a specimen shows: what it means, what did not come through, and what only the owner can say. */
export function WhatCameThrough({
  reading: { page, rules, meaning, lines, open },
}: {
  reading: SpecimenReading;
}) {
  return (
    <Stack spacing={1.5}>
      <Typography>{meaning}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
        Read on {page}.
      </Typography>
      {rules && lines.length > 0 && (
        <Box component="ul" aria-label="What does not come through as it is" sx={{ m: 0, pl: 2.5 }}>
          {lines.map((line) => (
            <Typography component="li" variant="body2" key={line} sx={{ overflowWrap: 'anywhere' }}>
              {line}
            </Typography>
          ))}
        </Box>
      )}
      {open.length > 0 && (
        <Alert severity={rules ? 'info' : 'warning'} variant="outlined">
          {rules ? 'No specimen shows this, so say it yourself: ' : ''}
          {open.map(({ said }) => said).join(' ')}
        </Alert>
      )}
    </Stack>
  );
}
