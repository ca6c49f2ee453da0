import Stack from '@mui/material/Stack';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api } from '../../api.ts';
import { Card } from '../../components/Card.tsx';
import { Empty } from '../../components/Empty.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { ScreenHead } from '../../components/ScreenHead.tsx';
import { Waiting } from '../../components/Waiting.tsx';
import { useSite } from '../use-site.ts';
import { HeadThings } from './HeadThings.tsx';
import { HeadWork } from './HeadWork.tsx';
import { IfMay } from '../../components/IfMay.tsx';
import { IfMayElseWho } from '../../components/IfMayElseWho.tsx';

/** What the pages of a site need once, and what of it stands in the head of every page. */
export default function HeadScreen() {
  const { site: key = '' } = useParams();
  const site = useSite(key);
  const head = useQuery({
    queryKey: ['sites', key, 'head'],
    queryFn: () => api.call('heads.read', { params: { site: key } }),
  });
  const error = site.error ?? head.error;
  if (error) return <ProblemNote error={error} />;
  if (!site.data || !head.data) return <Waiting />;
  const { data, etag } = head.data;
  return (
    <>
      <ScreenHead
        title={`The head of every page of ${site.data.data.name}`}
        lead="A provider’s script is needed once on a page, however many embeds use it. Many site editors have a field for code in the head of every page: what many pages need can stand there once, and need not be pasted on each."
      />
      <Stack spacing={3} sx={{ maxWidth: 820 }}>
        {data.things.length === 0 ? (
          <Empty title="Nothing belongs there">
            No embed on this site brings anything that its pages need only once.
          </Empty>
        ) : (
          <>
            <IfMay call="headDeliveries.create" site={key}>
              <HeadWork head={data} />
            </IfMay>
            <Card title="What its pages need once">
              <IfMayElseWho call="heads.change" site={key}>
                <HeadThings head={data} etag={etag ?? ''} />
              </IfMayElseWho>
            </Card>
          </>
        )}
      </Stack>
    </>
  );
}
