import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { usePagesBeginning } from './pages-beginning.ts';

interface Props {
  label?: string;
  place: string;
  /** Places that are not offered. */
  taken: ReadonlySet<string>;
  onChange: (place: string) => void;
}

/** Chooses a spot: from those whose page begins as was typed, however many pages there are. */
export function PlacePicker({ label = 'Place it in', place, taken, onChange }: Props) {
  const spots = usePagesBeginning(place)
    .flatMap((page) => page.spots.map(({ key }) => key))
    .filter((key) => !taken.has(key));
  return (
    <Autocomplete
      freeSolo
      openOnFocus
      options={spots}
      inputValue={place}
      onInputChange={(_, typed) => onChange(typed)}
      // The service has chosen by the page; what is typed behind it chooses the spot.
      filterOptions={(all) => all.filter((key) => key.startsWith(place.trim()))}
      sx={{ flex: 1, minWidth: 200 }}
      renderInput={(params) => <TextField {...params} label={label} placeholder="site/page#spot" />}
    />
  );
}
