import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { plural } from '@orbis/contract/language';
import type { NewPage } from './search-pages.ts';

/* So many stand there at first, and come with each “Show more”. */
const shownAtOnce = 30;

/** Pages that are not in the register, to be ticked and added. */
export function FoundPagesList({
  pages,
  isAdding,
  onAdd,
}: {
  pages: readonly NewPage[];
  isAdding: boolean;
  onAdd: (chosen: NewPage[]) => void;
}) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [shown, setShown] = useState(shownAtOnce);
  const chosen = pages.filter(({ key }) => !left.has(key));
  const choose = (key: string, isChosen: boolean): void => {
    const now = new Set(left);
    if (isChosen) now.delete(key);
    else now.add(key);
    setLeft(now);
  };
  return (
    <Stack spacing={2}>
      {pages.length > 1 && (
        <Box>
          <FormControlLabel
            control={
              <Checkbox
                checked={chosen.length === pages.length}
                indeterminate={chosen.length > 0 && chosen.length < pages.length}
                onChange={(_, all) => setLeft(all ? new Set() : new Set(pages.map(({ key }) => key)))}
              />
            }
            label="All of them"
          />
        </Box>
      )}
      <Box
        component="ul"
        sx={{
          m: 0,
          p: 0,
          listStyle: 'none',
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' },
          columnGap: 3,
        }}
      >
        {pages.slice(0, shown).map(({ key, title }) => (
          <Box component="li" key={key} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
            <FormControlLabel
              sx={{ mr: 0, width: 1, alignItems: 'flex-start' }}
              slotProps={{ typography: { component: 'div', sx: { minWidth: 0, pt: 1 } } }}
              control={<Checkbox checked={!left.has(key)} onChange={(_, on) => choose(key, on)} />}
              label={
                <>
                  {title}
                  <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
                    {key}
                  </Typography>
                </>
              }
            />
          </Box>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          loading={isAdding}
          disabled={chosen.length === 0}
          onClick={() => onAdd(chosen)}
        >
          Add {plural(chosen.length, 'page')}
        </Button>
        {pages.length > shown && (
          <Button onClick={() => setShown(shown + 10 * shownAtOnce)}>
            Show more of {plural(pages.length, 'page')}
          </Button>
        )}
      </Box>
    </Stack>
  );
}
