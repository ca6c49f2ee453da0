import Autocomplete from '@mui/material/Autocomplete';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { PageShown } from '@orbis/contract';
import { usePagesBeginning } from '../pages-beginning.ts';
import { PlaceOnPage } from './PlaceOnPage.tsx';
import type { View } from './view.ts';

/** Chooses the published page in which an embed is shown, and where on it. */
export function PageChooser({
  view,
  page,
  onChange,
}: {
  view: View;
  page: PageShown | null;
  onChange: (part: Partial<View>) => void;
}) {
  const [typed, setTyped] = useState(view.page ?? '');
  const pages = usePagesBeginning(typed);
  return (
    <Stack spacing={1.5}>
      <Autocomplete
        openOnFocus
        options={pages.map(({ key }) => key)}
        filterOptions={(all) => all}
        value={view.page}
        inputValue={typed}
        onInputChange={(_, text) => setTyped(text)}
        onChange={(_, key) => onChange({ page: key, beside: null })}
        noOptionsText="None of your pages begins so. Pages are declared under Places."
        renderInput={(params) => <TextField {...params} label="Page" placeholder="site/page" size="small" />}
      />
      {page !== null && <PlaceOnPage view={view} page={page} onChange={onChange} />}
    </Stack>
  );
}
