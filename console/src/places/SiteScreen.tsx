import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link, useParams } from 'react-router';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { ThingHistory } from '../components/ThingHistory.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { RemoveSite } from './RemoveSite.tsx';
import { SiteForm } from './SiteForm.tsx';
import { useSite } from './use-site.ts';
import { IfMay } from '../components/IfMay.tsx';
import { IfMayElseWho } from '../components/IfMayElseWho.tsx';

/** What holds for all embeds on a site. */
export default function SiteScreen() {
  const { site: key = '' } = useParams();
  const found = useSite(key);
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { data: site, etag } = found.data;
  return (
    <>
      <ScreenHead
        title={site.name}
        lead="What you set here holds for every embed on this site that can have it. What is set on an embed, or at one of its places, wins."
      >
        <IfMay call="inspections.create" site={site.key}>
          <Button component={Link} to={`/inspections?site=${site.key}`} variant="outlined">
            Check everything
          </Button>
        </IfMay>
      </ScreenHead>
      <IfMayElseWho call="sites.change" site={site.key}>
        <SiteForm key={etag} site={site} etag={etag ?? ''} />
      </IfMayElseWho>
      <Box sx={{ mt: 3, maxWidth: 820 }}>
        <IfMay call="sites.delete">
          <RemoveSite site={site} />
        </IfMay>
      </Box>
      <Box sx={{ mt: 3, maxWidth: 820 }}>
        <Card title="What happened here">
          <ThingHistory of={{ site: site.key }} />
        </Card>
      </Box>
    </>
  );
}
