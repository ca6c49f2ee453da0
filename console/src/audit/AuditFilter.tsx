import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useList } from '../api.ts';

const outcomes = [
  ['', 'Done and refused'],
  ['done', 'Done'],
  ['refused', 'Refused'],
] as const;

/** What the log is searched for: who did it, how it ended, and to what it was done. */
export function AuditFilter({
  search,
  set,
}: {
  search: URLSearchParams;
  set: (name: string, value: string) => void;
}) {
  const people = useList('people.list', { limit: 200 });
  const [person, outcome] = [search.get('person') ?? '', search.get('outcome') ?? ''];
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mb: 3 }}>
      <TextField
        select
        label="Who"
        value={people.items.some(({ id }) => id === person) ? person : ''}
        onChange={({ target }) => set('person', target.value)}
        sx={{ width: { xs: '100%', sm: 220 } }}
      >
        <MenuItem value="">Everybody</MenuItem>
        {people.items.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Outcome"
        value={outcomes.some(([each]) => each === outcome) ? outcome : ''}
        onChange={({ target }) => set('outcome', target.value)}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        sx={{ width: { xs: '100%', sm: 200 } }}
      >
        {outcomes.map(([value, label]) => (
          <MenuItem key={value} value={value}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Done to"
        placeholder="hollinfell/talks"
        value={search.get('thing') ?? ''}
        onChange={({ target }) => set('thing', target.value)}
        sx={{ flex: '1 1 200px' }}
      />
    </Box>
  );
}
