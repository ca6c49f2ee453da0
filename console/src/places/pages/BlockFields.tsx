import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { BlockPlacing } from '@orbis/contract';

type Which = 'every' | 'under' | 'seen';

const whichOf = ({ under }: BlockPlacing): Which =>
  under === null ? 'seen' : under === '' ? 'every' : 'under';

/** Says which pages show a block, and where on them. */
export function BlockFields({
  block,
  change,
}: {
  block: BlockPlacing;
  change: (block: BlockPlacing) => void;
}) {
  const [which, setWhich] = useState(whichOf(block));
  const choose = (next: Which): void => {
    setWhich(next);
    change({ ...block, under: next === 'seen' ? null : '' });
  };
  return (
    <>
      <TextField
        select
        label="Which pages show it"
        value={which}
        onChange={({ target }) => choose(target.value as Which)}
        sx={{ flex: '1 1 240px' }}
      >
        <MenuItem value="every">Every page of the site</MenuItem>
        <MenuItem value="under">Pages of one part of the site</MenuItem>
        <MenuItem value="seen">Those on which Orbis sees it</MenuItem>
      </TextField>
      {which === 'under' && (
        <TextField
          label="Their paths begin with"
          placeholder="talks/"
          value={block.under ?? ''}
          helperText="Empty for every page of the site."
          onChange={({ target }) => change({ ...block, under: target.value.trim().replace(/^\/+/, '') })}
          sx={{ flex: '1 1 160px' }}
        />
      )}
      <TextField
        select
        label="Where on these pages"
        value={block.stands}
        onChange={({ target }) => change({ ...block, stands: target.value as BlockPlacing['stands'] })}
        sx={{ flex: '1 1 200px' }}
      >
        <MenuItem value="before">Before what is their own</MenuItem>
        <MenuItem value="after">After what is their own</MenuItem>
      </TextField>
    </>
  );
}
