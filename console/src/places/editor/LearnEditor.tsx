import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Site } from '@orbis/contract';
import { api, useList } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { Card } from '../../components/Card.tsx';
import { Disclosure } from '../../components/Disclosure.tsx';
import { CopyButton } from '../../components/CopyButton.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { PagePicker } from '../../embed/PagePicker.tsx';
import { formatWhen } from '../../components/when.ts';
import { saveRules } from './save-rules.ts';
import { WhatCameThrough } from './WhatCameThrough.tsx';

/** The specimen to paste, the page to read it on, and what it shows. */
export function LearnEditor({ site, etag }: { site: Site; etag: string }) {
  const [error, setError] = useState<unknown>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const announce = useAnnounce();
  const pages = useList('pages.list', { site: site.key }).items;
  const page = chosen ?? pages[0]?.key;
  const isOfSite = page?.startsWith(`${site.key}/`) === true;
  const params = { site: site.key };
  const specimen = async (): Promise<string> => {
    setError(null);
    return (await api.call('sites.specimen', { params })).data.text;
  };
  const last = useQuery({
    queryKey: ['sites', 'specimen', site.key],
    queryFn: async () => (await api.call('sites.specimen', { params })).data.last,
  });
  const read = useMutation({
    mutationFn: async () =>
      (await api.call('sites.learn', { params, body: { path: page?.slice(site.key.length + 1) ?? '' } }))
        .data,
  });
  const keep = useMutation({
    mutationFn: () => saveRules(site, etag, read.data?.rules ?? {}),
    onSuccess: async () => {
      read.reset();
      await announce.done(
        `Orbis knows what the editor of ${site.name} lets through. Take the specimen out again.`,
      );
    },
  });
  return (
    <Card title="Find out what it lets through">
      <Stack spacing={2.5}>
        <Step number={1} title="Paste the specimen">
          <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
            A harmless text with one of everything. Put it where you put codes, on any page of the site, and
            publish that page.
          </Typography>
          <CopyButton text={specimen} label="Copy the specimen" onError={setError} />
          <ProblemNote error={error} />
        </Step>
        <Step number={2} title="Have it read">
          {page === undefined ? (
            <Typography variant="body2">
              The register has no page of this site yet: <Link to="/places">add the one</Link> that has it.
            </Typography>
          ) : (
            <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center', pt: 0.5 }}>
              <Box sx={{ width: 320 }}>
                <PagePicker label="The page that has it" page={page} onChange={setChosen} />
              </Box>
              <Button
                variant="outlined"
                disabled={!isOfSite}
                loading={read.isPending}
                onClick={() => read.mutate()}
              >
                Read it
              </Button>
            </Box>
          )}
          <ProblemNote error={read.error} />
        </Step>
        {last.data && !read.data && (
          <Box component="section" aria-label="What it showed last">
            <Typography sx={{ fontWeight: 600, mb: 0.5 }}>
              What it showed on {formatWhen(last.data.at)}
            </Typography>
            <Typography sx={{ mb: 0.5 }}>{last.data.meaning}</Typography>
            <Disclosure label="Show what became of each piece">
              <WhatCameThrough reading={{ ...last.data, open: [] }} />
            </Disclosure>
          </Box>
        )}
        {read.data && (
          <Step number={3} title={read.data.rules ? 'Keep what it shows' : 'It shows nothing yet'}>
            <WhatCameThrough reading={read.data} />
            {read.data.rules && (
              <Button
                variant="contained"
                loading={keep.isPending}
                onClick={() => keep.mutate()}
                sx={{ mt: 2 }}
              >
                Keep these rules
              </Button>
            )}
            <ProblemNote error={keep.error} />
          </Step>
        )}
      </Stack>
    </Card>
  );
}

function Step({ number, title, children }: { number: number; title: string; children: React.ReactNode }) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {number}. {title}
      </Typography>
      {children}
    </Box>
  );
}
