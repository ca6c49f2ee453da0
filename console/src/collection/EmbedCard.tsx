import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { capital } from '@orbis/contract/language';
import type { Choosable } from './choosable.ts';
import { EmbedPicture } from './EmbedPicture.tsx';
import { placedWords } from './placed-words.ts';
import { whatItIs } from './what-it-is.ts';
import { WorstFinding } from './WorstFinding.tsx';

/** One embed in the collection as a picture, which can be ticked to be changed together with others. */
export function EmbedCard({ embed, chosen, onChoose }: Choosable) {
  return (
    <Paper component="li" variant="outlined" sx={{ position: 'relative', minWidth: 0 }}>
      <Box
        component={Link}
        to={`/collection/${embed.key}`}
        sx={{
          'display': 'block',
          'p': 1.5,
          'pb': 1.25,
          'textDecoration': 'none',
          'color': 'text.primary',
          'borderRadius': 'inherit',
          '&:hover': { bgcolor: 'action.hover' },
        }}
      >
        <EmbedPicture embed={embed} width="100%" />
        <Typography noWrap sx={{ fontWeight: 700, mt: 1.25 }}>
          {embed.name}
          {embed.retired && ' (retired)'}
        </Typography>
        <Typography variant="body2" color="textSecondary" noWrap>
          {whatItIs(embed)}
        </Typography>
        <Typography variant="body2" color="textSecondary" noWrap sx={{ pr: 4 }}>
          {capital(placedWords(embed))}
        </Typography>
        <WorstFinding level={embed.level} />
      </Box>
      <Checkbox
        size="small"
        checked={chosen}
        onChange={(_, on) => onChoose(on)}
        slotProps={{ input: { 'aria-label': `Choose ${embed.name}` } }}
        sx={{ position: 'absolute', right: 4, bottom: 4 }}
      />
    </Paper>
  );
}
