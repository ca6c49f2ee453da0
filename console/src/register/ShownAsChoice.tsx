import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { ShownAs } from './use-shown-as.ts';

/** Chooses whether the register is a table or a list; the address keeps it. */
export function ShownAsChoice({
  as,
  search,
  setSearch,
}: {
  as: ShownAs;
  search: URLSearchParams;
  setSearch: (search: URLSearchParams, options: { replace: boolean }) => void;
}) {
  const show = (next: ShownAs): void => {
    const asked = new URLSearchParams(search);
    if (next === 'list') asked.set('as', next);
    else asked.delete('as');
    setSearch(asked, { replace: true });
  };
  return (
    <ToggleButtonGroup
      size="small"
      exclusive
      aria-label="How they are shown"
      value={as}
      onChange={(_, next: ShownAs | null) => next !== null && show(next)}
    >
      <ToggleButton value="table" sx={narrow}>
        Table
      </ToggleButton>
      <ToggleButton value="list" sx={narrow}>
        List
      </ToggleButton>
    </ToggleButtonGroup>
  );
}

const narrow = { px: 1.5, py: 0.5 };
