import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Popover from '@mui/material/Popover';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Stack from '@mui/material/Stack';
import Down from '@mui/icons-material/ExpandMore';
import { useState } from 'react';
import type { PageShown } from '@orbis/contract';
import { Background } from './Background.tsx';
import { PageChooser } from './PageChooser.tsx';
import { SpotChooser } from './SpotChooser.tsx';
import type { View } from './view.ts';

/* As the button says it, in a word or two. */
const inShort: Readonly<Record<View['shown'], string>> = {
  alone: 'By itself',
  pasted: 'As pasted',
  both: 'Compared',
  page: 'In your page',
};
const labels: Readonly<Record<View['shown'], string>> = {
  alone: 'By itself',
  pasted: 'As it was pasted',
  both: 'Before and after',
  page: 'In your page',
};

/** Chooses how a preview is shown: by itself or in a page, as it was or as it is, on which ground. */
export function ViewChooser({
  view,
  page,
  onChange,
}: {
  view: View;
  /** The page in which it is shown, once it was read. */
  page: PageShown | null;
  onChange: (view: View) => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const set = (part: Partial<View>): void => onChange({ ...view, ...part });
  return (
    <>
      <Button
        size="small"
        variant="text"
        endIcon={<Down />}
        aria-haspopup="dialog"
        aria-expanded={anchor !== null}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ ml: 'auto' }}
      >
        {inShort[view.shown]}
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
        transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        slotProps={{
          paper: { 'role': 'dialog', 'aria-label': 'How it is shown', 'sx': { p: 2.5, width: 360 } },
        }}
      >
        <Stack spacing={2}>
          <RadioGroup
            aria-label="Shown"
            value={view.shown}
            onChange={(_, shown) => set({ shown: shown as View['shown'] })}
          >
            {(Object.keys(labels) as View['shown'][]).map((shown) => (
              <FormControlLabel
                key={shown}
                value={shown}
                control={<Radio size="small" />}
                label={labels[shown]}
              />
            ))}
          </RadioGroup>
          {view.shown === 'page' ? (
            <PageChooser view={view} page={page} onChange={set} />
          ) : (
            <Background colour={view.background} onChange={(background) => set({ background })} />
          )}
          <SpotChooser spot={view.spot} onChange={(spot) => set({ spot })} />
        </Stack>
      </Popover>
    </>
  );
}
