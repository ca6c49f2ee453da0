import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { plural } from '@orbis/contract/language';

/** How pages are found: by the site itself, or from what the owner has. */
export type Way = 'sitemap' | 'links' | { list: string };

/** The three ways to find the pages of a site. */
export function WhereToLook({
  isLooking,
  found,
  onLook,
  onStop,
}: {
  isLooking: boolean;
  /** How many were found so far. */
  found: number;
  onLook: (way: Way) => void;
  onStop: () => void;
}) {
  const [list, setList] = useState('');
  return (
    <Stack spacing={2.5}>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 3 }}>
        <AWay
          says="Most sites have a sitemap, a file for search engines that names all of their pages. It takes a moment."
          button="Read its sitemap"
          isOff={isLooking}
          onClick={() => onLook('sitemap')}
        />
        <AWay
          says="Without one, Orbis opens the first page and follows its links, one after another, slowly enough for the site."
          button="Follow its links"
          isOff={isLooking}
          onClick={() => onLook('links')}
        />
      </Box>
      {isLooking && (
        <Box role="status">
          <LinearProgress aria-label="Looking for pages" />
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', mt: 0.5 }}>
            <Typography variant="body2" color="textSecondary">
              {plural(found, 'page')} found so far
            </Typography>
            <Button size="small" onClick={onStop}>
              Stop
            </Button>
          </Box>
        </Box>
      )}
      <TextField
        label="Or a list of your own"
        value={list}
        onChange={(event) => setList(event.target.value)}
        multiline
        minRows={2}
        maxRows={8}
        placeholder={'/talks\n/open-day'}
        slotProps={{ inputLabel: { shrink: true } }}
        helperText="An address or a path in each line, or a table from a spreadsheet with the columns address and title."
      />
      <Button
        variant="outlined"
        disabled={isLooking || list.trim() === ''}
        onClick={() => onLook({ list })}
        sx={{ alignSelf: 'flex-start' }}
      >
        Take the list
      </Button>
    </Stack>
  );
}

const AWay = ({
  says,
  button,
  isOff,
  onClick,
}: {
  says: string;
  button: string;
  isOff: boolean;
  onClick: () => void;
}) => (
  <Box>
    <Typography color="textSecondary" sx={{ mb: 1.5 }}>
      {says}
    </Typography>
    <Button variant="outlined" disabled={isOff} onClick={onClick}>
      {button}
    </Button>
  </Box>
);
