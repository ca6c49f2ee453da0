import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Choosable } from './choosable.ts';
import { EmbedPicture } from './EmbedPicture.tsx';
import { placedWords } from './placed-words.ts';
import { whatItIs } from './what-it-is.ts';
import { WorstFinding } from './WorstFinding.tsx';

/** One embed in the collection, which can be ticked to be changed together with others. */
export function EmbedRow({ embed, chosen, onChoose }: Choosable) {
  return (
    <Box
      component="li"
      sx={{
        'display': 'flex',
        'alignItems': 'center',
        '&:not(:last-child)': { borderBottom: 1, borderColor: 'divider' },
      }}
    >
      <Checkbox
        size="small"
        checked={chosen}
        onChange={(_, on) => onChoose(on)}
        slotProps={{ input: { 'aria-label': `Choose ${embed.name}` } }}
        sx={{ ml: 0.5 }}
      />
      <Box
        component={Link}
        to={`/collection/${embed.key}`}
        sx={{
          'display': 'flex',
          'flex': 1,
          'minWidth': 0,
          'gap': 2,
          'alignItems': 'center',
          'pl': 0.5,
          'pr': { xs: 2, sm: 3 },
          'py': 1.25,
          'textDecoration': 'none',
          'color': 'text.primary',
          '&:hover': { bgcolor: 'action.hover' },
        }}
      >
        <EmbedPicture embed={embed} width={72} />
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', md: 'minmax(0,2.2fr) 1.4fr 1fr 1.2fr' },
            flex: 1,
            minWidth: 0,
            columnGap: 3,
            alignItems: 'baseline',
          }}
        >
          <Box sx={{ minWidth: 0 }}>
            <Typography component="span" sx={{ fontWeight: 700 }}>
              {embed.name}
            </Typography>
            {embed.retired && (
              <Typography component="span" color="textSecondary">
                {' '}
                (retired)
              </Typography>
            )}
            <WorstFinding level={embed.level} />
          </Box>
          <Typography component="span" color="textSecondary">
            {whatItIs(embed)}
          </Typography>
          <Typography component="span" color="textSecondary">
            {placedWords(embed)}
          </Typography>
          <Typography component="span" color="textSecondary" noWrap>
            {embed.tags.join(', ')}
          </Typography>
        </Box>
      </Box>
    </Box>
  );
}
