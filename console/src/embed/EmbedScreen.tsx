import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { capital, formatKind } from '@orbis/contract/language';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { api } from '../api.ts';
import { FoundFacts } from '../collect/FoundFacts.tsx';
import { CodeParts } from '../collect/CodeParts.tsx';
import { ReadingFacts } from '../collect/ReadingFacts.tsx';
import { Card } from '../components/Card.tsx';
import { PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { Details } from './Details.tsx';
import { NewerCode } from './NewerCode.tsx';
import { useSheetOf } from './sheet-of.ts';
import { Workbench } from './Workbench.tsx';

/** One embed: what it is, how it looks, what is changed in it, where it is. */
export default function EmbedScreen() {
  const { embed: key = '' } = useParams();
  const embed = useQuery({
    queryKey: ['embeds', 'embeds.read', key],
    queryFn: async () => {
      const { data, etag } = await api.call('embeds.read', { params: { embed: key } });
      return { embed: data, etag: etag ?? '' };
    },
  });
  const sheet = useSheetOf(embed.data?.embed);
  if (embed.error) return <ProblemNote error={embed.error} />;
  if (!embed.data || sheet === undefined) return <Waiting />;
  const { embed: now, etag } = embed.data;
  return (
    <>
      <ScreenHead
        title={now.name}
        lead={[
          capital(formatKind(now.kind, now.reading.provider)),
          `revision ${now.revision}`,
          ...(now.retired ? ['retired'] : []),
          ...(now.tags.length > 0 ? [now.tags.join(', ')] : []),
        ].join(' · ')}
      />
      <Workbench key={now.key} embed={now} etag={etag} sheet={sheet} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1fr) minmax(0,1fr)' },
          gap: 3,
          mt: 3,
          alignItems: 'start',
        }}
      >
        <Card title="What it is">
          <Stack spacing={2}>
            <ReadingFacts reading={now.reading} />
            {now.same !== null && (
              <Typography color="textSecondary">
                The very same code is in the collection as{' '}
                <Link to={`/collection/${now.same}`}>{now.same}</Link>.
              </Typography>
            )}
            {now.found && <FoundFacts found={now.found} />}
            {now.direct && (
              <Typography>
                <a href={now.direct} target="_blank" rel="noreferrer">
                  See it at {now.reading.provider?.name ?? 'its provider'}
                </a>
              </Typography>
            )}
            <CodeParts text={now.base} reading={now.reading} />
          </Stack>
        </Card>
        <Card title="As it was pasted" action={<CopyButton text={now.pasted} label="Copy the paste" />}>
          <Stack spacing={2}>
            <PlainCode text={now.pasted} label="The code as it was pasted" />
            <Disclosure label="Take in a newer code of the provider">
              <NewerCode embed={now} etag={etag} />
            </Disclosure>
          </Stack>
        </Card>
        <Card title="Name, tags and notes">
          <Details key={etag} embed={now} etag={etag} />
        </Card>
      </Box>
    </>
  );
}
