import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import type { PageShown } from '@orbis/contract';
import type { View } from './view.ts';

/** Chooses beside which heading or paragraph of a page an embed is shown, and on which side of it. */
export function PlaceOnPage({
  view: { beside },
  page,
  onChange,
}: {
  view: View;
  page: PageShown;
  onChange: (part: Pick<View, 'beside'>) => void;
}) {
  const places = page.places.map(({ words }, at) => ({ at, words }));
  // What was chosen holds at once, before the page is there that shows it.
  const here = places[beside?.at ?? page.at ?? -1] ?? null;
  const side = beside?.side ?? page.side;
  return (
    <>
      <ToggleButtonGroup
        size="small"
        exclusive
        aria-label="Which side"
        value={here === null ? null : side}
        disabled={here === null}
        onChange={(_, chosen: 'before' | 'after' | null) => {
          if (chosen && here) onChange({ beside: { side: chosen, at: here.at } });
        }}
      >
        <ToggleButton value="before">Before</ToggleButton>
        <ToggleButton value="after">After</ToggleButton>
      </ToggleButtonGroup>
      <Autocomplete
        openOnFocus
        options={places}
        getOptionKey={({ at }) => at}
        getOptionLabel={({ words }) => words}
        isOptionEqualToValue={(a, b) => a.at === b.at}
        value={here}
        onChange={(_, place) => onChange({ beside: place && { side, at: place.at } })}
        renderInput={(params) => <TextField {...params} label="Heading or paragraph" size="small" />}
      />
      <Typography variant="body2" color="textSecondary">
        {page.instead && beside === null ? 'It stands instead of its code that is there now. ' : ''}
        You can also click a heading or a paragraph in the preview. Scripts and frames of the page itself are
        left out.
      </Typography>
    </>
  );
}
