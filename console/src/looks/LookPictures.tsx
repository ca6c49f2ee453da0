import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Look, LookPicture } from '@orbis/contract';
import { lookWidths } from '@orbis/contract/look-widths';
import { spoken } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';
import { formatWhen } from '../components/when.ts';

/** The pictures of a look: one window at a time; with those of another look beside it where one is chosen. */
export function LookPictures({ look, other, title }: { look: Look; other: Look | null; title: string }) {
  const [wanted, setWanted] = useState<LookPicture>('1280');
  const shown = wanted === 'popup' && !look.hasPopUp ? '1280' : wanted;
  const both = other ? [look, other] : [look];
  const width = look.widths.find((each) => `${each.width}` === shown);
  return (
    <Card>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 2 }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Window"
          value={shown}
          onChange={(_event, value: LookPicture | null) => value !== null && setWanted(value)}
        >
          {lookWidths.map((each) => (
            <ToggleButton key={each} value={`${each}`}>
              {spoken.looks.devices[each]}
            </ToggleButton>
          ))}
          {look.hasPopUp && <ToggleButton value="popup">Pop-up</ToggleButton>}
        </ToggleButtonGroup>
        {width && (
          <Typography color="textSecondary">
            {width.width} px wide; while it loads, {spoken.looks.moved(width.moved)}
            {width.over > 0 && `; the page is ${width.over} px wider than the window`}
          </Typography>
        )}
      </Box>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          alignItems: 'start',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: `repeat(${both.length}, minmax(0, 1fr))` },
        }}
      >
        {both.map((each) => (
          <PictureOf key={each.id} look={each} picture={shown} title={title} isNamed={both.length > 1} />
        ))}
      </Box>
    </Card>
  );
}

function PictureOf({
  look,
  picture,
  title,
  isNamed,
}: {
  look: Look;
  picture: LookPicture;
  title: string;
  isNamed: boolean;
}) {
  const width = picture === 'popup' ? 1280 : Number(picture);
  const device = picture === 'popup' ? 'with its pop-up' : `in a window of ${picture} px`;
  const isThere = picture !== 'popup' || look.hasPopUp;
  return (
    <Box component="figure" sx={{ m: 0, minWidth: 0 }}>
      {isNamed && (
        <Typography component="figcaption" color="textSecondary" sx={{ mb: 0.5 }}>
          {formatWhen(look.at)}
        </Typography>
      )}
      {isThere ? (
        <Box
          tabIndex={0}
          role="group"
          aria-label={`Picture of ${title} ${device}, ${formatWhen(look.at)}`}
          sx={{
            maxHeight: '80vh',
            maxWidth: width,
            overflowY: 'auto',
            border: 1,
            borderColor: 'divider',
            borderRadius: 1,
          }}
        >
          <Box
            component="img"
            src={`/api/v1/looks/${look.id}/pictures/${picture}`}
            alt={`${title} ${device}; what is placed is outlined`}
            sx={{ display: 'block', width: '100%' }}
          />
        </Box>
      ) : (
        <Typography>No pop-up came up.</Typography>
      )}
    </Box>
  );
}
