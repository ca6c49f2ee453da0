import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { SwatchButton } from '../../components/SwatchButton.tsx';
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
          <SwatchButton
            key={each}
            colour={each}
            label={each === white ? 'White' : each}
            chosen={(colour ?? white) === each}
            onChoose={() => onChange(each === white ? null : each)}
          />
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
