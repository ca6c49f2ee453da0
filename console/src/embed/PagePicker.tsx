import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { usePagesBeginning } from './pages-beginning.ts';

/** Chooses one of the owner’s pages: from those that begin as was typed, however many there are. */
export function PagePicker({
  label,
  placeholder = 'site/page',
  page,
  onChange,
}: {
  label: string;
  /** What stands there while none is chosen. */
  placeholder?: string;
  page: string | null;
  onChange: (page: string | null) => void;
}) {
  const [typed, setTyped] = useState(page ?? '');
  const pages = usePagesBeginning(typed);
  return (
    <Autocomplete
      openOnFocus
      options={pages.map(({ key }) => key)}
      filterOptions={(all) => all}
      value={page}
      inputValue={typed}
      onInputChange={(_, text) => setTyped(text)}
      onChange={(_, key) => onChange(key)}
      noOptionsText="None of your pages begins so. Pages are declared under Places."
      renderInput={(params) => <TextField {...params} label={label} placeholder={placeholder} size="small" />}
    />
  );
}
