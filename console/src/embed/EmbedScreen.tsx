import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { capital, formatKind, spoken } from '@orbis/contract/language';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import type { Embed } from '@orbis/contract';
import { api } from '../api.ts';
import { FoundFacts } from '../collect/FoundFacts.tsx';
import { CodeParts } from '../collect/CodeParts.tsx';
import { ReadingFacts } from '../collect/ReadingFacts.tsx';
import { PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { SideDrawer } from '../components/SideDrawer.tsx';
import { ThingHistory } from '../components/ThingHistory.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { TermsForm } from '../terms/TermsForm.tsx';
import { Details } from './Details.tsx';
import { Purge } from './Purge.tsx';
import { Purged } from './Purged.tsx';
import { ItsPicture } from './ItsPicture.tsx';
import { NewerCode } from './NewerCode.tsx';
import { Revisions } from './Revisions.tsx';
import { useSheetOf } from './sheet-of.ts';
import { Workbench } from './Workbench.tsx';
import { oneScreen } from './one-screen.ts';
import { IfMay } from '../components/IfMay.tsx';
import { IfMayElseWho } from '../components/IfMayElseWho.tsx';

/** One embed: how it looks and what is changed in it; and, drawn in from the side, what it is and was. */
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
  if (now.purged) return <Purged embed={now} purged={now.purged} />;
  return (
    <Box sx={oneScreen}>
      <ScreenHead
        title={now.name}
        lead={[
          capital(formatKind(now.kind, now.reading.provider)),
          `revision ${now.revision}`,
          ...(now.retired ? ['retired'] : []),
          ...(now.tags.length > 0 ? [now.tags.join(', ')] : []),
        ].join(' · ')}
      >
        <SideDrawer label="What it is">
          <WhatItIs embed={now} />
        </SideDrawer>
        <SideDrawer label="The paste" action={<CopyButton text={now.pasted} label="Copy the paste" />}>
          <Stack spacing={2}>
            <PlainCode text={now.pasted} label="The code as it was pasted" />
            <IfMay call="sources.create">
              <Disclosure label="Take in a newer code of the provider">
                <NewerCode embed={now} etag={etag} />
              </Disclosure>
            </IfMay>
          </Stack>
        </SideDrawer>
        <SideDrawer label="Details">
          <Stack spacing={3}>
            <IfMay call="embeds.photograph">
              <ItsPicture embed={now} />
            </IfMay>
            <IfMayElseWho call="embeds.change">
              <Details key={now.key} embed={now} etag={etag} />
            </IfMayElseWho>
            <IfMay call="terms.writeOfEmbed">
              <Disclosure label="Costs and terms">
                <Box component="section">
                  <Typography variant="h2" sx={{ mb: 2 }}>
                    Costs and terms
                  </Typography>
                  <TermsForm of={{ embed: now.key }} />
                </Box>
              </Disclosure>
            </IfMay>
            {now.retired && (
              <IfMay call="embeds.purge">
                <Disclosure label="Purge it">
                  <Purge embed={now} etag={etag} />
                </Disclosure>
              </IfMay>
            )}
          </Stack>
        </SideDrawer>
        <SideDrawer label="Revisions">
          <Revisions embed={now} etag={etag} />
        </SideDrawer>
        <IfMay call="history.ofEmbed">
          <SideDrawer label="History">
            <ThingHistory of={{ embed: now.key }} />
          </SideDrawer>
        </IfMay>
      </ScreenHead>
      <Workbench key={now.key} embed={now} etag={etag} sheet={sheet} />
    </Box>
  );
}

/* What was read of its code, and what its provider told of it. */
const WhatItIs = ({ embed }: { embed: Embed }) => (
  <Stack spacing={2}>
    <ReadingFacts reading={embed.reading} />
    {embed.same !== null && (
      <Typography color="textSecondary">
        The very same code is in the collection as <Link to={`/collection/${embed.same}`}>{embed.same}</Link>.
      </Typography>
    )}
    {embed.found && <FoundFacts found={embed.found} />}
    {embed.direct && (
      <Typography>
        <a href={embed.direct} target="_blank" rel="noreferrer">
          See it at {embed.reading.provider?.name ?? 'its provider'}
        </a>
      </Typography>
    )}
    {embed.kept.map(({ what, address, isInstant }) => (
      <Typography key={address}>
        <a href={address} target="_blank" rel="noreferrer">
          {spoken.kept[what](embed.reading.provider?.name ?? 'its provider')}
        </a>
        {isInstant && `. ${spoken.kept.instant}`}
      </Typography>
    ))}
    <CodeParts text={embed.base} reading={embed.reading} />
  </Stack>
);
