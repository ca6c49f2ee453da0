import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import { useState } from 'react';
import { plural } from '@orbis/contract/language';
import { Unfold } from '../../components/Disclosure.tsx';

/** What does not work in what is shown: the first of it, and the rest on demand. */
export function Troubles({ troubles }: { troubles: readonly string[] }) {
  const [open, setOpen] = useState(false);
  if (troubles.length === 0) return null;
  const [first, ...others] = troubles;
  return (
    <Alert severity="warning" variant="outlined" sx={{ mb: 1.5, py: 0, maxHeight: 160, overflow: 'auto' }}>
      {others.length === 0 || !open ? (
        <>
          <Box>{first}</Box>
          {others.length > 0 && (
            <Unfold label={`And ${plural(others.length, 'other thing')}`} onOpen={() => setOpen(true)} />
          )}
        </>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2 }}>
          {troubles.map((trouble) => (
            <li key={trouble}>{trouble}</li>
          ))}
        </Box>
      )}
    </Alert>
  );
}
