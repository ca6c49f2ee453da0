import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { SharedSpot, SpotValues } from '@orbis/contract';
import { newSpot, SpotForm } from './SpotForm.tsx';

/** What is said of a spot that many pages have. */
export interface SharedSaid extends SpotValues {
  name: string;
  under: string;
  takesIn: boolean;
}

/** Says which pages have a spot, how large it is on each, and where; with a name where it is a new one. */
export function SharedSpotForm({
  spot = { ...newSpot, under: '' },
  label,
  button,
  isNew = false,
  save,
}: {
  spot?: Pick<SharedSpot, 'under' | 'widths' | 'heights' | 'selector'>;
  label: string;
  button: string;
  isNew?: boolean;
  /** Saves it, and says what is there then. */
  save: (said: SharedSaid) => Promise<string>;
}) {
  const [under, setUnder] = useState(spot.under);
  const [takesIn, setTakesIn] = useState(false);
  const path = under.trim().replace(/^\/+/, '');
  return (
    <SpotForm
      spot={spot}
      label={label}
      button={button}
      named={isNew}
      save={(values, name) => save({ ...values, name, takesIn, under: path })}
    >
      <TextField
        label="Only on pages whose paths begin with"
        placeholder="talks/"
        value={under}
        onChange={({ target }) => setUnder(target.value)}
        helperText="Empty for every page of the site, also for those that are added later."
      />
      {isNew && (
        <FormControlLabel
          control={<Switch checked={takesIn} onChange={({ target }) => setTakesIn(target.checked)} />}
          label="Pages that have a spot of this name already have it as said here from now on"
        />
      )}
    </SpotForm>
  );
}
