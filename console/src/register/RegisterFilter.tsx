import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { formatState } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { knownStates, stateIn } from './known-states.ts';

interface Props {
  /** What is asked for, as it stands in the address. */
  search: URLSearchParams;
  setSearch: (search: URLSearchParams, options: { replace: boolean }) => void;
}

/** Which placements the register shows: in one state, on one site, or loading from one host. */
export function RegisterFilter({ search, setSearch }: Props) {
  const sites = useList('sites.list', {}).items;
  const set = (name: string, value: string): void => {
    const next = new URLSearchParams(search);
    if (value === '') next.delete(name);
    else next.set(name, value);
    setSearch(next, { replace: true });
  };
  const site = search.get('site') ?? '';
  const state = stateIn(search);
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 3 }}>
      <TextField
        select
        label="State"
        value={state ?? ''}
        onChange={({ target }) => set('state', target.value)}
        sx={{ flex: '0 1 220px' }}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">Every state</MenuItem>
        {knownStates.map((known) => (
          <MenuItem key={known} value={known}>
            {formatState(known)}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Site"
        value={sites.some(({ key }) => key === site) ? site : ''}
        onChange={({ target }) => set('site', target.value)}
        sx={{ flex: '0 1 260px' }}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">All sites</MenuItem>
        {sites.map(({ key, name }) => (
          <MenuItem key={key} value={key}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Loads from the host"
        placeholder="any"
        value={search.get('host') ?? ''}
        onChange={({ target }) => set('host', target.value)}
        sx={{ flex: '0 1 260px' }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
    </Box>
  );
}
