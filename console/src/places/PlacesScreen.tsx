import Stack from '@mui/material/Stack';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { AddSite } from './AddSite.tsx';
import { SiteCard } from './SiteCard.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** The owner's sites, their pages, and the spots on them. */
export default function PlacesScreen() {
  const sites = useList('sites.list', {});
  return (
    <>
      <ScreenHead title="Places" lead="Your sites, their pages, and the spots on them where embeds go." />
      <ProblemNote error={sites.error} />
      {sites.isPending && <Waiting />}
      <Stack spacing={3}>
        {sites.data && sites.items.length === 0 && (
          <Empty title="No site yet">
            Declare your first site below: a short key, and the address where it is published.
          </Empty>
        )}
        {sites.items.map((site) => (
          <SiteCard key={site.key} site={site} />
        ))}
        <More list={sites} />
        <IfMay call="sites.create">
          <Card title="Add a site">
            <AddSite />
          </Card>
        </IfMay>
      </Stack>
    </>
  );
}
