import Box from '@mui/material/Box';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Page } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api } from '../../api.ts';
import { Disclosure } from '../../components/Disclosure.tsx';
import { formatWhen } from '../../components/when.ts';
import { ChangePage } from './ChangePage.tsx';
import { newSpot, SpotForm } from './SpotForm.tsx';
import { SpotItem } from './SpotItem.tsx';
import { IfMay } from '../../components/IfMay.tsx';
import { siteOf } from '../site-of.ts';

/**
 * A page of a site with its spots, and what can be done with it.
 * @param shared the names of the spots that many pages of its site have.
 */
export function PageItem({ page, shared }: { page: Page; shared: readonly string[] }) {
  return (
    <Box component="section" aria-label={page.title} sx={{ borderLeft: 3, borderColor: 'divider', pl: 2 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, alignItems: 'baseline' }}>
        <Typography variant="h3">{page.title}</Typography>
        <MuiLink href={page.url} target="_blank" rel="noreferrer" variant="body2">
          {page.key}
        </MuiLink>
        <MuiLink
          component={Link}
          to={`/plan?page=${encodeURIComponent(page.key)}`}
          variant="body2"
          aria-label={`${page.title} in a picture, and what it needs`}
        >
          Picture, and what it needs
        </MuiLink>
        <Typography variant="body2" color="textSecondary">
          {page.block
            ? `A block. ${spoken.blocks.shownBy(page.block)}`
            : `last read ${formatWhen(page.checkedAt)}`}
        </Typography>
      </Box>
      <Box component="ul" sx={{ m: 0, mt: 0.5, mb: 0.5, pl: 2.5 }}>
        {page.spots.map((spot) => (
          <SpotItem key={spot.key} spot={spot} isShareable={shared.includes(spot.name)} />
        ))}
      </Box>
      <IfMay call="pages.change" site={siteOf(page.key)}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 1.5 }}>
          <Disclosure label="Add a spot">
            <Box sx={{ flex: '1 1 100%' }}>
              <AddSpot page={page.key} />
            </Box>
          </Disclosure>
          <Disclosure label={`Change or remove this ${page.block ? 'block' : 'page'}`}>
            <Box sx={{ flex: '1 1 100%' }}>
              <ChangePage page={page} />
            </Box>
          </Disclosure>
        </Box>
      </IfMay>
    </Box>
  );
}

const AddSpot = ({ page }: { page: string }) => (
  <SpotForm
    spot={newSpot}
    label={`Add a spot to ${page}`}
    button="Add a spot"
    named
    save={async (values, name) => {
      const { data } = await api.call('spots.create', { body: { key: `${page}#${name}`, ...values } });
      return `The spot ${data.key} is there.`;
    }}
  />
);
