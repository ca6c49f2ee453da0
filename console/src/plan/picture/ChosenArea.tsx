import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { measuredWidths } from '@orbis/core';
import type { Page, PageArea } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { newSpot } from '../../places/pages/SpotForm.tsx';

/** What was pointed at in the picture of a page: how wide it is, and making it a spot. */
export function ChosenArea({
  page,
  area,
  around,
  onChoose,
  onDone,
}: {
  page: Page;
  area: PageArea;
  around: PageArea | null;
  onChoose: (area: PageArea) => void;
  onDone: () => void;
}) {
  const announce = useAnnounce();
  const [target, setTarget] = useState('');
  const [name, setName] = useState('');
  const [forAll, setForAll] = useState(false);
  const spot = page.spots.find(({ key }) => key === target) ?? null;
  const { widths, hidden } = measuredWidths(area.widths, spot?.widths ?? newSpot.widths);
  const save = useMutation({
    mutationFn: async () => {
      const { selector } = area;
      if (!spot && forAll) {
        const shared = `${page.key.split('/')[0]}#${name.trim()}`;
        return (await api.call('sharedSpots.create', { body: { key: shared, widths, selector } })).data;
      }
      if (!spot) {
        const body = { key: `${page.key}#${name.trim()}`, widths, selector };
        return (await api.call('spots.create', { body })).data;
      }
      const params = { spot: spot.key };
      const { etag } = await api.call('spots.read', { params });
      const body = { widths, heights: spot.heights, selector };
      return (await api.call('spots.change', { params, body, ifMatch: etag ?? '*' })).data;
    },
    onSuccess: async ({ key }) => {
      onDone();
      await refresh('sites');
      const sentence = spot
        ? `The spot ${key} is there from now on.`
        : forAll
          ? `Every page has the spot “${name.trim()}” now.`
          : `The spot ${key} is there.`;
      await announce.done(sentence);
    },
  });
  return (
    <Box
      component="form"
      aria-label="What you pointed at"
      onSubmit={(event) => (event.preventDefault(), save.mutate())}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}
    >
      <Typography>
        What you pointed at is {spoken.spots.size({ widths, heights: {} })}.
        {hidden.length > 0 && ` ${spoken.spots.hidden(hidden)}`}
      </Typography>
      {around && (
        <Button size="small" onClick={() => onChoose(around)} sx={{ alignSelf: 'flex-start', ml: -0.75 }}>
          Take what is around it
        </Button>
      )}
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          select
          label="It is"
          value={target}
          onChange={(event) => setTarget(event.target.value)}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ flex: '1 1 160px' }}
        >
          <MenuItem value="">a new spot</MenuItem>
          {page.spots.map((each) => (
            <MenuItem key={each.key} value={each.key}>
              the spot “{each.name}”
            </MenuItem>
          ))}
        </TextField>
        {!spot && (
          <TextField
            label="Its name"
            placeholder="main"
            required
            value={name}
            onChange={(event) => setName(event.target.value)}
            sx={{ flex: '1 1 160px' }}
          />
        )}
        {!spot && (
          <FormControlLabel
            control={<Switch checked={forAll} onChange={(event) => setForAll(event.target.checked)} />}
            label="Every page of the site has it there"
          />
        )}
        <Button type="submit" variant="outlined" loading={save.isPending} sx={{ height: 40 }}>
          {spot ? 'It is there' : 'Make it a spot'}
        </Button>
      </Box>
      <ProblemNote error={save.error} />
    </Box>
  );
}
