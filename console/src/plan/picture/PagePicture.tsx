import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Page, PageArea, PageSurvey, Placement } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { areaAround, areaOfSpot } from './areas.ts';
import { ChosenArea } from './ChosenArea.tsx';
import { PictureOfSpots } from './PictureOfSpots.tsx';

/** A page as a picture of its spots, with what is in each; what is pointed at in it becomes a spot. */
export function PagePicture({
  page,
  survey,
  placed,
}: {
  page: Page;
  survey: PageSurvey;
  placed: readonly Pick<Placement, 'place' | 'embedName'>[];
}) {
  const [chosen, setChosen] = useState<PageArea | null>(null);
  const found = page.spots.map((spot) => ({ spot, area: areaOfSpot(spot, survey) }));
  const shown = found.flatMap(({ spot: { name, key }, area }) =>
    area
      ? [
          {
            name,
            area,
            embeds: placed.filter(({ place }) => place === key).map(({ embedName }) => embedName),
          },
        ]
      : [],
  );
  const unsaid = found.filter(({ spot }) => spot.selector === null);
  const gone = found.filter(({ spot, area }) => spot.selector !== null && area === null);
  return (
    <Stack spacing={2}>
      <PictureOfSpots survey={survey} title={page.title} spots={shown} chosen={chosen} onChoose={setChosen} />
      <TextField
        select
        label="Point at a part of the page, or choose it"
        value={chosen?.selector ?? ''}
        onChange={({ target }) =>
          setChosen(survey.areas.find(({ selector }) => selector === target.value) ?? null)
        }
      >
        {survey.areas.map(({ selector, words, widths }) => (
          <MenuItem key={selector} value={selector}>
            {words === '' ? selector : `“${words}”`}
            {widths.desktop !== null && `, ${widths.desktop} px`}
          </MenuItem>
        ))}
      </TextField>
      {chosen && (
        <ChosenArea
          key={chosen.selector}
          page={page}
          area={chosen}
          around={areaAround(survey.areas, chosen)}
          onChoose={setChosen}
          onDone={() => setChosen(null)}
        />
      )}
      {unsaid.length > 0 && (
        <Typography variant="body2" color="textSecondary">
          Nobody said yet where {unsaid.map(({ spot }) => `“${spot.name}”`).join(' and ')}{' '}
          {unsaid.length === 1 ? 'is' : 'are'}: point at the place, and choose the spot.
        </Typography>
      )}
      {gone.map(({ spot }) => (
        <Typography key={spot.key} variant="body2" color="warning">
          {spoken.spots.notThere(`“${spot.name}”`)}
        </Typography>
      ))}
    </Stack>
  );
}
