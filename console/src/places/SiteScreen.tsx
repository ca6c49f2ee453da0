import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { SiteForm } from './SiteForm.tsx';

/** What holds for all embeds on a site. */
export default function SiteScreen() {
  const { site: key = '' } = useParams();
  const found = useQuery({
    queryKey: ['sites', key],
    queryFn: () => api.call('sites.read', { params: { site: key } }),
  });
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { data: site, etag } = found.data;
  return (
    <>
      <ScreenHead
        title={site.name}
        lead="What you set here holds for every embed on this site that can have it. What is set on an embed, or at one of its places, wins."
      />
      <SiteForm key={etag} site={site} etag={etag ?? ''} />
    </>
  );
}
