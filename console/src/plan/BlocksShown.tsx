import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { PagePlan } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';

/** What a page shows beside its own: blocks, each with steps of its own. */
export const BlocksShown = ({ shows }: Pick<PagePlan, 'shows'>) =>
  shows.map((block) => (
    <Typography key={block.page} color="textSecondary">
      {spoken.blocks.shows(block)}{' '}
      <MuiLink component={Link} to={`/plan?page=${encodeURIComponent(block.page)}`}>
        What “{block.title}” needs
      </MuiLink>
    </Typography>
  ));
