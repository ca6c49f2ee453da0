import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { handName, optionNamed } from '@orbis/core';
import { useState } from 'react';
import type { Draft } from '../draft.ts';

/** Parameters by the provider's own names: for what Orbis has no word for. */
export function HandParameters({
  draft,
  onChange,
}: {
  draft: Draft;
  onChange: (name: string, value: string | null) => void;
}) {
  const [adding, setAdding] = useState('');
  const names = Object.keys(draft).filter((name) => name.startsWith(handName('')));
  const wanted = handName(adding.trim());
  const add = (): void => {
    if (optionNamed(wanted) === null || names.includes(wanted)) return;
    onChange(wanted, '');
    setAdding('');
  };
  return (
    <Stack spacing={1.5}>
      <Typography variant="body2" color="textSecondary">
        What Orbis has no word for: a parameter of the address, by the name that the provider gives it. It is
        kept through all else, and wins over a setting.
      </Typography>
      {names.map((name) => (
        <Box key={name} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <TextField
            fullWidth
            size="small"
            label={name.slice(handName('').length)}
            value={draft[name]}
            onChange={(event) => onChange(name, event.target.value)}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { 'data-option': name } }}
          />
          <Button
            size="small"
            onClick={() => onChange(name, null)}
            aria-label={`Take ${name.slice(handName('').length)} out`}
          >
            Take out
          </Button>
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <TextField
          size="small"
          label="Name of a parameter"
          value={adding}
          onChange={(event) => setAdding(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            add();
          }}
          placeholder="hue"
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <Button size="small" disabled={optionNamed(wanted) === null} onClick={add}>
          Add it
        </Button>
      </Box>
    </Stack>
  );
}
