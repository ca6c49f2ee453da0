import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { api, heldForForm } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { formatWhen } from '../components/when.ts';
import { Waiting } from '../components/Waiting.tsx';
import { useSheetOf } from '../embed/sheet-of.ts';
import { oneScreen } from '../embed/one-screen.ts';
import { AtThisPlace } from './AtThisPlace.tsx';
import { PlacementForm } from './PlacementForm.tsx';
import { SeenByVisitors } from './SeenByVisitors.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** What is asked of an embed at one place only. */
export default function PlacementScreen() {
  const { placement: id = '' } = useParams();
  const found = useQuery({
    queryKey: ['placements', id],
    meta: heldForForm,
    queryFn: async () => {
      const { data: placement, etag } = await api.call('placements.read', { params: { placement: id } });
      const [embed, site] = await Promise.all([
        api.call('embeds.read', { params: { embed: placement.embed } }),
        api.call('sites.read', { params: { site: placement.site } }),
      ]);
      return { placement, etag: etag ?? '', embed: embed.data, site: site.data };
    },
  });
  const sheet = useSheetOf(found.data?.embed);
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data || sheet === undefined) return <Waiting />;
  const { placement, etag, embed, site } = found.data;
  return (
    <Box sx={oneScreen}>
      <ScreenHead
        title={`${placement.embedName} in ${placement.place}`}
        lead="What you set here holds at this place only. The embed itself, and its other places, stay as they are."
      >
        <Button component={Link} to={`/collection/${placement.embed}`} size="small" variant="outlined">
          To the embed itself
        </Button>
      </ScreenHead>
      <IfMay call="placements.change" site={placement.site}>
        <AtThisPlace key={`at ${etag}`} placement={placement} etag={etag} />
      </IfMay>
      {placement.note !== '' && (
        <Typography sx={{ mb: 2, whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>
          {placement.note}
        </Typography>
      )}
      {placement.pausedAt !== null && (
        <Alert severity="info" variant="outlined" sx={{ mb: 2 }}>
          It is paused here since {formatWhen(placement.pausedAt)}: nothing of it is to stand there, and
          frames that Orbis serves for it show nothing.
        </Alert>
      )}
      {placement.state !== 'planned' && placement.pausedAt === null && (
        <Alert severity="info" variant="outlined" sx={{ mb: 2 }}>
          The page keeps the code that it carries until you paste the new one there.
        </Alert>
      )}
      <SeenByVisitors placement={placement.id} />
      <PlacementForm
        // What is typed stays when only a note or a pause is saved meanwhile.
        key={`${placement.id} ${JSON.stringify(placement.options)}`}
        placement={placement}
        etag={etag}
        embed={embed}
        site={site}
        sheet={sheet}
      />
    </Box>
  );
}
