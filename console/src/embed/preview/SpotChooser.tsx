import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { usePagesBeginning } from '../pages-beginning.ts';
import type { View } from './view.ts';

/** Chooses the spot as wide as which an embed is shown; without one, it has whole screens. */
export function SpotChooser({
  spot,
  onChange,
}: {
  spot: View['spot'];
  onChange: (spot: View['spot']) => void;
}) {
  const [typed, setTyped] = useState(spot?.key ?? '');
  const spots = usePagesBeginning(typed)
    .flatMap((page) => page.spots)
    .filter(({ key }) => key.startsWith(typed.trim()));
  return (
    <Autocomplete
      openOnFocus
      options={spots}
      filterOptions={(all) => all}
      getOptionLabel={({ key }) => key}
      isOptionEqualToValue={(a, b) => a.key === b.key}
      value={spot}
      inputValue={typed}
      onInputChange={(_, text) => setTyped(text)}
      onChange={(_, chosen) => onChange(chosen && { key: chosen.key, widths: chosen.widths })}
      noOptionsText="No spot begins so."
      renderInput={(params) => (
        <TextField {...params} label="As wide as the spot" placeholder="the whole screen" size="small" />
      )}
    />
  );
}
