import Box from '@mui/material/Box';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Page } from '@orbis/contract';
import { api } from '../../api.ts';
import { AddForm } from '../../components/AddForm.tsx';
import { Disclosure } from '../../components/Disclosure.tsx';
import { formatWhen } from '../../components/when.ts';
import { ChangePage } from './ChangePage.tsx';
import { SpotItem } from './SpotItem.tsx';

/** A page of a site with its spots, and what can be done with it. */
export function PageItem({ page }: { page: Page }) {
  return (
    <Box component="section" aria-label={page.title} sx={{ borderLeft: 3, borderColor: 'divider', pl: 2 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, alignItems: 'baseline' }}>
        <Typography variant="h3">{page.title}</Typography>
        <MuiLink href={page.url} target="_blank" rel="noreferrer" variant="body2">
          {page.key}
        </MuiLink>
        {page.spots.some(({ placements }) => placements > 0) && (
          <MuiLink
            component={Link}
            to={`/plan?page=${encodeURIComponent(page.key)}`}
            variant="body2"
            aria-label={`What ${page.title} needs`}
          >
            What it needs
          </MuiLink>
        )}
        <Typography variant="body2" color="textSecondary">
          last read {formatWhen(page.checkedAt)}
        </Typography>
      </Box>
      <Box component="ul" sx={{ m: 0, mt: 0.5, mb: 0.5, pl: 2.5 }}>
        {page.spots.map((spot) => (
          <SpotItem key={spot.key} spot={spot} />
        ))}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 1.5 }}>
        <Disclosure label="Add a spot">
          <Box sx={{ flex: '1 1 100%' }}>
            <AddSpot page={page.key} />
          </Box>
        </Disclosure>
        <Disclosure label="Change or remove this page">
          <Box sx={{ flex: '1 1 100%' }}>
            <ChangePage page={page} />
          </Box>
        </Disclosure>
      </Box>
    </Box>
  );
}

const AddSpot = ({ page }: { page: string }) => (
  <AddForm
    changes="sites"
    button="Add a spot"
    fields={[
      { name: 'spot', label: 'Name of a spot', placeholder: 'main' },
      { name: 'phone', label: 'Phone px', initial: '358', width: 100 },
      { name: 'tablet', label: 'Tablet px', initial: '704', width: 100 },
      { name: 'desktop', label: 'Desktop px', initial: '760', width: 110 },
    ]}
    add={async ({ spot = '', phone, tablet, desktop }) => {
      const { data } = await api.call('spots.create', {
        body: {
          key: `${page}#${spot.trim()}`,
          widths: { phone: Number(phone), tablet: Number(tablet), desktop: Number(desktop) },
        },
      });
      return `The spot ${data.key} is there.`;
    }}
  />
);
