import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Site } from '@orbis/contract';
import { api, useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { AddForm } from '../components/AddForm.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { AddBlock } from './pages/AddBlock.tsx';
import { PageItem } from './pages/PageItem.tsx';
import { SharedSpots } from './pages/SharedSpots.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** One site with its pages and their spots, and what adds more of both. */
export function SiteCard({ site }: { site: Site }) {
  const pages = useList('pages.list', { site: site.key });
  const shared = useList('sharedSpots.list', { site: site.key });
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
          <IfMay call="pageSearches.create" site={site.key}>
            <Button component={Link} to={`/places/${site.key}/pages`} size="small">
              Find its pages
            </Button>
          </IfMay>
          <IfMay call="sites.change" site={site.key}>
            <Button component={Link} to={`/places/${site.key}/editor`} size="small">
              What its editor lets through
            </Button>
          </IfMay>
          <Button component={Link} to={`/places/${site.key}/head`} size="small">
            The head of every page
          </Button>
        </Box>
        <SharedSpots site={site.key} spots={shared.items}>
          <IfMay call="pages.create" site={site.key}>
            <Disclosure label="Add a block that many pages show">
              <AddBlock site={site.key} />
            </Disclosure>
          </IfMay>
        </SharedSpots>
        {pages.data && pages.items.length === 0 && (
          <Typography color="textSecondary">
            No page yet: have its pages found, or add the ones that have embeds on them.
          </Typography>
        )}
        {pages.items.map((page) => (
          <PageItem key={page.key} page={page} shared={shared.items.map(({ name }) => name)} />
        ))}
        <More list={pages} />
        <IfMay call="pages.create" site={site.key}>
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
        </IfMay>
      </Stack>
    </Card>
  );
}
