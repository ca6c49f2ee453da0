import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { EmbedSummary } from '@orbis/contract';
import { plural } from '@orbis/contract/language';

/** One embed in the collection, which can be ticked to be changed together with others. */
export function EmbedRow({
  embed,
  chosen,
  onChoose,
}: {
  embed: EmbedSummary;
  chosen: boolean;
  onChoose: (on: boolean) => void;
}) {
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
          'display': 'grid',
          'gridTemplateColumns': { xs: '1fr auto', md: 'minmax(0,2.2fr) 1fr 1fr 1.4fr' },
          'flex': 1,
          'minWidth': 0,
          'columnGap': 3,
          'alignItems': 'baseline',
          'pl': 0.5,
          'pr': { xs: 2, sm: 3 },
          'py': 1.75,
          'textDecoration': 'none',
          'color': 'text.primary',
          '&:hover': { bgcolor: 'action.hover' },
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
          {embed.level === 'error' && (
            <Typography component="span" color="error">
              {' '}
              needs mending
            </Typography>
          )}
        </Box>
        <Typography component="span" color="textSecondary">
          {embed.kind}
        </Typography>
        <Typography component="span" color="textSecondary" sx={{ gridColumn: { xs: 1, md: 'auto' } }}>
          {embed.placements === 0
            ? 'not placed'
            : `placed ${embed.placements === 1 ? 'once' : plural(embed.placements, 'time')}`}
        </Typography>
        <Typography component="span" color="textSecondary" noWrap sx={{ gridColumn: { xs: 1, md: 'auto' } }}>
          {embed.tags.join(', ')}
        </Typography>
      </Box>
    </Box>
  );
}
