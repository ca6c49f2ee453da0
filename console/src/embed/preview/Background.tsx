import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { Swatch } from '../../components/Swatch.tsx';
import { useSiteColours } from '../fields/site-colours.ts';

const white = '#ffffff';

/** Chooses the colour behind a preview: white, or one of the sites’ own. */
export function Background({
  colour,
  onChange,
}: {
  colour: string | null;
  onChange: (colour: string | null) => void;
}) {
  const own = useSiteColours().filter((each) => each !== white);
  return (
    <Box>
      <Typography variant="body2" color="textSecondary" id="behind-it">
        Behind it
      </Typography>
      <Box role="group" aria-labelledby="behind-it" sx={{ display: 'flex', flexWrap: 'wrap', mt: 0.5 }}>
        {[white, ...own].map((each) => (
          <ButtonBase
            key={each}
            aria-label={each === white ? 'White' : each}
            aria-pressed={(colour ?? white) === each}
            onClick={() => onChange(each === white ? null : each)}
            sx={{
              'p': 0.5,
              'borderRadius': '50%',
              '&[aria-pressed=true]': { outline: '2px solid', outlineOffset: -1 },
            }}
          >
            <Swatch colour={each} />
          </ButtonBase>
        ))}
      </Box>
      {own.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          Have <Link to="/places">the colours of a site</Link> read to see it on its own ground.
        </Typography>
      )}
    </Box>
  );
}
