import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { kinds, type Kind, type Level } from '@orbis/core';

/** The levels of findings, the worst first, as the collection calls them. */
export const levels = [
  ['error', 'Needs mending'],
  ['warning', 'Needs a look'],
  ['note', 'Worth knowing'],
] as const;

/** What the collection is searched by. */
export function Filter({
  q,
  kind,
  level,
  onChange,
}: {
  q: string;
  kind: Kind | undefined;
  level: Level | undefined;
  onChange: (name: 'q' | 'kind' | 'level', value: string) => void;
}) {
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 180px 200px' }, gap: 2, mb: 3 }}>
      <TextField
        label="Search"
        value={q}
        onChange={(e) => onChange('q', e.target.value)}
        placeholder="a word, or tag=talks placed=no"
        helperText="Words in name, notes or tags; or field=value, with “or”, brackets, and “-” for not."
      />
      <TextField
        label="Kind"
        select
        value={kind ?? ''}
        onChange={(e) => onChange('kind', e.target.value)}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">Every kind</MenuItem>
        {kinds.map((known) => (
          <MenuItem key={known} value={known}>
            {known}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Findings"
        select
        value={level ?? ''}
        onChange={(e) => onChange('level', e.target.value)}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">Any or none</MenuItem>
        {levels.map(([known, label]) => (
          <MenuItem key={known} value={known}>
            {label}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}
