import { useQuery } from '@tanstack/react-query';
import Typography from '@mui/material/Typography';
import { useNavigate } from 'react-router';
import type { Site } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { RemoveButton } from './RemoveButton.tsx';

/** Removes a site with its pages. */
export function RemoveSite({ site }: { site: Site }) {
  const navigate = useNavigate();
  const params = { site: site.key };
  const standing = useQuery({
    queryKey: ['sites', 'standing', site.key],
    queryFn: async () => (await api.call('sites.standing', { params })).data,
  });
  return (
    <Card title="If it is no site of yours any more">
      <Typography>
        {site.pages === 0
          ? 'It has no pages'
          : `Its ${plural(site.pages, 'page')} and their spots go with it`}
        . What was issued for it is kept, and taking it back brings all of it again.
      </Typography>
      <ProblemNote error={standing.error} />
      {standing.data && (
        <RemoveButton
          label="Remove this site"
          name={site.name}
          standing={standing.data}
          remove={async (query) => {
            const { etag } = await api.call('sites.read', { params });
            await api.call('sites.delete', { params, query, ifMatch: etag ?? '*' });
          }}
          onRemoved={() => void navigate('/places')}
        />
      )}
    </Card>
  );
}
