import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Page, Site } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { formatWhen } from '../components/when.ts';
import { AddForm } from '../components/AddForm.tsx';

/** One site with its pages and their spots, and what adds more of both. */
export function SiteCard({ site }: { site: Site }) {
  const pages = useList('pages.list', { site: site.key });
  return (
    <Card
      title={site.name}
      action={
        <MuiLink href={site.address} target="_blank" rel="noreferrer">
          {site.address}
        </MuiLink>
      }
    >
      <Stack spacing={2.5}>
        <Box>
          <Button component={Link} to={`/places/${site.key}`} size="small">
            What holds for all its embeds
          </Button>
          <Button component={Link} to={`/places/${site.key}/pages`} size="small">
            Find its pages
          </Button>
          <Button component={Link} to={`/places/${site.key}/editor`} size="small">
            What its editor lets through
          </Button>
          <Button component={Link} to={`/places/${site.key}/head`} size="small">
            The head of every page
          </Button>
        </Box>
        {pages.data && pages.items.length === 0 && (
          <Typography color="textSecondary">
            No page yet: have its pages found, or add the ones that have embeds on them.
          </Typography>
        )}
        {pages.items.map((page) => (
          <PageItem key={page.key} page={page} />
        ))}
        <More list={pages} />
        <AddForm
          changes="sites"
          button="Add a page"
          fields={[
            { name: 'title', label: 'Title of a page', placeholder: 'Talks' },
            { name: 'path', label: 'Its path', placeholder: 'talks', required: false },
          ]}
          add={async ({ title = '', path = '' }) => {
            const { data } = await api.call('pages.create', {
              body: { key: `${site.key}/${path.trim().replace(/^\/+/, '')}`, title },
            });
            return `The page ${data.key} is there. Name the spots on it.`;
          }}
        />
      </Stack>
    </Card>
  );
}

function PageItem({ page }: { page: Page }) {
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
          <li key={spot.key}>
            <strong>{spot.name}</strong>{' '}
            <Typography component="span" color="textSecondary">
              {spot.widths.phone}, {spot.widths.tablet} and {spot.widths.desktop} px wide;{' '}
              {spot.placements === 0 ? 'empty' : plural(spot.placements, 'embed')}
            </Typography>
          </li>
        ))}
      </Box>
      <Disclosure label="Add a spot">
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
                key: `${page.key}#${spot.trim()}`,
                widths: { phone: Number(phone), tablet: Number(tablet), desktop: Number(desktop) },
              },
            });
            return `The spot ${data.key} is there.`;
          }}
        />
      </Disclosure>
    </Box>
  );
}
